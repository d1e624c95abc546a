import { mapFaults, swapsBetween, swapWords, type CouplerEndPlan, type PhaseMap } from '@/core/coupler';
import { halfWidthOf, type Measuring } from '@/core/instrument';
import { ok, refuse, type Result } from '@/core/kernel';
import type { BenchAct, ConfirmCommand, Step } from '@/core/record';
import { trimNumber } from '@/core/units';
import { gapKey } from './steps/coupler';

/** Where a step of a coupler is asked for. */
interface At {
  readonly acts: readonly BenchAct[];
  /** What the other end of the cable recorded; undefined where nobody looked it up. */
  readonly across: readonly BenchAct[] | undefined;
  readonly measuring: Measuring;
  /** What this end and the other are called. */
  readonly tags: readonly [here: string, there: string];
}

/** The last that an end said of its phases, and that no correction and no cut has taken back; null where nothing stands. */
export function phaseMapOf(acts: readonly BenchAct[]): PhaseMap | null {
  let map: PhaseMap | null = null;
  for (const act of acts) {
    if (act.kind === 'recut' || (act.kind === 'correct' && [act.stepId, ...act.redo].includes('phaseMap')))
      map = null;
    else if (act.stepId === 'phaseMap' && act.fingerprint !== null) map = act.chosen ?? null;
  }
  return map;
}

/** How often the phases were eased and sanded since the end was last cut back. */
export const roundsOf = (acts: readonly BenchAct[]): number =>
  acts
    .slice(acts.findLastIndex((a) => a.kind === 'recut') + 1)
    .filter((a) => a.stepId === 'ease' && a.fingerprint !== null).length;

/** May this step of a coupler be confirmed? What it is not about passes. */
export function mayConfirmCoupler(
  coupler: CouplerEndPlan,
  step: Step,
  command: ConfirmCommand,
  at: At,
): Result<null> {
  switch (step.id) {
    case 'gap':
      return mayLeaveGap(coupler, command, at.measuring);
    case 'phaseMap': {
      const map = command.chosen ?? {};
      const faults = mapFaults(
        map,
        coupler.phases,
        coupler.contacts.filter((c) => c.use === 'phase').map((c) => c.id),
      );
      return faults.length > 0 ? refuse('chosen', faults.join('; ')) : agrees(map, at);
    }
    case 'sign': {
      const map = phaseMapOf(at.acts);
      return map === null
        ? refuse('chosen', 'nobody has said on which contacts the phases lie')
        : agrees(map, at);
    }
    default:
      return ok(null);
  }
}

/** Do both ends say the same? What the other has not said yet is compared when it does. */
function agrees(map: PhaseMap, { across, tags: [here, there] }: At): Result<null> {
  const other = across === undefined ? null : phaseMapOf(across);
  const swaps = other === null ? [] : swapsBetween(map, other);
  return swaps.length === 0
    ? ok(null)
    : refuse('chosen', `${swapWords(swaps, here, there)}. Find out which is right before either is closed`);
}

/** A gap is taken at the widest that its instrument may mean: a decision that does not go with it is refused with the number. */
function mayLeaveGap(
  { gap: { openMm, tapedMm }, mayTrimMm, phases }: CouplerEndPlan,
  { decision = null, measured = {}, instrument }: ConfirmCommand,
  measuring: Measuring,
): Result<null> {
  const read = phases.map((phase) => ({ phase, mm: measured[gapKey(phase)] }));
  const unread = read.find((r) => r.mm === undefined);
  if (unread !== undefined)
    return refuse(`measured.${gapKey(unread.phase)}`, `say how wide the gap of ${unread.phase} is`);
  const widest = read
    .map(({ phase, mm = 0 }) => ({ phase, mm, mostMm: mm + halfWidthOf(measuring, instrument, mm, 'mm') }))
    .reduce((a, b) => (b.mostMm > a.mostMm ? b : a));
  const path = `measured.${gapKey(widest.phase)}`;
  const said = `${widest.phase} ${trimNumber(widest.mm, 2)} mm, ${trimNumber(widest.mostMm, 2)} mm at the widest that it may mean`;
  if (decision === 'gapHolds' && widest.mostMm > openMm + 1e-9)
    return refuse(
      path,
      `${said}: ${trimNumber(widest.mostMm - openMm, 2)} mm more than may stay open. Fill it with tape as listed`,
    );
  if (decision === 'gapTaped' && widest.mostMm > tapedMm + 1e-9)
    return refuse(
      path,
      `${said}: ${trimNumber(widest.mostMm - tapedMm, 2)} mm more than tape may fill. Trim the conductor by ${trimNumber(mayTrimMm, 1)} mm at most, or cut the end again`,
    );
  if (decision !== 'gapHolds' && widest.mostMm <= openMm + 1e-9)
    return refuse('decision', `${said}: it may stay open, there is nothing to fill or to trim`);
  return ok(null);
}
