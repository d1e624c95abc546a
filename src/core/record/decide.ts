import {
  judgeTest,
  testKindWords,
  testVerdict,
  testWords,
  withRegistered,
  type ElectricalTest,
  type TestKind,
} from '@/core/electrical-test';
import type { Measuring } from '@/core/instrument';
import { fail, ok, refuse, type Result } from '@/core/kernel';
import type { BenchAct } from './act';
import { readIn, type EventBody, type EventKind, type MixRecord } from './event-body';
import { isReadOffPlate } from './acceptance';
import { asOther, isOfOther, isOfTwo } from './halves';
import { readChosen, readMeasured, readPhotos, readTicks } from './answers';
import type { LookDecision, Step } from './step';
import { replay, sentBackBy } from './work';

/** Confirms the step whose turn it is. */
export interface ConfirmCommand {
  readonly kind: 'confirm';
  readonly stepId: string;
  readonly fingerprint: string;
  readonly decision?: LookDecision | null | undefined;
  /** What was mixed, at a mix step. */
  readonly mix?: MixRecord | null | undefined;
  /** What the step asks for, in mm or N·m, by its key; left out what was not measured. */
  readonly measured?: Readonly<Record<string, number>> | undefined;
  /** The same, read a second time, where the first was too near to a limit. */
  readonly again?: Readonly<Record<string, number>> | undefined;
  /** Which checks were ticked, by their place in the list. */
  readonly checked?: readonly number[] | undefined;
  /** What was said of each thing that the step asks after, by its key. */
  readonly chosen?: Readonly<Record<string, string>> | undefined;
  /** With what was measured. */
  readonly instrument?: string | undefined;
  /** SHA-256 of photos of what was seen, in the order in which they were taken. */
  readonly photos?: readonly string[] | undefined;
}

/** Takes back a step that was held by mistake, and with it all that stands on it. */
export interface CorrectCommand {
  readonly kind: 'correct';
  readonly stepId: string;
  readonly reason: string;
}

/** A temperature of the work while a compound cures. */
export interface TemperatureCommand {
  readonly kind: 'temperature';
  readonly tempC: number;
  readonly instrument?: string | undefined;
}

/** A damaged end is cut back by so much. */
export interface RecutCommand {
  readonly kind: 'recut';
  readonly cutOffMm: number;
}

/** What an electrical test has read: judged here, and kept with what it came to. */
export interface TestCommand {
  readonly kind: 'test';
  readonly test: ElectricalTest;
  readonly instrument?: string | undefined;
}

export type Command = ConfirmCommand | CorrectCommand | TemperatureCommand | RecutCommand | TestCommand;

/** An event that a command leads to; who, when and its place in the chain are added where it is written. */
export type Decided = {
  readonly [K in EventKind]: { readonly kind: K; readonly stepId: string; readonly body: EventBody<K> };
}[EventKind];

/** Who does something: signed in, or (`id` null) by a name that was typed. */
export interface Person {
  readonly id: string | null;
  readonly name: string;
}

/** What a kind of subject asks beyond the order of the steps. What it does not know of, it refuses. */
export interface SubjectRules {
  /** `waste`: what was mixed came too late, and that is recorded instead of the step. */
  readonly confirm: (
    step: Step,
    command: ConfirmCommand,
    acts: readonly BenchAct[],
    now: string,
    /** What was recorded at the other end of the cable; left out where nobody looked it up. */
    across?: readonly BenchAct[],
  ) => Result<{ readonly waste: string | null }>;
  readonly temperature: (acts: readonly BenchAct[], now: string) => Result<null>;
  /** The spare that is left, mm: of the end itself, or of the half of a joint that is named. */
  readonly recut: (cutOffMm: number, end?: string) => Result<number>;
  readonly test: () => Result<null>;
}

export interface WorkState {
  readonly steps: readonly Step[];
  readonly acts: readonly BenchAct[];
  readonly stale: boolean;
  readonly provisional: readonly string[];
  /** The job asks for a signature by somebody else than the fitter. */
  readonly secondPerson: boolean;
  /** Why what was measured cannot be relied on, a sentence for each instrument; left out where there is none. */
  readonly unfit?: readonly string[];
  /** What was recorded at the other end of the same cable: a test is of the cable. Looked up where somebody signs, or says where a core lies. */
  readonly across?: readonly BenchAct[];
  readonly rules: SubjectRules;
  /** By what readings are judged. */
  readonly measuring: Measuring;
}

/**
 * What a command leads to in this state, or why it may not be. Nothing is read but its arguments: `now` is the server's time, ISO 8601, by
 * which everything that runs by a clock is judged.
 */
