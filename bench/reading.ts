import { randomUUID } from 'node:crypto';
import { addReading } from '@/server/operations/cable-measurement';
import { judgements } from '@/server/operations/chosen';
import { viewTermination } from '@/server/operations/view';
import type { Row } from './row';

const ROUNDS = 30;

/** One reading kept at an end of a job of 5,000, and the end shown again after it: server time, and how often the catalogue is judged. */
export async function benchReading(slug: string): Promise<Row[]> {
  const times: number[] = [];
  let judged = 0;
  for (let i = 0; i < ROUNDS; i += 1) {
    const ref = { job: slug, cable: `C-${100 + i}`, end: 'A' };
    const now = new Date();
    const text = (20 + i / 10).toFixed(1);
    const before = judgements();
    const from = performance.now();
    const kept = await addReading(
      ref,
      { quantity: 'outerSheath', method: 'caliper', text, unit: 'mm', angleDeg: 90 },
      randomUUID(),
      { id: null, name: 'bench' },
      now,
    );
    if (!kept.ok) throw new Error(kept.problems.map((p) => p.message).join('; '));
    const shown = await viewTermination(ref);
    if (!shown.ok) throw new Error('the end cannot be shown');
    times.push(performance.now() - from);
    judged += judgements() - before;
  }
  times.sort((a, b) => a - b);
  return [
    {
      what: 'one reading kept and its end shown at 5,000 ends, median of 30',
      value: times[Math.floor(ROUNDS / 2)] ?? NaN,
      unit: 'ms',
      bar: 150,
    },
    { what: 'the same, the slowest but one', value: times[ROUNDS - 2] ?? NaN, unit: 'ms', bar: 150 },
    { what: 'the catalogue is judged for it', value: judged / ROUNDS, unit: 'times', bar: 1 },
  ];
}
