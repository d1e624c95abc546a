import type { Measurement } from '@/core/cable-measurement';
import type { CableType, CodeProfile } from '@/core/schedule';

/** How deep a blade may go, in mm, rounded down to 0.1 mm; null when no thickness is known. */
export interface DepthGuard {
  readonly maxDepthMm: number | null;
  readonly reason: string;
}

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

/** One source of a thickness: what it is called, and what it leaves at the thinnest, mm; below zero it leaves nothing. */
interface Thickness {
  readonly from: string;
  readonly mm: number;
}

const between = (from: string, outer: Measurement, withinMaxMm: number): Thickness => ({
  from,
  mm: (outer.interval.min - withinMaxMm) / 2,
});
const nominal = (mm: number | undefined): Thickness[] =>
  mm === undefined ? [] : [{ from: 'datasheet', mm }];

/** The thinnest the outer sheath may be: half of what its smallest diameter leaves over the largest that lies in it, or the maker's figure. */
function outerSheathSources(facts: SheathFacts): Thickness[] {
  const { cableType, outerSheath, innerSheath, armourWire, overArmour, laidUpCores } = facts;
  const found = nominal(cableType.outerSheathThicknessMm);
  if (overArmour) found.push(between('over armour', outerSheath, overArmour.interval.max));
  if (cableType.armour === 'none') {
    if (laidUpCores) found.push(between('laid-up cores', outerSheath, laidUpCores.interval.max));
    if (innerSheath) found.push(between('inner sheath', outerSheath, innerSheath.interval.max));
  } else if (innerSheath && armourWire) {
    found.push(
      between('inner sheath and armour', outerSheath, overArmourMaxMm(cableType, innerSheath, armourWire)),
    );
  }
  return found;
}

function innerSheathSources({ cableType, innerSheath, laidUpCores }: SheathFacts): Thickness[] {
  const found = nominal(cableType.innerSheathThicknessMm);
  if (innerSheath && laidUpCores) found.push(between('laid-up cores', innerSheath, laidUpCores.interval.max));
  return found;
}

const thinnest = (sources: readonly Thickness[]): Thickness | null =>
  sources.reduce<Thickness | null>((least, s) => (least === null || s.mm < least.mm ? s : least), null);

function sheathGuard(sources: readonly Thickness[], profile: CodeProfile, under: string): DepthGuard {
  const least = thinnest(sources);
  if (least === null)
    return {
      maxDepthMm: null,
      reason: `no sheath thickness is known: no tool that is set to a depth; score lightly, bend to open, and keep off ${under}`,
    };
  const thick = `${Math.max(0, least.mm).toFixed(2)} mm (${least.from})`;
  const depth = roundDown(least.mm - profile.cut.sheathGuardMm);
  if (depth <= 0)
    return {
      maxDepthMm: 0,
      reason: `sheath may be only ${thick}, less than the ${profile.cut.sheathGuardMm} mm that stay uncut: no powered tool and none that is set to a depth; score and bend to open`,
    };
  return {
    maxDepthMm: depth,
    reason: `sheath at least ${thick}, ${profile.cut.sheathGuardMm} mm left uncut over ${under}`,
  };
}

/** Guard of the outer sheath; of an unarmoured cable it lies on the cores. */
export const outerGuard = (facts: SheathFacts, profile: CodeProfile): DepthGuard =>
  sheathGuard(
    outerSheathSources(facts),
    profile,
    facts.cableType.armour === 'none' ? 'the cores' : 'the armour',
  );

export const innerGuard = (facts: SheathFacts, profile: CodeProfile): DepthGuard =>
  sheathGuard(innerSheathSources(facts), profile, 'the cores');

/** May a tool be set to this depth? Not to one that nobody knows, and not to nothing. */
export const isSettable = ({ maxDepthMm }: DepthGuard): boolean => maxDepthMm !== null && maxDepthMm > 0;

/** No blade depth can be given: the reason says what to go by. */
export const byEye = (reason: string): DepthGuard => ({ maxDepthMm: null, reason });

/** Round wire is sawn part-way and snapped: the inner sheath lies right under it. */
export function shareOfWire(wire: Measurement | null, profile: CodeProfile): DepthGuard {
  const share = profile.cut.wireDepthShare;
  if (wire === null) return byEye('the wire is not measured: saw lightly, then snap');
  return {
    maxDepthMm: roundDown(wire.interval.min * share),
    reason: `${Math.round(share * 100)} % of a ${wire.interval.min.toFixed(2)} mm wire, then snap; the inner sheath lies under it`,
  };
}

/** Strip of a metal-clad cable: a share of its thickness where that was measured, else only the way to see it. */
export function shareOfStrip(strip: Measurement | null, share: number, then: string): DepthGuard {
  if (strip === null) return byEye(`the strip is not measured: ${then}; the conductors lie under it`);
  return {
    maxDepthMm: roundDown(strip.interval.min * share),
    reason: `${Math.round(share * 100)} % of a ${strip.interval.min.toFixed(2)} mm strip, ${then}; the conductors lie under it`,
  };
}