export function decide(state: WorkState, command: Command, actor: Person, now: string): Result<Decided> {
  if (actor.name.trim() === '') return refuse('actor', 'a name is needed: the record says who');
  switch (command.kind) {
    case 'confirm':
      return confirm(state, command, actor, now);
    case 'correct':
      return correct(state, command);
    case 'temperature': {
      const { tempC, instrument = '' } = command;
      if (!Number.isFinite(tempC) || tempC < -50 || tempC > 120)
        return refuse('tempC', 'is not a temperature of the work', tempC);
      const may = state.rules.temperature(state.acts, now);
      if (!may.ok) return may;
      const body = { title: 'Temperature of the work', tempC, ...named(instrument) };
      return ok({ kind: 'temperature', stepId: 'cure', body });
    }
    case 'test':
      return test(state, command);
    case 'recut': {
      const { signedBy, next } = replay(state.steps, state.acts);
      if (signedBy !== null)
        return refuse('plan', 'this end is signed; a new make-off begins with a new plan');
      if (isOfTwo(state.steps) && next?.end === undefined)
        return refuse(
          'plan',
          'this step is of both halves: take back a step of the one that is cut back, first',
        );
      const left = state.rules.recut(command.cutOffMm, next?.end);
      if (!left.ok) return left;
      const stepId = next !== null && isOfOther(next.id) ? asOther('recut') : 'recut';
      const where = next?.end === undefined ? '' : `${next.end}: `;
      const body = {
        title: `${where}Cut back and begun again`,
        cutOffMm: command.cutOffMm,
        spareMm: left.value,
      };
      return ok({ kind: 'recut', stepId, body });
    }
  }
}

function confirm(state: WorkState, command: ConfirmCommand, actor: Person, now: string): Result<Decided> {
  const step = stepInTurn(state, command);
  if (!step.ok) return step;
  const { decision = null } = command;
  const { kind, branches = [], figure } = step.value;
  const title = titleAt(step.value);
  if (kind === 'look' && !branches.some((b) => b.decision === decision))
    return refuse('decision', `say what you saw: ${branches.map((b) => b.decision).join(', ')}`, decision);
  if (kind !== 'look' && decision !== null)
    return refuse('decision', 'only a look takes a decision', decision);
  const measured = readMeasured(state.measuring, step.value, command);
  if (!measured.ok) return measured;
  const checked = readTicks(step.value, command.checked ?? []);
  if (!checked.ok) return checked;
  const chosen = readChosen(step.value, command.chosen ?? {});
  if (!chosen.ok) return chosen;
  const photos = readPhotos(step.value, command.photos ?? []);
  if (!photos.ok) return photos;
  const asked = state.rules.confirm(step.value, command, state.acts, now, state.across);
  if (!asked.ok) return asked;
  if (asked.value.waste !== null)
    // Too late is not only refused: what was mixed is gone, and the record says so.
    return ok({
      kind: 'waste',
      stepId: step.value.id,
      body: { title: 'Mix declared waste', reason: asked.value.waste },
    });
  const open = kind === 'sign' ? openTest([...state.acts, ...(state.across ?? [])]) : null;
  if (open !== null) return refuse('tests', open);
  const { unfit = [] } = state;
  if (kind === 'sign' && unfit.length > 0)
    return fail(unfit.map((message) => ({ path: 'instrument', message: `not signed: ${message}` })));
  const worked = state.acts.filter((a) => !LOOKED_AT.has(a.kind));
  if (
    kind === 'sign' &&
    state.secondPerson &&
    worked.some((a) => samePerson({ id: a.person, name: a.actor }, actor) || answersFor(a, actor))
  )
    return refuse('actor', 'this job asks for a signature by another person than the fitter', actor.name);
  const byInstrument =
    kind === 'mix' ||
    (!isReadOffPlate(step.value.accepts ?? []) && measured.value.some((m) => readIn(m) !== null));
  return ok({
    kind: kind === 'look' || kind === 'sign' || kind === 'mix' ? kind : 'confirm',
    stepId: step.value.id,
    body: {
      title,
      fingerprint: command.fingerprint,
      ...(decision === null ? {} : { decision }),
      ...(figure ? { figure } : {}),
      ...(kind === 'mix' && command.mix ? { mix: command.mix } : {}),
      ...(measured.value.length > 0 ? { measured: measured.value } : {}),
      ...(checked.value.length > 0 ? { checked: checked.value } : {}),
      ...(chosen.value.length > 0 ? { chosen: chosen.value } : {}),
      ...(photos.value.length > 0 ? { photos: photos.value } : {}),
      ...(byInstrument ? named(command.instrument ?? '') : {}),
    },
  });
}

/** What a step is called in the record: with the end that it is done at, where the record is of two. */
const titleAt = ({ title, end }: Step): string => (end === undefined ? title : `${end}: ${title}`);

/** With what it was measured; nothing where nobody said. */
const named = (instrument: string): { instrument?: string } =>
  instrument.trim() === '' ? {} : { instrument: instrument.trim() };

const inTime = (acts: readonly BenchAct[]): BenchAct[] =>
  [...acts].sort((a, b) => Date.parse(a.at) - Date.parse(b.at));

