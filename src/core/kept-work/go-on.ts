import { measuringBy } from '@/core/cable-measurement';
import { CROSSING_RULES, type CrossingView } from '@/core/crossing';
import { measureEnd } from '@/core/gland-selection';
import { canonicalJson, fail, ok, refuse, type Problem, type Result } from '@/core/kernel';
import { collarOf, rulesOfRecord, type CollarState } from '@/core/procedure';
import {
  actOf,
  decide,
  replay,
  stepsOfEnd,
  timeOf,
  type BenchAct,
  type Person,
  type WorkInput,
  type WorkState,
} from '@/core/record';
import { withNominal } from '@/core/schedule';
import type { TerminationView } from '@/core/termination-view';
import { withDeviceTimes } from './at-the-signature';
import { deedId, type Contact, type Deed, type KeptDeed } from './deed';
import { aheadMs } from './times';

/** What is shown of a subject as it is with what a device has kept for it. */
export interface GoneOn<V> {
  readonly view: V;
  /** The first kept deed that does not go on from what is known, and why; null when all do. */
  readonly stopped: { readonly at: number; readonly problems: readonly Problem[] } | null;
  /** Why nothing more can be done here before the server is back; null when work goes on. */
  readonly waits: string | null;
  /** Why the last mix that was kept is waste; null when none is. */
  readonly waste: string | null;
}

/** A command as the work sees it that it would be, decided without a server. */
function actAway(
  state: WorkState,
  { id, at, command }: WorkInput,
  person: Person,
  contact: Contact,
): Result<{ readonly act: BenchAct; readonly waste: string | null }> {
  if (command.kind === 'confirm' && state.steps.some((s) => s.id === command.stepId && s.kind === 'sign'))
    return refuse('', 'signing needs the server: the whole record and the instruments are checked with it');
  if (command.kind === 'recut')
    return refuse('', 'cutting back needs the server: every length of this end is worked out anew after it');
  const kept = { contact: contact.server, aheadMs: aheadMs(contact) };
  const decided = decide(state, command, person, timeOf({ at, receivedAt: at, kept }));
  if (!decided.ok) return decided;
  const { kind, stepId, body } = decided.value;
  // Of an event that is not one yet only what the work hangs on counts.
  const act = actOf({
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
    planHash: '',
    prevHash: '',
    kept,
    names: null,
    hash: '',
  });
  return ok({ act, waste: kind === 'waste' ? body.reason : null });
}

/** Each deed judged on what those before it came to. Deeds that the view has by now are passed over. */
function each<V extends { readonly events: readonly { readonly id: string }[] }>(
  view: V,
  deeds: readonly KeptDeed[],
  next: (gone: GoneOn<V>, deed: KeptDeed) => Result<GoneOn<V>>,
): GoneOn<V> {
  const known = new Set(view.events.map((e) => e.id));
  let gone: GoneOn<V> = { view, stopped: null, waits: null, waste: null };
  for (const [at, deed] of deeds.entries()) {
    if (known.has(deedId(deed.deed))) continue;
    const after = next(gone, deed);
    if (!after.ok) return { ...gone, stopped: { at, problems: after.problems } };
    gone = after.value;
  }
  return gone;
}

/**
 * An end as the bench shows it while a device keeps work for it: what the server said last, and the kept deeds in their order, each judged by
 * the very rules by which the server will.
 */
export const goOn = (view: TerminationView, deeds: readonly KeptDeed[]): GoneOn<TerminationView> =>
  each(view, deeds, (gone, { deed, person, contact }) => {
    if (deed.kind === 'reading') return withReading(gone, deed, person.name);
    if (gone.waits !== null) return refuse('plan', gone.waits);
    const { plan, steps, acts, stale, job, spareMm } = gone.view;
    if (plan === null) return refuse('plan', 'no gland has been chosen yet');
    const measuring = measuringBy(job.rules);
    const state: WorkState = {
      steps,
      acts,
      stale,
      provisional: plan.plan.provisional,
      secondPerson: job.secondPerson,
      rules: rulesOfRecord(plan.plan, { own: spareMm, other: gone.view.joint?.mateSpareMm ?? 0 }, measuring),
      measuring,
    };
    const done = actAway(state, deed.input, person, contact);
    if (!done.ok) return done;
    return ok({ ...gone, waste: done.value.waste, view: withActs(gone.view, [...acts, done.value.act]) });
  });

/** The same of a crossing that is being built. */
export const goOnBuilding = (view: CrossingView, deeds: readonly KeptDeed[]): GoneOn<CrossingView> =>
  each(view, deeds, (gone, { deed, person, contact }) => {
    const { steps, acts, state, asked, plans } = gone.view;
    if (deed.kind === 'reading') return refuse('', 'a crossing is not measured at the bench');
    if (plans.length === 0) return refuse('plan', 'this crossing is not planned yet');
    const work: WorkState = {
      steps,
      acts,
      stale: state === 'stale',
      provisional: asked.provisional,
      // It decides of signatures only, and none is kept.
      secondPerson: false,
      rules: CROSSING_RULES,
      measuring: gone.view.measuring,
    };
    const done = actAway(work, deed.input, person, contact);
    if (!done.ok) return done;
    return ok({ ...gone, view: { ...gone.view, acts: [...acts, done.value.act] } });
  });

const CHANGES =
  'a reading kept here changes what the plan stands on: the plan is made again when the server is back';

function withReading(
  gone: GoneOn<TerminationView>,
  { reading, at }: Extract<Deed, { readonly kind: 'reading' }>,
  person: string,
): Result<GoneOn<TerminationView>> {
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
  // What another reading does to the plan is for the server to say; that it does nothing is certain only where the result is the same.
  const same = canonicalJson(measured.value) === canonicalJson(view.measured);
  return ok({
    ...gone,
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
    steps: stepsOfEnd(view.steps, view.tag),
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
