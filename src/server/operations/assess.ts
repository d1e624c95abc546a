import type { Problem } from '@/core/kernel';
import { QUANTITY_WORDS } from '@/core/cable-measurement';
import {
  answerWords,
  chooseEach,
  contradictions,
  decideBarrier,
  measureEnd,
  neededQuantities,
  NOTHING_MEASURED,
  provisionalReasons,
  type CatalogueView,
  type BarrierTrail,
  type Choice,
  type MeasuredEnd,
  type MeasuredQuantity,
  type TerminationInput,
} from '@/core/gland-selection';
import { lackWords, RECORD_HALF, type JointLack } from '@/core/in-line';
import {
  actOf,
  type ChainFault,
  replay,
  stepsOfEnd,
  type BenchAct,
  type Progress,
  type Step,
} from '@/core/record';
import { withDeviceTimes } from '@/core/kept-work';
import {
  collarOf,
  generateSteps,
  isStale,
  planHash,
  type CollarState,
  type PlanRequest,
} from '@/core/procedure';
import { terminationTag, withNominal } from '@/core/schedule';
import { trimNumber } from '@/core/units';
import type {
  JobRow,
  StoredCatalogue,
  StoredEvent,
  StoredFamily,
  StoredPlan,
  StoredReading,
  TerminationRow,
} from '@/data';
import { rulesOf } from './measuring';
import { chosen } from './chosen';
import { planFaults, type AuditedRecord } from '../record/faults';

/** Everything the core has to say about one termination today. */
export interface Assessment {
  readonly tag: string;
  readonly row: TerminationRow;
  readonly readings: readonly StoredReading[];
  readonly measured: MeasuredEnd;
  readonly measureProblems: readonly Problem[];
  /** The profile's decision about the inside of the cable; null while there is no entry. */
  readonly barrier: BarrierTrail | null;
  readonly needed: readonly MeasuredQuantity[];
  readonly missing: readonly MeasuredQuantity[];
  /** Null while something is missing: an entry, or a reading that cannot be read. */
  readonly request: PlanRequest | null;
  readonly choice: Choice | null;
  readonly plan: StoredPlan | null;
  readonly stale: boolean;
  readonly steps: readonly Step[];
  readonly acts: readonly BenchAct[];
  readonly progress: Progress | null;
  readonly events: readonly StoredEvent[];
  readonly chainFaults: readonly ChainFault[];
  readonly collar: CollarState;
  /** Null where the end is no half of an in-line joint. */
  readonly joint: JointOf | null;
}

/** What an end is joined with. */
export interface JointOf {
  readonly box: string;
  /** Whose record is that of both; null where there is no joint yet, and `lack` says why. */
  readonly keeper: TerminationRow | null;
  readonly mate: TerminationRow | null;
  readonly lack: string | null;
}

/** Is the record of an end its own, and not with the other half of its joint? */
export const keepsRecord = ({ joint, row }: Pick<Assessment, 'joint' | 'row'>): boolean =>
  joint === null || joint.keeper === null || joint.keeper.id === row.id;

export interface AssessInput {
  readonly job: JobRow;
  readonly row: TerminationRow;
  /** Readings of the cable, of both ends. */
  readonly readings: readonly StoredReading[];
  readonly plan: StoredPlan | null;
  /** What was recorded of it, audited. */
  readonly record: AuditedRecord;
  /** What competes: the newest revisions. */
  readonly catalogue: StoredCatalogue;
  /** The revision the plan was made by, which may be an older one. */
  readonly planFamily: StoredFamily | null;
  /** Of one half of an in-line joint: both halves, each by itself, or why there is no joint. */
  readonly joint?:
    { readonly keeper: AssessInput; readonly mate: AssessInput } | { readonly lack: JointLack };
}

export const catalogueView = (catalogue: StoredCatalogue): CatalogueView => ({
  families: catalogue.families.map((f) => f.family),
  adaptors: catalogue.adaptors,
  accessories: catalogue.accessories,
});

/** Readings that speak for an end: its own, and those of the whole cable. The other end's do not. */
export const readingsOfEnd = (readings: readonly StoredReading[], end: 'A' | 'B'): StoredReading[] =>
  readings.filter((r) => r.end === null || r.end === end);

