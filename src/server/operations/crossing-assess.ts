import { hull, ok, refuse, type Result } from '@/core/kernel';
import { measure } from '@/core/cable-measurement';
import {
  KINDS,
  sheetOf,
  stepsOf,
  type AllSheets,
  type Askeds,
  type CrossingKind,
  type CrossingKindId,
  type CrossingSetup,
  type CrossingState,
  type KnownDiameter,
  type Made,
  type Requests,
  type Setups,
  type Sheets,
} from '@/core/crossing';
import { actOf, replay, type BenchAct, type ChainFault, type CrossingRef, type Step } from '@/core/record';
import { ENDS, withNominal } from '@/core/schedule';
import {
  findCrossing,
  listCrossings,
  liveCables,
  loadCrossingPlans,
  loadCrossingSheets,
  loadReadings,
  type CrossingRow,
  type JobRow,
  type StoredCrossingPlan,
  type Tx,
} from '@/data';
import type { Subject } from '../record/append';
import { auditedRecords, planFaults, type AuditedRecord } from '../record/faults';
import { rulesOf } from './measuring';
import { requireJob } from './load';

/** Outer sheath of every cable of a job, over both ends. */
export async function knownDiameters(tx: Tx, job: JobRow): Promise<Map<string, KnownDiameter | null>> {
  const cables = await liveCables(tx, job.id);
  const readings = await loadReadings(
    tx,
    cables.map((c) => c.id),
  );
  return new Map(
    cables.map(({ id, tag, cableType }) => {
      const mine = readings.filter((r) => r.cableId === id);
      const ends = ENDS.flatMap((end) => {
        const m = measure(
          withNominal(
            mine.flatMap((r) => (r.end === null || r.end === end ? [r.reading] : [])),
            cableType.nominal,
          ),
          'outerSheath',
          rulesOf(job),
        );
        return m.ok && m.value !== null ? [m.value] : [];
      });
      // An end that nobody has measured says nothing as long as the other one is.
      const measured = ends.filter((m) => !m.provisional);
      const used = measured.length > 0 ? measured : ends;
      if (used.length === 0) return [tag, null] as const;
      const interval = hull(used.map((m) => m.interval));
      return [tag, { interval, nominal: measured.length === 0 }] as const;
    }),
  );
}

export const onlyKnown = (all: ReadonlyMap<string, KnownDiameter | null>): Map<string, KnownDiameter> =>
  new Map([...all].flatMap(([tag, d]) => (d === null ? [] : [[tag, d] as const])));

/** Whose record the events of a crossing go into. */
export const crossingSubject = (job: JobRow, row: CrossingRow): Subject => ({
  job,
  kind: 'crossing',
  id: row.id,
  name: `crossing ${row.name}`,
});

export interface Assessed<K extends CrossingKindId> {
  readonly kind: K;
  readonly setup: Setups[K];
  readonly sheet: Sheets[K];
  readonly asked: Askeds[K];
  /** What is planned from; null while something is lacking. */
  readonly request: Requests[K] | null;
  /** Empty while something is lacking. */
  readonly hash: string;
  /** Plans of this kind, the newest first. */
  readonly plans: readonly StoredCrossingPlan<K>[];
  readonly steps: readonly Step[];
  readonly acts: readonly BenchAct[];
  readonly state: CrossingState;
  readonly done: number;
  readonly faults: readonly ChainFault[];
}

/** The building of a plan as steps. Cautions are those of the sheet that the plan was made by, where it is still there. */
export function plannedSteps<K extends CrossingKindId>(
  kind: K,
  setup: Setups[K],
  made: Made<K>,
  sheets: AllSheets,
): Step[] {
  const by = KINDS[kind].sheetNamed(made.request) ?? setup.sheet;
  const all: readonly Sheets[CrossingKindId][] = KINDS[kind].sheets(sheets);
  const planned = all.find((f) => f.code === by?.code && f.sheet.revision === by.revision);
  return stepsOf(made, setup, {
    name: setup.place,
    rating: setup.rating,
    cautions: planned?.cautions ?? [],
  });
}

function stateOf(
  { members, kind }: CrossingSetup,
  plan: { readonly requestHash: string } | undefined,
  hash: string,
  steps: readonly Step[],
  { done, next }: ReturnType<typeof replay>,
): CrossingState {
  // A wrap may close a stub that nothing goes through.
  if (members.length === 0 && kind !== 'wrap') return 'empty';
  if (plan === undefined) return 'toPlan';
  if (plan.requestHash !== hash) return 'stale';
  if (steps.length > 0 && next === null) return 'built';
  return done.size > 0 ? 'building' : 'planned';
}

