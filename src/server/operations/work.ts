import { SIGNS, SUPERVISES, type Role } from '@/core/people';
import type { Reading } from '@/core/cable-measurement';
import { ok, refuse, type Result } from '@/core/kernel';
import { CROSSING_RULES } from '@/core/crossing';
import { rulesOfRecord } from '@/core/procedure';
import {
  actOf,
  cameOf,
  decide,
  isOfOther,
  readBody,
  timeOf,
  usesThatCount,
  type Command,
  type CrossingRef,
  type Decided,
  type Kept,
  type SubjectRef,
  type TerminationRef,
  type WorkCommand,
  type WorkInput,
  type WorkOutcome,
  type WorkState,
} from '@/core/record';
import { parseLength } from '@/core/units';
import {
  findEvent,
  lockCrossing,
  lockTermination,
  loadTerminations,
  lockNamedTermination,
  supervisionAt,
  type JobRow,
  type StoredCrossingPlan,
  type StoredEvent,
  type StoredPlan,
  type TerminationRow,
  type Tx,
} from '@/data';
import { madeBy, type Actor } from '../actor';
import { append, ID_IS_TAKEN, type Subject } from '../record/append';
import type { AuditedRecord } from '../record/faults';
import { keeperOf } from '../record/housed';
import { brokenRecord, mayRecord, type RecordState } from '../record/may-record';
import { afterCommit, operation } from '../transaction';
import { recordsAcross } from './across';
import { readingsOfEnd, type AssessInput, type Assessment } from './assess';
import { assessed, crossingSubject, requireCrossing } from './crossing-assess';
import { EditLog } from './edits';
import { forgetSeen, rememberSeen } from './just-seen';
import { measuringOf } from './measuring';
import { unfitFor } from './instruments';
import { requirePhotos } from './photo';
import { assessRow, refreshAfter, refreshSummaries, requireTermination } from './load';

/** Everything that a command at a subject is judged and written by. */
export interface Bench {
  readonly subject: Subject;
  readonly job: JobRow;
  readonly record: RecordState;
  /** Null where nothing can be worked at; `why` says what is in the way. */
  readonly plan: { readonly planHash: string } | null;
  readonly why: string;
  readonly state: WorkState;
  /** Readings that the plan stands on. */
  readonly readings: readonly Reading[];
  /** What was recorded at the other end of the same cable; nothing where there is none. */
  readonly across: () => Promise<AuditedRecord>;
  /** What else changes with an event that was added, in the same transaction. */
  readonly follow: (decided: Decided, event: StoredEvent) => Promise<void>;
}

/** Whose record the events of an end go into. */
export const subjectOf = (job: JobRow, { row, tag }: Assessment): Subject => ({
  job,
  kind: 'termination',
  id: row.id,
  name: tag,
});

async function terminationBench(
  tx: Tx,
  ref: TerminationRef,
  { job, row: held }: { readonly job: JobRow; readonly row: TerminationRow },
): Promise<Bench> {
  const found = await assessRow(tx, { job, row: held });
  const { assessment } = found;
  const { row, plan, steps, acts, stale, chainFaults, events, readings } = assessment;
  // Of the joint as it was planned: who goes into the housing now is in the plan only after it was made again.
  const mate = assessment.joint?.mate ?? null;
  return {
    subject: subjectOf(job, assessment),
    job,
    record: { faults: chainFaults, events, plannedAt: plan?.madeAt ?? null },
    plan: steps.length === 0 ? null : plan,
    why:
      plan === null
        ? 'no gland has been chosen yet'
        : (assessment.collar.blockedBy ?? 'this plan has no steps'),
    state: {
      steps,
      acts,
      stale,
      provisional: plan?.plan.provisional ?? [],
      secondPerson: job.secondPerson,
      rules: rulesOfRecord(
        plan?.plan ?? { seal: null },
        { own: row.spareMm, other: mate?.spareMm ?? 0 },
        measuringOf(job),
      ),
      measuring: measuringOf(job),
    },
    readings: [...readings, ...readingsOfMate(found.input)].map((r) => r.reading),
    across: () => recordsAcross(tx, job, [row, ...(mate === null ? [] : [mate])]),
    follow: async (decided, event) => {
      if (decided.kind !== 'recut') {
        const now = await refreshAfter(tx, found, event);
        afterCommit(tx, () => {
          if (isOf(ref, row)) rememberSeen(ref, now);
          else forgetSeen();
        });
        return;
      }
      // Not an edit: cable that has been cut off does not come back by undo.
      const cut = isOfOther(decided.stepId) ? mate : row;
      if (cut === null) throw new Error('the half that was cut back was judged by what is left of it');
      await new EditLog(tx).write('termination', cut.id, { spareMm: decided.body.spareMm });
      await refreshSummaries(tx, job, [row.id]);
      // What was remembered of it before this is over.
      afterCommit(tx, forgetSeen);
    },
  };
}