/** An end as it is measured and placed, before anything is chosen for it. */
interface Prepared {
  readonly tag: string;
  readonly readings: readonly StoredReading[];
  readonly measured: MeasuredEnd;
  readonly measureProblems: readonly Problem[];
  readonly core: TerminationInput | null;
  readonly barrier: BarrierTrail | null;
  readonly needed: readonly MeasuredQuantity[];
  readonly missing: readonly MeasuredQuantity[];
  readonly request: PlanRequest | null;
}

/** What the half that keeps the record is to mate with: the plan of the other one, as long as it stands. */
function jointRequest({ row, joint }: AssessInput): Pick<PlanRequest, 'joint'> {
  if (joint === undefined || row.place?.entry.inLine !== RECORD_HALF) return {};
  if ('lack' in joint) return { joint };
  const { mate } = joint;
  const tag = terminationTag(mate.row.cable.tag, mate.row.end);
  if (mate.plan === null) return { joint: { lack: { code: 'notPlanned', tag } } };
  if (isPlanStale(mate, prepare(mate).request)) return { joint: { lack: { code: 'stale', tag } } };
  return { joint: { box: row.place.enclosure.tag, mate: mate.plan.plan } };
}

const isPlanStale = ({ plan, planFamily }: AssessInput, request: PlanRequest | null): boolean =>
  plan !== null &&
  (request === null || planFamily === null || isStale(plan.plan, request, planFamily.family));

function prepare(input: AssessInput): Prepared {
  const { job, row, catalogue } = input;
  const readings = readingsOfEnd(input.readings, row.end);
  const measuredResult = measureEnd(
    withNominal(
      readings.map((r) => r.reading),
      row.cableType.nominal,
    ),
    rulesOf(job),
  );
  const measured = measuredResult.ok ? measuredResult.value : NOTHING_MEASURED;
  const measureProblems = measuredResult.ok
    ? contradictions(row.cableType, measuredResult.value)
    : measuredResult.problems;
  const tag = terminationTag(row.cable.tag, row.end);
  const core: TerminationInput | null = row.place
    ? {
        cableType: row.cableType,
        ...measured,
        enclosure: row.place.enclosure,
        entry: row.place.entry,
        profile: job.profile,
        cableLengthMm: row.cable.routeMm,
      }
    : null;
  const barrier = core ? decideBarrier(core) : null;
  const needed = neededQuantities(row.cableType, barrier?.outcome ?? null);
  const missing = needed.filter((q) => measured[q] === null);
  const request: PlanRequest | null =
    core && measureProblems.length === 0
      ? {
          tag,
          input: core,
          routeMm: row.tailMm,
          spareMm: row.spareMm,
          unit: job.unit,
          terminals: row.terminals,
          pins: row.pins,
          compound: row.compound,
          compounds: catalogue.compounds,
          ...jointRequest(input),
        }
      : null;
  return { tag, readings, measured, measureProblems, core, barrier, needed, missing, request };
}

/** What the choice is worked out from; null while something is missing. */
const choiceInput = ({ request, missing }: Prepared): TerminationInput | null =>
  request !== null && missing.length === 0 ? request.input : null;

/** One end with every candidate, also those that do not fit. */
export function assess(input: AssessInput): Assessment {
  const prepared = prepare(input);
  const asked = choiceInput(prepared);
  return finish(input, prepared, asked && chosen(asked, input.catalogue));
}

/** Several ends, one after the other: where something fits, a choice holds what fits, may fit or waits for an answer, and not what does not. */
export function* assessEach(
  inputs: readonly AssessInput[],
  catalogue: StoredCatalogue,
  misfits: 'explained' | 'counted',
): Generator<Assessment, void> {
  const prepared = inputs.map((input) => ({ input, ...prepareAsked(input) }));
  const choices = chooseEach(
    prepared.flatMap(({ asked }) => asked ?? []),
    catalogueView(catalogue),
    misfits,
  );
  for (const { input, mine, asked } of prepared) {
    const choice = asked === null ? null : (choices.next().value ?? null);
    yield finish(input, mine, choice);
  }
}

function prepareAsked(input: AssessInput): { mine: Prepared; asked: TerminationInput | null } {
  const mine = prepare(input);
  return { mine, asked: choiceInput(mine) };
}

