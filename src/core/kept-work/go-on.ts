import { measureEnd } from '@/core/gland-selection';
import { canonicalJson, fail, ok, refuse, type Problem, type Result } from '@/core/kernel';
import { collarOf, terminationRules, type CollarState } from '@/core/procedure';
import {
  actOf,
  decide,
  replay,
  type BenchAct,
  type Command,
  type Decided,
  type Person,
  type WorkInput,
  type WorkState,
} from '@/core/record';
import { withNominal } from '@/core/schedule';
import type { TerminationView } from '@/core/termination-view';
import { aheadMs } from './times';
import { deedId, type Contact, type KeptDeed } from './deed';
import { withDeviceTimes } from './at-the-signature';

/** What a command comes to on a device that has no server: the event that it would be, as the work sees it. */
export function actAway(
  state: WorkState,
  { id, at, command }: WorkInput,
  person: Person,
  contact: Contact,
  ref: { readonly planHash: string },
): Result<BenchAct> {
  if (command.kind === 'confirm' && state.steps.some((s) => s.id === command.stepId && s.kind === 'sign'))
    return refuse('', 'signing needs the server: the whole record and the instruments are checked with it');
  if (command.kind === 'recut')
    return refuse('', 'cutting back needs the server: every length of this end is worked out anew after it');
  const kept = { contact: contact.server, aheadMs: aheadMs(contact) };
  const judged = new Date(Date.parse(at) - kept.aheadMs).toISOString();
  const decided: Result<Decided> = decide(state, command satisfies Command, person, judged);
  if (!decided.ok) return decided;
  const { kind, stepId, body } = decided.value;
  return ok(
    actOf({
      version: 4,
      id,
      subjectKind: 'termination',
      subject: '',
      seq: 0,
      stepId,
      kind,
      actor: person.name,
      person: person.id,
      at,
      receivedAt: at,
      body,
      planHash: ref.planHash,
      prevHash: '',
      kept,
      hash: '',
    }),
  );
}

/** An end as it is with what a device has kept for it. */
export interface GoneOn {
  readonly view: TerminationView;
  /** The first kept deed that does not go on from what is known, and why; null when all do. */
  readonly stopped: { readonly at: number; readonly problems: readonly Problem[] } | null;
  /** Why nothing more can be done here before the server is back; null when work goes on. */
  readonly waits: string | null;
  /** Kept readings that are not in the view yet: not known to whoever has not got them. */
  readonly readings: number;
}

/** The view of an end with one more thing that was done to it, or why it may not be. */
function after(gone: GoneOn, { deed, person, contact }: KeptDeed): Result<GoneOn> {
  const { view } = gone;
  if (deed.kind === 'reading') return withReading(gone, deed.reading, person.name, deed.at);
  if (gone.waits !== null) return refuse('plan', gone.waits);
  if (view.plan === null) return refuse('plan', 'no gland has been chosen yet');
  const state: WorkState = {
    steps: view.steps,
    acts: view.acts,
    stale: view.stale,
    provisional: view.plan.plan.provisional,
    secondPerson: view.job.secondPerson,
    rules: terminationRules(view.plan.plan.seal, view.spareMm),
  };
  const act = actAway(state, deed.input, person, contact, { planHash: view.plan.hash });
  if (!act.ok) return act;
  return ok({ ...gone, view: withActs(view, [...view.acts, act.value]) });
}

const CHANGES =
  'a reading kept here changes what the plan stands on: the plan is made again when the server is back';

function withReading(
  gone: GoneOn,
  reading: TerminationView['readings'][number]['reading'],
  person: string,
  at: string,
): Result<GoneOn> {
  const { view } = gone;
  const end = reading.method === 'datasheet' ? null : view.end;
  const readings = [...view.readings, { id: 0, end, reading: { ...reading, person, at } }];
  const measured = measureEnd(
    withNominal(
      readings.map((r) => r.reading),
      view.cableType.nominal,
    ),
    view.job.rules,
  );
  if (!measured.ok) return fail(measured.problems);
  // Whether another reading changes the plan is for the server to say; that it changes nothing is certain only where the result is the same.
  const same = canonicalJson(measured.value) === canonicalJson(view.measured);
  return ok({
    ...gone,
    readings: gone.readings + 1,
    waits: same ? gone.waits : CHANGES,
    view: { ...view, readings, measured: measured.value },
  });
}

/** The view with other acts: how far it is, what comes next, its collar. */
function withActs(view: TerminationView, acts: readonly BenchAct[]): TerminationView {
  const steps = withDeviceTimes(view.steps, acts);
  const progress = replay(steps, acts);
  return {
    ...view,
    acts,
    steps,
    done: [...progress.done],
    nextStep: progress.next?.id ?? null,
    loops: progress.loops,
    signedBy: progress.signedBy,
    collar: collarAfter(view, progress),
  };
}

/** The arcs of the work are those of its progress; what was measured and chosen stays as the server said. */
function collarAfter(view: TerminationView, progress: ReturnType<typeof replay>): CollarState {
  const worked = collarOf({
    missing: [],
    measureProblem: null,
    measureProvisional: false,
    measureResult: '',
    noFit: null,
    plan: view.plan?.plan ?? null,
    stale: view.stale,
    steps: view.steps,
    progress,
  });
  const said = new Map(view.collar.arcs.map((a) => [a.station, a]));
  return {
    arcs: worked.arcs.map((a) =>
      a.station === 'measure' || a.station === 'choose' ? (said.get(a.station) ?? a) : a,
    ),
    next: worked.next,
    blockedBy: view.collar.blockedBy,
  };
}

/**
 * An end as the bench shows it while a device keeps work for it: what the server said last, and the kept deeds in their order, each judged by the very
 * rules by which the server will. Deeds that the server has by now are passed over.
 */
export function goOn(view: TerminationView, deeds: readonly KeptDeed[]): GoneOn {
  const known = new Set(view.events.map((e) => e.id));
  let gone: GoneOn = { view, stopped: null, waits: null, readings: 0 };
  for (const [at, deed] of deeds.entries()) {
    if (known.has(deedId(deed.deed))) continue;
    const next = after(gone, deed);
    if (!next.ok) return { ...gone, stopped: { at, problems: next.problems } };
    gone = next.value;
  }
  return gone;
}