async function crossingBench(tx: Tx, ref: CrossingRef): Promise<Result<Bench>> {
  const found = await assessed(tx, ref);
  if (!found.ok) return found;
  const { job, row, events, assessed: is } = found.value;
  const { steps, acts, faults, plans, state, asked } = is;
  const [plan]: readonly (StoredCrossingPlan | StoredPlan)[] = plans;
  return ok({
    subject: crossingSubject(job, row),
    job,
    record: { faults, events, plannedAt: plan?.madeAt ?? null },
    plan: steps.length === 0 ? null : (plan ?? null),
    why: 'this crossing is not planned yet',
    state: {
      steps,
      acts,
      stale: state === 'stale',
      provisional: asked.provisional,
      secondPerson: job.secondPerson,
      rules: CROSSING_RULES,
      measuring: measuringOf(job),
    },
    readings: [],
    across: () => Promise.resolve({ events: [], faults: [] }),
    follow: () => Promise.resolve(),
  });
}

/** What a joint stands on besides: what was measured of its other half. */
const readingsOfMate = ({ joint }: AssessInput) =>
  joint !== undefined && 'mate' in joint ? readingsOfEnd(joint.mate.readings, joint.mate.row.end) : [];

/** Is it this end that is named, and not the other half of its joint? */
const isOf = ({ cable, end }: TerminationRef, row: TerminationRow): boolean =>
  cable === row.cable.tag && end === row.end;

/** A subject whose row is held: an end as it was read then, or a crossing. */
export interface Held {
  readonly id: number;
  readonly job: JobRow;
  readonly row: TerminationRow | null;
}

/** Holds the subject's row, so that what is read after cannot change before it is written. Refused where there is no such living subject. */
export async function hold(tx: Tx, ref: SubjectRef): Promise<Result<Held>> {
  if (ref.kind === 'termination') {
    await lockNamedTermination(tx, ref);
    const named = await requireTermination(tx, ref);
    if (!named.ok) return named;
    const { job, row } = named.value;
    const keeper = await keeperOf(tx, row);
    if (keeper.id === row.id) return ok({ id: row.id, job, row });
    await lockTermination(tx, keeper.id);
    const [held] = await loadTerminations(tx, [keeper.id]);
    return held === undefined
      ? refuse('cable', 'the other half is gone', ref.cable)
      : ok({ id: held.id, job, row: held });
  }
  const named = await requireCrossing(tx, ref);
  if (!named.ok) return named;
  await lockCrossing(tx, named.value.row.id);
  return ok({ id: named.value.row.id, job: named.value.job, row: null });
}

/** The same as it is now: work of this very transaction may have cut it back. */
export async function stillHeld(tx: Tx, held: Held): Promise<Held> {
  if (held.row === null) return held;
  const [row] = await loadTerminations(tx, [held.id]);
  if (row === undefined) throw new Error('a row that is held is there');
  return { ...held, row };
}

/** Where a core lies is compared with the other end. */
const says = (command: Command): boolean =>
  command.kind === 'confirm' && Object.keys(command.chosen ?? {}).length > 0;

/** Instruments are looked up only where somebody signs. */
const signs = ({ steps }: WorkState, command: Command): boolean =>
  command.kind === 'confirm' && steps.some((s) => s.id === command.stepId && s.kind === 'sign');

export function readCommand(command: WorkCommand, unit: JobRow['unit']): Result<Command> {
  if (command.kind !== 'recut') return ok(command);
  const length = parseLength(command.text, unit);
  return length.ok
    ? ok({ kind: 'recut', cutOffMm: length.value.mm })
    : refuse('cutOffMm', length.problems[0]?.message ?? 'is not a length', command.text);
}

/** What is at the bench: an end, or a crossing. */
export const benchOf = async (tx: Tx, ref: SubjectRef, { job, row }: Held): Promise<Result<Bench>> => {
  if (ref.kind === 'crossing') return crossingBench(tx, ref);
  if (row === null) throw new Error('an end is held with its row');
  return ok(await terminationBench(tx, ref, { job, row }));
};

/** The outcome of an event that is there already, of any record, when it came of this very command; null where none is there under this id. */
export async function repeated(
  tx: Tx,
  ref: SubjectRef,
  subjectId: number,
  id: string,
  command: Command,
): Promise<Result<WorkOutcome> | null> {
  const sent = await findEvent(tx, id);
  if (!sent) return null;
  return sent.subjectKind === ref.kind && sent.subjectId === subjectId
    ? outcomeAgain(sent, command)
    : refuse('id', ID_IS_TAKEN, id);
}

