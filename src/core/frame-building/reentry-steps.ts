import type { FramePlan, FrameRequest, Reentry } from '@/core/frame-packing';
import { chainSteps, type Step, type StepDraft } from '@/core/record';
import {
  lubricate,
  openingAt,
  openingTarget,
  pressSteps,
  rating,
  rowStep,
  safe,
  settledBy,
  sign,
  type CrossingPlace,
} from './building-steps';

/** Two schools: the press unit comes out, or is only loosened until the rows move. */
export type ReentrySchool = 'out' | 'loosened';

const LOOSE: ReadonlySet<string> = new Set(['safe', 'rating']);

/**
 * Opening a built frame for new cables as ordered steps: press unit, rows out nearest first, rows back in building order with the newcomers in
 * them, press unit again. Empty when nobody found a place.
 */
export function reentrySteps(
  request: FrameRequest,
  before: FramePlan,
  { open, answers, plan }: Reentry,
  place: CrossingPlace,
  school: ReentrySchool = 'out',
): Step[] {
  if (open.length === 0) return [];
  const drafts: StepDraft[] = [
    safe('New and neighbouring cables isolated, permits there'),
    rating(place, request.sheet),
  ];
  for (const { frame, opening, rows, disturbed } of open) {
    const planned = plan.frames[frame]?.openings[opening];
    const spec = request.frames.find((k) => k.id === plan.frames[frame]?.frame)?.openings[opening];
    if (!planned || !spec) continue;
    const at = openingAt(frame, opening);
    const { name } = at;
    const numbers = rows.map((r) => r + 1).join(', ');
    const newcomers = answers.flatMap((a) =>
      'place' in a && a.place.frame === frame && a.place.opening === opening ? [a.tag] : [],
    );
    drafts.push({
      id: `open.${name}`,
      target: openingTarget(at),
      station: 'makeOff',
      kind: 'hold',
      title: `Opening ${name}: ${school === 'out' ? 'press unit out' : 'press unit loosened'}`,
      detail: `Bolts back alternately in equal steps${school === 'out' ? ', then it comes out' : ' until the rows move freely'}${before.frames[frame]?.openings[opening]?.fillers.length ? '; filler plates with it' : ''}. The wall is open until it is closed again.`,
      reason: 'A frame that springs open one-sided shears the plates.',
      caution:
        'Fire watch and notice where the wall’s rating asks for them: it does not hold while it is open.',
      checks: ['Notice given: the wall is open'],
      decisions: [],
    });
    drafts.push({
      id: `out.${name}`,
      target: openingTarget(at),
      station: 'makeOff',
      kind: 'confirm',
      title: `Rows ${numbers} out, nearest the press unit first`,
      detail:
        disturbed.length === 0
          ? 'No cable lies in them: only spares come out.'
          : `Cables that are laid free: ${disturbed.join(', ')}. Support them; none is bent.`,
      reason: 'Every row that stays shut is one that cannot be spoilt.',
      figure: {
        value: String(rows.length),
        unit: rows.length === 1 ? 'row' : 'rows',
        second: `${disturbed.length} cables disturbed`,
      },
      list: newcomers.map((tag) => `${tag} pulled through`),
      decisions: [],
    });
    drafts.push(lubricate(at, spec));
    for (const r of [...rows].sort((a, b) => a - b)) drafts.push(rowStep(request, spec, planned, r, at));
    drafts.push(...pressSteps(spec, planned, at));
  }
  drafts.push(sign());
  return chainSteps(settledBy(plan, place), LOOSE, drafts);
}
