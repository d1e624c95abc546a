import { checkPacking, circleAreas, shapeArea } from '@/core/circle-packing';
import type { StubsAnswer } from './answer';
import { pairOf, type StubsTask } from './request';

/**
 * Audits an answer without knowing how it was made: every cable once or named as left out, each stub on offer and no more of it than there are,
 * its circles as large as the cables and apart, room left free, circuits kept apart, the cost as the stubs cost. Each fault is a line.
 */
export function checkStubs(task: StubsTask, answer: StubsAnswer): string[] {
  const faults: string[] = [];
  const cables = new Map(task.cables.map((c) => [c.tag, c]));
  const seen = new Set<string>();
  const used = new Map<string, number>();
  let cost = 0;
  for (const { id, circles } of answer.stubs) {
    const kind = task.kinds.find((k) => k.id === id);
    if (!kind) {
      faults.push(`${id} is not on offer`);
      continue;
    }
    cost += kind.cost;
    used.set(id, (used.get(id) ?? 0) + 1);
    for (const { tag, d } of circles) {
      if (seen.has(tag)) faults.push(`${tag} lies twice`);
      seen.add(tag);
      if (cables.get(tag)?.d !== d) faults.push(`${tag} is not ${d} mm`);
    }
    const diameters = circles.map((c) => c.d);
    for (const v of checkPacking(
      diameters,
      task.clearance,
      kind.shape,
      circles.map(({ x, y, d }, i) => ({ i, x, y, d })),
    ))
      faults.push(`${id}: ${JSON.stringify(v)}`);
    if (circleAreas(diameters) > (1 - task.spareShare) * shapeArea(kind.shape) * (1 + 1e-9))
      faults.push(`${id} leaves too little free`);
    const circuits = circles.flatMap((c) => cables.get(c.tag)?.circuit ?? []);
    circuits.forEach((a, i) => {
      for (const b of circuits.slice(i + 1))
        if (task.apart.has(pairOf(a, b))) faults.push(`${id} holds ${a} and ${b}`);
    });
  }
  for (const kind of task.kinds)
    if ((used.get(kind.id) ?? 0) > kind.available)
      faults.push(`${kind.id} is used more often than it is there`);
  const out = new Set(answer.unplaced.map((u) => u.tag));
  for (const tag of cables.keys())
    if (seen.has(tag) === out.has(tag)) faults.push(`${tag} is neither placed nor left out, or both`);
  if (Math.abs(cost - answer.cost) > 1e-6) faults.push(`the stubs cost ${cost}, not ${answer.cost}`);
  if (answer.status === 'optimal' && out.size > 0) faults.push('optimal, and something is left out');
  return faults;
}
