import { array, boolean, number, object, string, type InferType } from 'yup';
import { ohmLimits, pathSchema } from './conductor';
import { answerOfTest, deadFinding, found, type TestAnswer, type TestFinding } from './finding';
import { againstLimit } from './resistance';

const coreName = () => string().trim().min(1).max(40).required();
export const MOST_CORES = 61;

/** What a list of readings names, whatever else stands in it: it is judged before its parts are. */
const pairsOf = (readings: unknown): (readonly [unknown, unknown])[] =>
  (Array.isArray(readings) ? (readings as readonly unknown[]) : []).flatMap((r) =>
    typeof r === 'object' && r !== null && 'near' in r && 'far' in r ? [[r.near, r.far] as const] : [],
  );

/** Each core of the near end against each of the far end, where one is joined to the return at a time. */
export const continuityRequestSchema = object({
  cores: array()
    .of(coreName())
    .min(1)
    .max(MOST_CORES)
    .test(
      'once',
      'names a core twice',
      (cores) => !Array.isArray(cores) || new Set(cores).size === cores.length,
    )
    .required(),
  provedDead: boolean().optional(),
  /** A reading no more than this is a connection, one no less than `openOhm` is none. */
  throughOhm: number().positive().max(1e6).required(),
  openOhm: number().positive().max(1e9).required(),
  readings: array()
    .of(
      object({
        near: coreName(),
        far: coreName(),
        /** Null: over the range of the tester. */
        ohm: number().min(0).max(1e12).nullable().defined(),
      })
        .noUnknown()
        .required(),
    )
    .max(MOST_CORES * MOST_CORES)
    .required(),
  /** What a core must come to, where its resistance is judged too. */
  path: pathSchema.optional().default(undefined),
  uncertaintyOhm: number().min(0).max(1e6).required(),
})
  .noUnknown()
  .test('range', 'openOhm: is not above throughOhm', (r) => !(r.openOhm <= r.throughOhm))
  .test('known', 'readings: name a core that is not there, or two of one pair', ({ cores, readings }) => {
    // What has no pair is refused for that.
    const pairs = pairsOf(readings);
    const named = new Set<unknown>(Array.isArray(cores) ? cores : []);
    return (
      new Set(pairs.map((pair) => JSON.stringify(pair))).size === pairs.length &&
      pairs.every((pair) => pair.every((core) => named.has(core)))
    );
  })
  .required();
export type ContinuityRequest = InferType<typeof continuityRequestSchema>;

export interface ContinuityPlan {
  readonly answer: TestAnswer;
  readonly findings: readonly TestFinding[];
  /** What each core of the near end comes out as; null where it comes out nowhere, or as several. */
  readonly carried: readonly { readonly near: string; readonly far: string | null }[];
}

/**
 * Which core comes out where: through, crossed, open, joined to others; pairs that nobody has measured and readings that are neither are asked
 * for. Any number of faults at once; each core stands in one of them.
 */
