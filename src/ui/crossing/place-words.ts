import { gapWords, peelWords } from '@/core/frame-building';
import { placeAt, placesOf, sameRef, type FramePlan, type PlaceRef } from '@/core/frame-packing';
import type { MoveVerdict } from './use-draft';
import { refWords } from './words';

/** The cable of a place; undefined for a spare, and for a place that this plan does not have. */
export const cableAt = (plan: FramePlan | null, ref: PlaceRef): string | undefined =>
  plan === null ? undefined : placeAt(plan, ref)?.cable;

/** What a move comes to: the first rule it breaks, or how the cable stands there and what that does to the crossings. */
export function verdictWords(
  verdict: MoveVerdict,
  to: PlaceRef,
  before: FramePlan | null,
): { good: boolean; text: string } {
  const [first] = verdict.problems;
  if (first)
    return {
      good: false,
      text: `Refused at ${refWords(to)}: ${first.message}${typeof first.value === 'string' ? ` (${first.value})` : ''}.`,
    };
  const place = placeAt(verdict.plan, to);
  const was = before?.crossings.front ?? 0;
  const is = verdict.plan.crossings.front;
  const peel = place?.peel
    ? `peel ${place.peel[0]} + ${place.peel[1]}${place.remeasure ? ', measure again' : ''}`
    : '';
  return {
    good: true,
    text: `${place?.cable ?? ''} fits at ${refWords(to)}: ${peel}; crossings in front ${is}${is === was ? '' : is < was ? `, ${was - is} fewer` : `, ${is - was} more`}.`,
  };
}

/** Why there is no plan. Around locked places it names the cables for which no place is left at all. */
export function noPlanWords(plan: FramePlan, cables: number, around: boolean): string {
  if (plan.status !== 'infeasible') return `No plan was found; none can cost less than ${plan.bound ?? 0}.`;
  if (!around) return `The ${cables} cables do not go into the frames that are allowed.`;
  const shutOut = plan.unplaced.slice(0, 6).map((u) => u.tag);
  return shutOut.length > 0
    ? `Beside what is locked no place is left for ${shutOut.join(', ')}: unlock one of the places that suit them, or allow more frames.`
    : `The ${cables} cables do not go into the frames that are allowed beside what is locked.`;
}

/** What can be done with a chosen cable; when its place is locked, how many others stay with the locked ones. */
export function lockWords(
  { locked, staying }: { readonly locked: readonly PlaceRef[]; readonly staying: readonly PlaceRef[] },
  picked: PlaceRef,
): string {
  const along = staying.length - locked.length;
  if (locked.some((l) => sameRef(l, picked)))
    return along > 0 ? `locked; ${along} more places stay with what is locked.` : 'locked.';
  return staying.some((l) => sameRef(l, picked))
    ? 'stays with what is locked; choose where it goes, or lock it too.'
    : 'choose where it goes, or lock it.';
}

/** Where a cable stands and how, in one line. */
export function litWords(plan: FramePlan, tag: string): string {
  const found = placesOf(plan.frames).find(({ place }) => place.cable === tag);
  if (!found) return tag;
  const { ref, place } = found;
  return `${tag}: ${refWords(ref)}, ${place.module}, peel ${peelWords(place)}, gap ${gapWords(place)}${place.remeasure ? ', measure again' : ''}.`;
}