/** What one does without having worked at the subject: whoever has done no more may sign it. */
const LOOKED_AT: ReadonlySet<EventKind> = new Set<EventKind>(['note', 'correct', 'sign', 'test', 'leftOut']);

/** Whoever has taken an apprentice under them has worked at it too. */
const answersFor = ({ under }: BenchAct, { id }: Person): boolean => id !== null && under === id;

/** The step of a confirmation, when it is its turn and nothing of the plan stands in the way. */
function stepInTurn(state: WorkState, command: ConfirmCommand): Result<Step> {
  const { steps, acts, stale, provisional } = state;
  if (stale)
    return refuse(
      'plan',
      'a measurement or the place has changed since this was planned: review the change first',
    );
  if (provisional.length > 0)
    return fail(
      provisional.map((reason) => ({
        path: 'plan',
        message: `the plan is provisional: ${reason}. Measure first`,
      })),
    );
  const step = steps.find((s) => s.id === command.stepId);
  if (!step) return refuse('stepId', 'is not a step of this procedure', command.stepId);
  const { next } = replay(steps, acts);
  if (next === null) return refuse('stepId', 'every step is already done', command.stepId);
  if (next.id !== step.id) return refuse('stepId', `comes later; first: ${next.title}`, command.stepId);
  if (step.fingerprint !== command.fingerprint)
    return refuse('fingerprint', 'the step has changed since it was shown; look at it again');
  if (step.blockedBy !== undefined) return refuse('stepId', step.blockedBy, command.stepId);
  return ok(step);
}

type Tested = BenchAct & { readonly test: NonNullable<BenchAct['test']> };

/** The tests that count, in whatever order they come: of each core and each path the last in time, each once. */
export function lastTests(acts: readonly BenchAct[]): Tested[] {
  const last = new Map<string, Tested>();
  const NOTHING = '';
  const keyOf = (of: TestKind, what: string) => `${of} ${what}`;
  for (const act of inTime(acts)) {
    const { test } = act;
    if (test === undefined) continue;
    const tested = { ...act, test };
    for (const what of test.covers.length === 0 ? [NOTHING] : test.covers)
      last.set(keyOf(test.of, what), tested);
    if (test.answer === 'holds') last.delete(keyOf(test.of, NOTHING));
  }
  return [...new Set(last.values())];
}

/**
 * The test that keeps a subject from being signed, as a sentence. Of each core and each path the last test counts: one that holds for
 * another says nothing of it. A test of nothing at all is answered by any later one of its kind that holds.
 */
export function openTest(acts: readonly BenchAct[]): string | null {
  const open = lastTests(acts).find(({ test }) => test.answer !== 'holds')?.test;
  return open === undefined
    ? null
    : `the last test does not hold. ${testKindWords(open.of)}: ${open.verdict}`;
}

/** A test is recorded whatever it comes to: one that fails as well. */
function test(state: WorkState, { test: given, instrument = '' }: TestCommand): Result<Decided> {
  const may = state.rules.test();
  if (!may.ok) return may;
  if (instrument.trim() === '') return refuse('instrument', 'say with which instrument: the record names it');
  const read = withRegistered(given, state.measuring.worth, instrument);
  const { answer, findings } = judgeTest(read);
  return ok({
    kind: 'test',
    stepId: `test.${read.of}`,
    body: {
      title: `${testKindWords(read.of)} tested`,
      of: read.of,
      read,
      answer,
      verdict: testVerdict(findings).slice(0, 600),
      findings: findings.map((f) => ({ verdict: f.verdict, words: testWords(f).slice(0, 600) })),
      ...named(instrument),
    },
  });
}

function correct({ steps, acts }: WorkState, { stepId, reason }: CorrectCommand): Result<Decided> {
  const why = reason.trim();
  if (why.length < 4) return refuse('reason', 'say why: it stands in the record', reason);
  const step = steps.find((s) => s.id === stepId);
  if (!step) return refuse('stepId', 'is not a step of this procedure', stepId);
  const back = sentBackBy(steps, acts, stepId);
  if (!back.some((s) => s.id === stepId))
    return refuse('stepId', 'is not done: there is nothing to take back', stepId);
  return ok({
    kind: 'correct',
    stepId,
    body: { title: `Taken back: ${titleAt(step)}`.slice(0, 200), reason: why, redo: back.map((s) => s.id) },
  });
}

/**
 * Two who are signed in are told apart by their ids. A name that was only typed is compared as people write them: case, and how many spaces
 * stand between, make no other person.
 */
const samePerson = (a: Person, b: Person): boolean => {
  if (a.id !== null && b.id !== null) return a.id === b.id;
  const plain = (name: string) => name.trim().replace(/\s+/g, ' ').toLocaleLowerCase('en');
  return plain(a.name) === plain(b.name);
};
