import { trimNumber } from '@/core/units';
import type { EventView } from './at-the-bench';
import { readBody, underOf, type EventBody } from './event-body';
import { LOOK_WORDS } from './step';

/** What the event called itself when it was written; the step's title of today only where it kept none. */
export function eventTitle(event: EventView, titles: ReadonlyMap<string, string>): string {
  const body = readBody(event.kind, event.body);
  const title = body.ok ? body.value.title : undefined;
  if (title !== undefined) return title;
  return event.kind === 'replan' ? 'Planned again' : (titles.get(event.stepId) ?? event.stepId);
}

/** How an event came that a device kept while it had no server. */
function keptLines({ kept, at, receivedAt }: EventView): string[] {
  if (kept === null) return [];
  const clock = (iso: string) => `${iso.slice(0, 10)} ${iso.slice(11, 16)} UTC`;
  return [
    `at ${clock(at)} by the clock of a device without the server; last contact ${clock(kept.contact)}, received ${clock(receivedAt)}`,
  ];
}

/** What was recorded with an event, a line each. What the plan asked for and what somebody measured are told apart. */
export const eventLines = (event: EventView): string[] => [
  ...bodyLines(event),
  ...underLines(event),
  ...keptLines(event),
];

function underLines(event: EventView): string[] {
  const under = underOf(event);
  return under === null ? [] : [`under ${under.name}`];
}

function bodyLines(event: EventView): string[] {
  switch (event.kind) {
    case 'confirm':
    case 'look':
    case 'sign':
    case 'mix': {
      const body = readBody(event.kind, event.body);
      return body.ok ? confirmLines(body.value) : UNREADABLE;
    }
    case 'waste':
    case 'note': {
      const body = readBody(event.kind, event.body);
      if (!body.ok) return UNREADABLE;
      const waste = event.kind === 'waste' ? ['WASTE: what was mixed is gone; the step was not done'] : [];
      return [...waste, body.value.reason];
    }
    case 'temperature': {
      const body = readBody('temperature', event.body);
      if (!body.ok) return UNREADABLE;
      const { tempC, instrument } = body.value;
      return [
        `measured ${trimNumber(tempC, 1)} °C`,
        ...(instrument === undefined ? [] : [`with ${instrument}`]),
      ];
    }
    case 'test': {
      const body = readBody('test', event.body);
      return body.ok ? testLines(body.value) : UNREADABLE;
    }
    case 'recut': {
      const body = readBody('recut', event.body);
      if (!body.ok) return UNREADABLE;
      const { cutOffMm, spareMm } = body.value;
      return [`cut off ${trimNumber(cutOffMm, 1)} mm, ${trimNumber(spareMm, 1)} mm of spare left`];
    }
    case 'correct': {
      const body = readBody('correct', event.body);
      return body.ok
        ? [`held by mistake: ${body.value.reason}`, stepsWords(body.value.redo.length)]
        : UNREADABLE;
    }
    case 'replan': {
      const body = readBody('replan', event.body);
      return body.ok ? replanLines(body.value) : UNREADABLE;
    }
    case 'leftOut': {
      const body = readBody('leftOut', event.body);
      if (!body.ok) return UNREADABLE;
      return [
        `counts for nothing: ${body.value.reason}`,
        ...body.value.left.map((l) => `${l.at.slice(0, 16).replace('T', ' ')} UTC: ${l.title}`),
      ];
    }
    default:
      return UNREADABLE;
  }
}

/** What a test came to, then what of it does not hold; what holds is counted. */
function testLines({ answer, verdict, findings, instrument }: EventBody<'test'>): string[] {
  const against = findings.filter((f) => f.verdict !== 'holds').map((f) => f.words);
  const held = findings.length - against.length;
  return [
    answer === 'holds' ? 'HOLDS' : answer === 'fails' ? 'FAILS' : 'NOT PROVEN',
    ...(against.length === 0 ? [verdict === 'holds' ? `${held} of ${held} hold` : verdict] : against),
    ...(against.length === 0 || held === 0 ? [] : [`${held} more hold`]),
    ...(instrument === undefined ? [] : [`with ${instrument}`]),
  ];
}

const UNREADABLE = ['what stands here cannot be read'];

const stepsWords = (n: number): string => `${n} ${n === 1 ? 'step' : 'steps'} to be done again`;

function confirmLines(body: EventBody<'confirm'>): string[] {
  const { decision, figure, measuredMm, measured = [], mix, checked = [], chosen = [] } = body;
  const { instrument, photos = [] } = body;
  return [
    ...(decision === undefined ? [] : [LOOK_WORDS[decision]]),
    ...(figure === undefined ? [] : [`planned ${figure.value} ${figure.unit}`]),
    ...(measuredMm === undefined ? [] : [measuredWords(measuredMm)]),
    ...measured.map((m) => `${m.label}: ${readingWords(m)}`),
    ...(instrument === undefined ? [] : [`with ${instrument}`]),
    ...(mix === undefined
      ? []
      : [`batch ${mix.batch}, expires ${mix.expiry}, work at ${trimNumber(mix.tempC, 1)} °C`]),
    ...(chosen.length === 0 ? [] : [`said: ${chosen.map((c) => `${c.label} ${c.option}`).join(', ')}`]),
    ...(checked.length === 0 ? [] : [`seen: ${checked.join('; ')}`]),
    ...photos.map((hash, i) => `photo ${i + 1}: ${hash.slice(0, 12)}`),
  ];
}

type MeasuredItem = NonNullable<EventBody<'confirm'>['measured']>[number];

function readingWords({ mm, nm, read, unit, again }: MeasuredItem): string {
  const twice = again === undefined ? '' : ` and ${trimNumber(again, 2)}`;
  if (read !== undefined)
    return read === null ? 'not read' : `read ${trimNumber(read, 2)}${twice} ${unit ?? ''}`;
  if (nm === undefined) return mm === null ? measuredWords(mm) : `measured ${trimNumber(mm, 2)}${twice} mm`;
  return nm === null ? 'not measured' : `measured ${trimNumber(nm, 2)}${twice} N·m`;
}

const measuredWords = (mm: number | null): string =>
  mm === null ? 'not measured' : `measured ${trimNumber(mm, 2)} mm`;

function replanLines({ note, changed, restamped, redo }: EventBody<'replan'>): string[] {
  return [
    ...(note === undefined || note === '' ? [] : [note]),
    ...(restamped === undefined ? [] : [`${restamped.length} decisions restamped`]),
    ...(changed ?? []).map((c) => `${c.label}: ${c.before ?? 'none'} → ${c.after ?? 'none'}`),
    ...(redo === undefined || redo.length === 0 ? [] : [stepsWords(redo.length)]),
  ];
}