/** The sheet that a setup stands on, and what is asked of the planner by it. */
export function askOf<K extends CrossingKindId>(
  setup: Setups[K] & { readonly kind: K },
  known: ReadonlyMap<string, KnownDiameter>,
  sheets: AllSheets,
): Result<{ readonly sheet: Sheets[K]; readonly asked: Askeds[K]; readonly request: Requests[K] | null }> {
  const kind: CrossingKind<K> = KINDS[setup.kind];
  const sheet = sheetOf<K>(setup, sheets);
  if (!sheet.ok) return sheet;
  const asked = kind.ask(setup, known, sheet.value);
  if (!asked.ok) return asked;
  return ok({ sheet: sheet.value, asked: asked.value, request: kind.requestOf(asked.value) });
}

export function assess<K extends CrossingKindId>(
  setup: Setups[K] & { readonly kind: K },
  known: ReadonlyMap<string, KnownDiameter>,
  all: readonly StoredCrossingPlan[],
  record: AuditedRecord,
  sheets: AllSheets,
): Result<Assessed<K>> {
  const kind: CrossingKind<K> = KINDS[setup.kind];
  const found = askOf<K>(setup, known, sheets);
  if (!found.ok) return found;
  const { sheet, asked, request } = found.value;
  const hash = request === null ? '' : kind.hashOf(request);
  // Told apart by what they say they are of.
  const plans = all.filter((p) => p.of === setup.kind) as unknown as readonly StoredCrossingPlan<K>[];
  const [plan] = plans;
  const steps = plan ? plannedSteps<K>(setup.kind, setup, plan, sheets) : [];
  const acts = record.events.map(actOf);
  const faults = [
    ...planFaults((plan as StoredCrossingPlan | undefined) ?? null, record.events),
    ...record.faults,
  ];
  const progress = replay(steps, acts);
  const kindOf: K = setup.kind;
  return ok({
    kind: kindOf,
    setup,
    sheet,
    asked,
    request,
    hash,
    plans,
    steps,
    acts,
    state: stateOf(setup, plan, hash, steps, progress),
    done: progress.done.size,
    faults,
  });
}

export async function requireCrossing(
  tx: Tx,
  ref: CrossingRef,
): Promise<Result<{ job: JobRow; row: CrossingRow }>> {
  const job = await requireJob(tx, ref.job);
  if (!job.ok) return job;
  const row = await findCrossing(tx, job.value.id, ref.crossing);
  return row ? ok({ job: job.value, row }) : refuse('crossing', 'there is no such crossing', ref.crossing);
}

/** Every crossing of a job with all that is known of it, in the order in which they were added. */
export async function assessedCrossings(
  tx: Tx,
  job: JobRow,
): Promise<Result<readonly { readonly row: CrossingRow; readonly is: Assessed<CrossingKindId> }[]>> {
  const rows = await listCrossings(tx, job.id);
  const ids = rows.map((r) => r.id);
  const stored = await loadCrossingPlans(tx, ids);
  const recordOf = await auditedRecords(tx, job, 'crossing', rows);
  const known = onlyKnown(await knownDiameters(tx, job));
  const sheets = await loadCrossingSheets(tx);
  const all: { row: CrossingRow; is: Assessed<CrossingKindId> }[] = [];
  for (const row of rows) {
    const mine = stored.filter((p) => p.crossingId === row.id);
    const found = assess<CrossingKindId>(row.setup, known, mine, recordOf(row.id), sheets);
    if (!found.ok) return found;
    all.push({ row, is: found.value });
  }
  return ok(all);
}

/** A crossing with all that is known of it. */
export async function assessed(tx: Tx, ref: CrossingRef) {
  const found = await requireCrossing(tx, ref);
  if (!found.ok) return found;
  const { job, row } = found.value;
  const all = await knownDiameters(tx, job);
  const stored = await loadCrossingPlans(tx, [row.id]);
  const record = (await auditedRecords(tx, job, 'crossing', [row]))(row.id);
  const sheets = await loadCrossingSheets(tx);
  const made = assess<CrossingKindId>(row.setup, onlyKnown(all), stored, record, sheets);
  return made.ok ? ok({ job, row, all, events: record.events, sheets, assessed: made.value }) : made;
}
