import type { Measurement } from '@/core/cable-measurement';
import type { CableType, CodeProfile } from '@/core/schedule';
import type { BladeGuard, GuardCase, StripEnd, ThicknessSource, Under } from './cut-cases';

const roundDown = (mm: number): number => Math.floor(mm * 10 + 1e-9) / 10;

/** Diameter over the armour at its thickest, mm: one layer of round wire each side, two crossing layers of braid or tape. */
export function overArmourMaxMm(type: CableType, inner: Measurement, wire: Measurement): number {
  const layers = type.armour === 'roundWire' ? 2 : 4;
  return inner.interval.max + layers * wire.interval.max;
}

/** What thicknesses of sheaths are worked out from. */
export interface SheathFacts {
  readonly cableType: CableType;
  readonly outerSheath: Measurement;
  readonly innerSheath: Measurement | null;
  readonly armourWire: Measurement | null;
  readonly overArmour: Measurement | null;
  readonly laidUpCores: Measurement | null;
}

/** One source of a thickness, and what it leaves at the thinnest, mm; below zero it leaves nothing. */
interface Thickness {
  readonly from: ThicknessSource;
  readonly mm: number;
}

const between = (from: ThicknessSource, outer: Measurement, withinMaxMm: number): Thickness => ({
  from,
  mm: (outer.interval.min - withinMaxMm) / 2,
});
const nominal = (mm: number | undefined): Thickness[] =>
  mm === undefined ? [] : [{ from: 'datasheet', mm }];

/** The thinnest the outer sheath may be: half of what its smallest diameter leaves over the largest that lies in it, or the maker's figure. */
function outerSheathSources(facts: SheathFacts): Thickness[] {
  const { cableType, outerSheath, innerSheath, armourWire, overArmour, laidUpCores } = facts;
  const found = nominal(cableType.outerSheathThicknessMm);
  if (overArmour) found.push(between('overArmour', outerSheath, overArmour.interval.max));
  if (cableType.armour === 'none') {
    if (laidUpCores) found.push(between('laidUpCores', outerSheath, laidUpCores.interval.max));
    if (innerSheath) found.push(between('innerSheath', outerSheath, innerSheath.interval.max));
  } else if (innerSheath && armourWire) {
    found.push(
      between('innerSheathAndArmour', outerSheath, overArmourMaxMm(cableType, innerSheath, armourWire)),
    );
  }
  return found;
}

function innerSheathSources({ cableType, innerSheath, laidUpCores }: SheathFacts): Thickness[] {
  const found = nominal(cableType.innerSheathThicknessMm);
  if (innerSheath && laidUpCores) found.push(between('laidUpCores', innerSheath, laidUpCores.interval.max));
  return found;
}

const thinnest = (sources: readonly Thickness[]): Thickness | null =>
  sources.reduce<Thickness | null>((least, s) => (least === null || s.mm < least.mm ? s : least), null);

function sheathGuard(sources: readonly Thickness[], profile: CodeProfile, under: Under): BladeGuard {
  const least = thinnest(sources);
  if (least === null) return { maxDepthMm: null, case: { code: 'noThickness', under } };
  const leftMm = profile.cut.sheathGuardMm;
  const thin = { leastMm: least.mm, from: least.from, leftMm };
  const depth = roundDown(least.mm - leftMm);
  if (depth <= 0) return { maxDepthMm: 0, case: { code: 'nothingToCut', ...thin } };
  return { maxDepthMm: depth, case: { code: 'leftUncut', ...thin, under } };
}

/** Guard of the outer sheath; of an unarmoured cable it lies on the cores. */
export const outerGuard = (facts: SheathFacts, profile: CodeProfile): BladeGuard =>
  sheathGuard(outerSheathSources(facts), profile, facts.cableType.armour === 'none' ? 'cores' : 'armour');

export const innerGuard = (facts: SheathFacts, profile: CodeProfile): BladeGuard =>
  sheathGuard(innerSheathSources(facts), profile, 'cores');

/** May a tool be set to this depth? Not to one that nobody knows, and not to nothing. */
export const isSettable = ({ maxDepthMm }: BladeGuard): boolean => maxDepthMm !== null && maxDepthMm > 0;

/** No blade depth can be given: the case says what to go by. */
export const byEye = (said: GuardCase): BladeGuard => ({ maxDepthMm: null, case: said });

/** Round wire is sawn part-way and snapped: the inner sheath lies right under it. */
export function shareOfWire(wire: Measurement | null, profile: CodeProfile): BladeGuard {
  if (wire === null) return byEye({ code: 'wireUnmeasured' });
  const share = profile.cut.wireDepthShare;
  const wireMm = wire.interval.min;
  return { maxDepthMm: roundDown(wireMm * share), case: { code: 'shareOfWire', share, wireMm } };
}

/** Strip of a metal-clad cable: a share of its thickness where that was measured, else only the way to see it. */
export function shareOfStrip(strip: Measurement | null, share: number, end: StripEnd): BladeGuard {
  if (strip === null) return byEye({ code: 'stripUnmeasured', end });
  const stripMm = strip.interval.min;
  return { maxDepthMm: roundDown(stripMm * share), case: { code: 'shareOfStrip', share, stripMm, end } };
}