export function planContinuity(request: ContinuityRequest): ContinuityPlan {
  const { cores, readings, throughOhm, openOhm, path, uncertaintyOhm } = request;
  const at = new Map(cores.map((core, i) => [core, i]));
  const index = (core: string) => at.get(core) ?? -1;
  const reaches: number[][] = cores.map(() => []);
  const comesFrom: number[][] = cores.map(() => []);
  const findings: TestFinding[] = [deadFinding(request.provedDead)];
  const measured = new Set<number>();
  for (const { near, far, ohm } of readings) {
    const [i, j] = [index(near), index(far)];
    measured.add(i * cores.length + j);
    if (ohm !== null && ohm <= throughOhm) {
      reaches[i]?.push(j);
      comesFrom[j]?.push(i);
    } else if (ohm !== null && ohm < openOhm)
      findings.push(found('ask', 'unclear', { near, far, ohm, through: throughOhm, open: openOhm }));
  }
  const name = (i: number) => cores[i] ?? '';
  const missing = cores.flatMap((_, i) =>
    cores.flatMap((__, j) => (measured.has(i * cores.length + j) ? [] : [[i, j] as const])),
  );
  const [first] = missing;
  if (first !== undefined)
    findings.push(
      found('ask', 'unmeasured', { pairs: missing.length, near: name(first[0]), far: name(first[1]) }),
    );
  const carried = cores.map((near, i) => {
    const [only, ...more] = reaches[i] ?? [];
    const alone = only !== undefined && more.length === 0 && comesFrom[only]?.length === 1;
    return { near, far: alone ? name(only) : null };
  });
  // A pair that was not measured may be the one that joins or opens: nothing is said of its cores then.
  const whole = (i: number) => cores.every((_, j) => measured.has(i * cores.length + j));
  const wholeFar = (j: number) => cores.every((_, i) => measured.has(i * cores.length + j));
  cores.forEach((core, i) => {
    if (reaches[i]?.length === 0 && whole(i)) findings.push(found('fails', 'opens', { core, end: 'near' }));
    if (comesFrom[i]?.length === 0 && wholeFar(i))
      findings.push(found('fails', 'opens', { core, end: 'far' }));
  });
  for (const group of joinedIn(reaches, comesFrom))
    findings.push(found('fails', 'joined', { near: group.near.map(name), far: group.far.map(name) }));
  for (const row of rowsIn(carried.map((c) => (c.far === null ? null : index(c.far)))))
    findings.push(found('fails', 'crossed', { pairs: row.map(([i, j]) => [name(i), name(j)] as const) }));
  const straight = carried.filter((c) => c.near === c.far);
  if (straight.length === cores.length && first === undefined)
    findings.push(found('holds', 'through', { cores: cores.length }));
  if (path !== undefined)
    for (const { near, far } of straight) {
      const ohm = readings.find((r) => r.near === near && r.far === far)?.ohm ?? 0;
      findings.push(...againstLimit(`core ${near}`, ohm, uncertaintyOhm, ohmLimits(path)));
    }
  return { answer: answerOfTest(findings), findings, carried };
}

interface Group {
  readonly near: readonly number[];
  readonly far: readonly number[];
}

/** Cores that hang together at one end or the other. */
function joinedIn(reaches: readonly number[][], comesFrom: readonly number[][]): Group[] {
  const seen = new Set<number>();
  const groups: Group[] = [];
  reaches.forEach((_, start) => {
    if (seen.has(start)) return;
    const near = new Set<number>([start]);
    const far = new Set<number>();
    // Each round goes on from what came in the one before: no more rounds than cores.
    for (let round = 0, size = -1; round <= reaches.length && size !== near.size + far.size; round += 1) {
      size = near.size + far.size;
      for (const i of near) reaches[i]?.forEach((j) => far.add(j));
      for (const j of far) comesFrom[j]?.forEach((i) => near.add(i));
    }
    near.forEach((i) => seen.add(i));
    if (near.size > 1 || far.size > 1) groups.push({ near: [...near].sort(up), far: [...far].sort(up) });
  });
  return groups;
}

const up = (a: number, b: number) => a - b;

/** Cores that come out as another, those together that come out as one another in turn. */
function rowsIn(to: readonly (number | null)[]): (readonly [number, number])[][] {
  const seen = new Set<number>();
  const rows: (readonly [number, number])[][] = [];
  // What nothing comes out as begins a row, else any of a ring does.
  const arrived = new Set(to.filter((j) => j !== null));
  const order = [...to.keys()].sort((a, b) => Number(arrived.has(a)) - Number(arrived.has(b)));
  for (const start of order) {
    const row: (readonly [number, number])[] = [];
    let i: number | null = start;
    while (i !== null && !seen.has(i)) {
      seen.add(i);
      const next: number | null = to[i] ?? null;
      if (next !== null && next !== i) row.push([i, next]);
      i = next;
    }
    if (row.length > 0) rows.push(row);
  }
  return rows;
}