/** What was recorded of an end, over the steps of the plan that it was recorded by. */
function worked({ plan, planFamily, record }: AssessInput) {
  const { events } = record;
  const acts = events.map(actOf);
  const steps = plan && planFamily ? withDeviceTimes(generateSteps(plan.plan, planFamily.family), acts) : [];
  return { events, acts, steps, faults: [...planFaults(plan, events), ...record.faults] };
}

/** Where the record of an end is kept: with itself, or with the other half of its joint. */
function keptWith(input: AssessInput): AssessInput {
  const { joint, row } = input;
  return joint !== undefined && 'keeper' in joint && joint.keeper.row.id !== row.id
    ? { ...joint.keeper, joint }
    : input;
}

/**
 * Why the half of a joint whose record the other one keeps is not worked at; null where it is, and for any other end. What the keeper's plan does not
 * hold as it is now, its record says nothing of.
 */
function waitsForKeeper(input: AssessInput): string | null {
  const { joint, row, plan } = input;
  if (joint === undefined || row.place?.entry.inLine === RECORD_HALF) return null;
  if ('lack' in joint) return lackWords(joint.lack);
  const keeper = { ...joint.keeper, joint };
  const tag = terminationTag(keeper.row.cable.tag, keeper.row.end);
  if (keeper.plan === null) return lackWords({ code: 'notPlanned', tag });
  if (isPlanStale(keeper, prepare(keeper).request)) return lackWords({ code: 'stale', tag });
  const planned = keeper.plan.plan.joint;
  if (planned !== undefined && plan !== null && planHash(planned.other) === plan.planHash) return null;
  return keeper.plan.plan.cutRefusal[0]?.message ?? lackWords({ code: 'notPlanned', tag });
}

function jointOf({ row, joint }: AssessInput): JointOf | null {
  const box = row.place?.enclosure.tag;
  if (joint === undefined || box === undefined) return null;
  return 'lack' in joint
    ? { box, keeper: null, mate: null, lack: lackWords(joint.lack) }
    : { box, keeper: joint.keeper.row, mate: joint.mate.row, lack: null };
}

function finish(input: AssessInput, prepared: Prepared, choice: Choice | null): Assessment {
  const { row, plan } = input;
  const { tag, readings, measured, measureProblems, core, barrier, needed, missing, request } = prepared;
  const stale = isPlanStale(input, request);
  const keeper = keptWith(input);
  const { events, acts, steps: all, faults } = worked(keeper);
  const waits = waitsForKeeper(input);
  const steps = waits === null ? all : [];
  const progress = keeper.plan ? replay(steps, acts) : null;
  const best = choice?.candidates[0];
  const collar = collarOf({
    missing: [...(row.place ? [] : ['an entry']), ...missing.map((q) => QUANTITY_WORDS[q])],
    measureProblem: measureProblems[0]?.message ?? null,
    measureProvisional: core
      ? provisionalReasons(core).length > 0
      : Object.values(measured).some((m) => m?.provisional),
    measureResult: measured.outerSheath
      ? `${trimNumber(measured.outerSheath.interval.min, 1)}–${trimNumber(measured.outerSheath.interval.max, 1)}`
      : '',
    noFit: choice && best?.verdict === 'misfit' ? answerWords(choice.answer) : null,
    plan: plan?.plan ?? null,
    stale,
    steps: stepsOfEnd(steps, tag),
    progress,
  });
  return {
    tag,
    row,
    readings,
    measured,
    measureProblems,
    barrier,
    needed,
    missing,
    request,
    choice,
    plan,
    stale,
    steps,
    acts,
    progress,
    events,
    // The plan of the other half is in that of the keeper; its own is a fault only where it was changed.
    chainFaults: keeper === input ? faults : [...planFaults(plan, []), ...faults],
    joint: jointOf(input),
    collar: row.place
      ? waits === null
        ? collar
        : { ...collar, blockedBy: collar.blockedBy ?? waits }
      : {
          ...collar,
          next: { station: 'measure', action: 'give it an entry in the schedule' },
          blockedBy: 'no entry: it is not known which box this end goes into',
        },
  };
}
