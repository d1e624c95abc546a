import { trimNumber } from '@/core/units';
import type { Between, Round, WrapPlan } from './plan-schema';
import type { SealStep } from './step';
import { ALL, type WrapRequest } from './wrap';

/** The request with one more cable: in a bundle that is there, or in one of its own. */
export function withCable(
  request: WrapRequest,
  cable: WrapRequest['bundles'][number]['cables'][number],
  bundle: string,
): WrapRequest {
  const there = request.bundles.some((b) => b.id === bundle);
  return {
    ...request,
    bundles: there
      ? request.bundles.map((b) => (b.id === bundle ? { ...b, cables: [...b.cables, cable] } : b))
      : [...request.bundles, { id: bundle, cables: [cable] }],
  };
}

/** What lies in a round and what is cut for it: where both are the same nothing is touched. */
const laid = ({ circles, strips }: Round): string => JSON.stringify([circles.map((c) => c.name), strips]);

/** The rounds of a wrap that are laid anew when it is planned otherwise: those that come, and those whose strip is another. */
export const roundsAnew = (before: WrapPlan, after: WrapPlan): Round[] =>
  after.rounds.filter((r) => !before.rounds.some((b) => b.id === r.id && laid(b) === laid(r)));

const span = ({ min, max }: Between): string => `${trimNumber(min, 0)}–${trimNumber(max, 0)}`;

/** The work on a closed wrap for one more cable, on both sides of the wall: tie and cloth come off, what is laid anew is cut anew, all is closed again. */
export function wrapLaterSteps(before: WrapPlan, after: WrapPlan): SealStep[] {
  const anew = roundsAnew(before, after);
  const own = anew.filter((r) => r.id !== ALL);
  const base = { hold: false, decisions: [] };
  return [
    {
      ...base,
      hold: true,
      id: 'later.safe',
      title: 'Isolate and lock what is bent apart',
      detail: 'Permit and gas test where the area asks for them.',
      reason: 'Cables are bent apart that nobody sees from the other side.',
      checks: ['Neighbours isolated', 'Permit there'],
    },
    {
      ...base,
      id: 'later.off',
      title: 'Tie and cloth off, on both sides',
      detail: before.rounds.some((r) => r.id === ALL)
        ? 'And the strip round all: the strips of bundles that stay are not touched.'
        : 'And the strip, where the bundle is another.',
      reason: 'A cloth that is only pushed aside creases, and is no cloth any more.',
    },
    {
      ...base,
      id: 'later.in',
      title: own.length === 0 ? 'Draw the cable in' : `Lay ${own.map((r) => r.id).join(', ')} anew`,
      detail: 'Sealant between all its cables over the marked length, then its strip, joints turned.',
      reason: 'Smoke runs along the gap between three cables.',
      list: own.flatMap((r) =>
        r.strips.map((s, i) => `${r.id}, layer ${i + 1}: cut ${trimNumber(s.max, 0)} mm`),
      ),
    },
    ...anew
      .filter((r) => r.id === ALL)
      .map((r): SealStep => ({
        ...base,
        id: 'later.all',
        title: 'Between the bundles, and round all',
        detail: `Sealant ${span(r.sealantMl)} mL on each side, then the strip round all.`,
        reason: 'Only the outer strip closes against the stub.',
        list: r.strips.map((s, i) => `all, layer ${i + 1}: cut ${trimNumber(s.max, 0)} mm`),
      })),
    {
      ...base,
      hold: true,
      id: 'later.tie',
      title: 'Cloth and tie on again, on both sides',
      detail: `The swelling face outward${after.tie === null ? '' : `; ${span(after.tie.pullMm)} mm of the tail come through`}.`,
      reason: 'One side is no seal.',
      checks: ['First side closed', 'Second side closed', 'Sealant squeezes out all round'],
    },
  ];
}
