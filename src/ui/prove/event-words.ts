import { LOOK_WORDS, type LookDecision, type MixRecord } from '@/core/procedure';
import type { EventView } from '@/core/termination-view';
import { trimNumber } from '@/core/units';

/** What the body of an event may hold; of which kinds, is written in the operation that appends it. */
interface Body {
  readonly title?: string;
  readonly decision?: LookDecision;
  readonly figure?: { readonly value: string; readonly unit: string };
  readonly measuredMm?: number | null;
  readonly mix?: MixRecord;
  readonly tempC?: number;
  readonly reason?: string;
  readonly cutOffMm?: number;
  readonly spareMm?: number;
  readonly changed?: readonly {
    readonly label: string;
    readonly before: string | null;
    readonly after: string | null;
  }[];
  readonly restamped?: readonly string[];
}

const bodyOf = (event: EventView): Body => (event.body ?? {}) as Body;

/** What the event called itself when it was written; the step's title of today only where it kept none. */
export function eventTitle(event: EventView, titles: ReadonlyMap<string, string>): string {
  const { title } = bodyOf(event);
  if (title !== undefined) return title;
  return event.kind === 'replan' ? 'Planned again' : (titles.get(event.stepId) ?? event.stepId);
}

/** What was recorded with an event, a line each. What the plan asked for and what somebody measured are told apart. */
export function eventLines(event: EventView): string[] {
  const { decision, figure, measuredMm, mix, tempC, reason, cutOffMm, spareMm, changed, restamped } =
    bodyOf(event);
  const lines: string[] = [];
  if (event.kind === 'waste') lines.push('WASTE: what was mixed is gone; the step was not done');
  if (decision !== undefined) lines.push(LOOK_WORDS[decision]);
  if (figure !== undefined) lines.push(`planned ${figure.value} ${figure.unit}`);
  if (measuredMm !== undefined)
    lines.push(measuredMm === null ? 'not measured' : `measured ${trimNumber(measuredMm, 2)} mm`);
  if (mix !== undefined)
    lines.push(`batch ${mix.batch}, expires ${mix.expiry}, work at ${trimNumber(mix.tempC, 1)} °C`);
  if (tempC !== undefined) lines.push(`measured ${trimNumber(tempC, 1)} °C`);
  if (reason !== undefined) lines.push(reason);
  if (cutOffMm !== undefined)
    lines.push(
      `cut off ${trimNumber(cutOffMm, 1)} mm${spareMm === undefined ? '' : `, ${trimNumber(spareMm, 1)} mm of spare left`}`,
    );
  if (event.kind === 'replan') {
    lines.push(`${restamped?.length ?? 0} decisions restamped`);
    for (const c of changed ?? []) lines.push(`${c.label}: ${c.before ?? 'none'} → ${c.after ?? 'none'}`);
  }
  return lines;
}
