import { timeOf } from './chain';
import type { EventView } from './at-the-bench';
import type { EventKind } from './event-body';
import { eventTitle } from './event-words';

/** Lines of a history, from the top: what a mark is about. */
export const TIMELINE_LANES = [
  'measured',
  'worked',
  'looked',
  'compound',
  'tested',
  'takenBack',
  'signed',
] as const;
export type TimelineLane = (typeof TIMELINE_LANES)[number];

const LANE_OF: Readonly<Record<EventKind, TimelineLane>> = {
  confirm: 'worked',
  look: 'looked',
  mix: 'compound',
  waste: 'compound',
  temperature: 'compound',
  test: 'tested',
  correct: 'takenBack',
  recut: 'takenBack',
  replan: 'takenBack',
  leftOut: 'takenBack',
  note: 'measured',
  sign: 'signed',
};
const isKind = (kind: string): kind is EventKind => Object.hasOwn(LANE_OF, kind);

/** Something that took place, at a time in ms. */
export interface TimelineMark {
  readonly at: number;
  readonly lane: TimelineLane;
  readonly title: string;
  readonly who: string;
  /** Of the event in the record; null for a reading before it began. */
  readonly seq: number | null;
}

/** Events of a record as marks, by the clock that each is judged by. */
export const eventMarks = (
  events: readonly EventView[],
  titles: ReadonlyMap<string, string>,
): TimelineMark[] =>
  events.map((event) => ({
    at: Date.parse(timeOf(event)),
    lane: isKind(event.kind) ? LANE_OF[event.kind] : 'worked',
    title: eventTitle(event, titles),
    who: event.actor,
    seq: event.seq,
  }));

/** A stretch of work without a long rest, from 0 to 1 of the width. */
export interface TimelinePiece {
  readonly from: number;
  readonly to: number;
  readonly x0: number;
  readonly x1: number;
}

export interface Timeline {
  readonly marks: readonly (TimelineMark & { readonly x: number })[];
  readonly pieces: readonly TimelinePiece[];
  /** Rests that were drawn short. */
  readonly rests: readonly { readonly x0: number; readonly x1: number; readonly ms: number }[];
}

/** Nothing for so long is a rest: it is drawn short, with how long it was. */
const REST_MS = 2 * 3_600_000;
/** Of the width for each rest, and at most for all of them. */
const REST_SHARE = 0.05;
const ALL_RESTS = 0.4;
/** A single moment is given as much width as so many minutes. */
const LEAST_MS = 10 * 60_000;

/**
 * Lays marks out from 0 to 1 in the order of time. Within a stretch of work width is time; rests between are short, so that an end that was made
 * off on a day and signed a week later still shows its minutes.
 */
export function layTimeline(given: readonly TimelineMark[]): Timeline {
  const marks = given.filter((m) => Number.isFinite(m.at)).sort((a, b) => a.at - b.at);
  const stretches: { from: number; to: number }[] = [];
  for (const { at } of marks) {
    const last = stretches[stretches.length - 1];
    if (last !== undefined && at - last.to <= REST_MS) last.to = at;
    else stretches.push({ from: at, to: at });
  }
  const between = Math.max(0, stretches.length - 1);
  const rest = between === 0 ? 0 : Math.min(REST_SHARE, ALL_RESTS / between);
  const weights = stretches.map(({ from, to }) => Math.max(LEAST_MS, to - from));
  const whole = weights.reduce((sum, w) => sum + w, 0);
  const room = 1 - rest * between;
  const pieces: TimelinePiece[] = [];
  const rests: { x0: number; x1: number; ms: number }[] = [];
  let x = 0;
  stretches.forEach(({ from, to }, i) => {
    const width = (room * (weights[i] ?? 0)) / whole;
    pieces.push({ from, to, x0: x, x1: x + width });
    const next = stretches[i + 1];
    if (next !== undefined) rests.push({ x0: x + width, x1: x + width + rest, ms: next.from - to });
    x += width + rest;
  });
  return { marks: marks.map((m) => ({ ...m, x: placeOf(pieces, m.at) })), pieces, rests };
}

/** Where a time lies; a moment by itself in the middle of its piece. */
function placeOf(pieces: readonly TimelinePiece[], at: number): number {
  const piece = pieces.find((p) => at >= p.from && at <= p.to);
  if (piece === undefined) return 0;
  const { from, to, x0, x1 } = piece;
  return from === to ? (x0 + x1) / 2 : x0 + ((x1 - x0) * (at - from)) / (to - from);
}
