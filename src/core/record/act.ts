import { coveredBy, type TestAnswer, type TestKind } from '@/core/electrical-test';
import { timeOf, type ChainedEvent } from './chain';
import { readBody, readIn, underOf, type EventBody, type EventKind, type MixRecord } from './event-body';
import type { LookDecision } from './step';

/** The part of a recorded event that the progress of the work hangs on. */
export interface BenchAct {
  readonly stepId: string;
  readonly kind: EventKind;
  readonly fingerprint: string | null;
  readonly decision: LookDecision | null;
  readonly actor: string;
  readonly person: string | null;
  /** Whoever it was done under by an apprentice; left out otherwise. */
  readonly under?: string;
  /** ISO 8601, on the server's time: what runs by a clock is judged by it. */
  readonly at: string;
  /** The time is that of a device which had no server then; left out where the server saw it happen. */
  readonly byDevice?: true;
  readonly mix: MixRecord | null;
  readonly tempC: number | null;
  /** What was measured, by the key of what was asked for; left out where nothing was. */
  readonly measured?: Readonly<Record<string, number>>;
  /** What was said, by the key of what was asked after; left out where nothing was. */
  readonly chosen?: Readonly<Record<string, string>>;
  /** With what it was measured, where it says so. */
  readonly instrument?: string;
  /** Steps that a correction sends back, as they were then; none otherwise. */
  readonly redo: readonly string[];
  /** What an electrical test came to; left out for anything else. */
  readonly test?: {
    readonly of: TestKind;
    readonly covers: readonly string[];
    readonly answer: TestAnswer;
    readonly verdict: string;
  };
}

/** An event as the work sees it. One that cannot be read counts for nothing: that the record does not hold is said elsewhere. */
export function actOf(event: ChainedEvent): BenchAct {
  const under = underOf(event);
  const act: BenchAct = {
    stepId: event.stepId,
    kind: 'note',
    fingerprint: null,
    decision: null,
    actor: event.actor,
    person: event.person,
    ...(under === null ? {} : { under: under.person }),
    at: timeOf(event),
    ...(event.kept === null ? {} : { byDevice: true }),
    mix: null,
    tempC: null,
    redo: [],
  };
  switch (event.kind) {
    case 'confirm':
    case 'look':
    case 'sign':
    case 'mix': {
      const body = readBody(event.kind, event.body);
      if (!body.ok) return act;
      const { fingerprint, decision = null, mix = null } = body.value;
      return {
        ...act,
        kind: event.kind,
        fingerprint,
        decision,
        mix,
        ...measuredOf(body.value),
        ...chosenOf(body.value),
        ...withWhat(body.value),
      };
    }
    case 'temperature': {
      const body = readBody('temperature', event.body);
      if (!body.ok) return act;
      return { ...act, kind: 'temperature', tempC: body.value.tempC, ...withWhat(body.value) };
    }
    case 'correct': {
      const body = readBody('correct', event.body);
      return body.ok ? { ...act, kind: 'correct', redo: body.value.redo } : act;
    }
    case 'test': {
      const body = readBody('test', event.body);
      if (!body.ok) return act;
      const { of, read, answer, verdict } = body.value;
      const test = { of, covers: coveredBy(read), answer, verdict };
      return { ...act, kind: 'test', test, ...withWhat(body.value) };
    }
    case 'recut':
    case 'waste':
    case 'replan':
      return { ...act, kind: event.kind };
    default:
      return act;
  }
}

const withWhat = ({ instrument }: { readonly instrument?: string | undefined }): { instrument?: string } =>
  instrument === undefined ? {} : { instrument };

const chosenOf = ({ chosen = [] }: EventBody<'confirm'>): Pick<BenchAct, 'chosen'> =>
  chosen.length === 0 ? {} : { chosen: Object.fromEntries(chosen.map((c) => [c.key, c.option])) };

function measuredOf({ measured = [] }: EventBody<'confirm'>): Pick<BenchAct, 'measured'> {
  const read = measured.flatMap((m) => {
    const value = readIn(m);
    return value === null ? [] : [[m.key, value] as const];
  });
  return read.length === 0 ? {} : { measured: Object.fromEntries(read) };
}