/** The outcome of an event of this subject, when it came of this very command. */
function outcomeAgain(sent: StoredEvent, command: Command): Result<WorkOutcome> {
  if (!cameOf(sent, command)) return refuse('id', ID_IS_TAKEN, sent.id);
  const late = sent.kind === 'waste' ? readBody('waste', sent.body) : null;
  return ok({ repeated: true, waste: late?.ok ? late.value.reason : null });
}

interface Doing {
  readonly actor: Actor;
  readonly roles: readonly Role[];
  readonly now: Date;
  /** How a device kept it; left out for what comes as it is done. */
  readonly kept?: Kept;
}

/** Under whom somebody works who may not in their own name; null for whoever may. */
async function underWhom(
  tx: Tx,
  jobId: number,
  { id }: Actor,
  roles: readonly Role[],
  at: Date,
): Promise<Result<{ readonly person: string; readonly name: string } | null>> {
  if (roles.some((r) => SUPERVISES.includes(r))) return ok(null);
  const found = id === null ? null : await supervisionAt(tx, jobId, id, at);
  return found === null
    ? refuse('under', 'an apprentice works under a fitter or an inspector, who says so on this device first')
    : ok({ person: found.person, name: found.name });
}

/** Decides a command and chains what follows from it to the record. The caller holds the subject's row. */
export async function recordWork(
  tx: Tx,
  { subject, job, record, plan, why, readings, across, follow, ...bench }: Bench,
  { id, at }: Pick<WorkInput, 'id' | 'at'>,
  command: Command,
  { actor, roles, now, kept }: Doing,
): Promise<Result<WorkOutcome>> {
  if (plan === null) return refuse('plan', why);
  const open = mayRecord(record, at, now, kept === undefined ? 'here' : 'as kept');
  if (!open.ok) return open;
  let state = bench.state;
  if (says(command)) {
    const other = await across();
    const broken = brokenRecord(other.faults);
    if (broken !== null) return broken;
    state = { ...state, across: other.events.map(actOf) };
  }
  if (signs(state, command)) {
    const other = await across();
    const broken = brokenRecord(other.faults);
    if (broken !== null) return broken;
    const acrossActs = other.events.map(actOf);
    const unfit = await unfitFor(tx, job.id, [
      ...usesThatCount(state.steps, state.acts, acrossActs),
      ...readings.flatMap((r) =>
        r.instrument === undefined ? [] : [{ code: r.instrument, at: r.at ?? '' }],
      ),
    ]);
    state = { ...state, unfit, across: acrossActs };
  }
  const judgedAt = kept === undefined ? now.toISOString() : timeOf({ at, receivedAt: at, kept });
  const under = await underWhom(tx, job.id, actor, roles, new Date(judgedAt));
  if (!under.ok) return under;
  const photos = command.kind === 'confirm' ? (command.photos ?? []) : [];
  const here = await requirePhotos(tx, job.id, photos);
  if (!here.ok) return here;
  const decided = decide(state, command, actor, judgedAt);
  if (!decided.ok) return decided;
  const { kind, stepId, body } = decided.value;
  if (kind === 'sign' && kept !== undefined)
    return refuse('stepId', 'a signature is not kept by a device: it is given where the record is');
  if (kind === 'sign' && !roles.some((r) => SIGNS.includes(r)))
    return refuse('role', 'signing is for an inspector: hand over to one');
  const event = await append(
    tx,
    subject,
    record.events,
    {
      id,
      stepId,
      kind,
      ...madeBy(actor),
      at,
      body: under.value === null ? body : { ...body, under: under.value },
      planHash: plan.planHash,
      ...(kept === undefined ? {} : { kept }),
    },
    now,
  );
  await follow(decided.value, event);
  return ok({ repeated: false, waste: kind === 'waste' ? body.reason : null });
}

/** Carries out a command at the bench, whatever the subject: decides, and chains what follows from it to the subject's record. */
export function work(
  ref: SubjectRef,
  input: WorkInput,
  actor: Actor,
  roles: readonly Role[],
  now: Date,
): Promise<Result<WorkOutcome>> {
  return operation<WorkOutcome>(async (tx) => {
    const held = await hold(tx, ref);
    if (!held.ok) return held;
    const command = readCommand(input.command, held.value.job.unit);
    if (!command.ok) return command;
    const bench = await benchOf(tx, ref, held.value);
    if (!bench.ok) return bench;
    const before = bench.value.record.events.find((e) => e.id === input.id);
    if (before !== undefined) return outcomeAgain(before, command.value);
    const done = await recordWork(tx, bench.value, input, command.value, { actor, roles, now });
    // One under this id in another record is found when it is written; what is not written is looked for.
    return done.ok ? done : ((await repeated(tx, ref, held.value.id, input.id, command.value)) ?? done);
  });
}
