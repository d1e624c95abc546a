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

/** The thinnest the outer sheath may be, mm, from measurement and from the maker's nominal; the smaller counts. */
export function outerSheathThicknessMm(
  type: CableType,
  outer: Measurement,
  inner: Measurement | null,
  wire: Measurement | null,
): number | null {
  const found: number[] = [];
  if (type.outerSheathThicknessMm !== undefined) found.push(type.outerSheathThicknessMm);
  if (inner && wire && type.armour !== 'none') {
    const measured = (outer.interval.min - overArmourMaxMm(type, inner, wire)) / 2;
    // Wide intervals can make this vanish: it then says nothing about the sheath.
    if (measured > 0) found.push(measured);
  }
  return found.length === 0 ? null : Math.min(...found);
}

function sheathGuard(thicknessMm: number | null, profile: CodeProfile, under: string): DepthGuard {
  if (thicknessMm === null) {
    return {
      maxDepthMm: null,
      reason: `no sheath thickness is known: score lightly, bend to open, and keep off ${under}`,
    };
  }
  const depth = roundDown(thicknessMm - profile.cut.sheathGuardMm);
  if (depth <= 0) {
    return {
      maxDepthMm: 0,
      reason: `sheath may be only ${thicknessMm.toFixed(2)} mm: do not cut, score and bend to open`,
    };
  }
  return {
    maxDepthMm: depth,
    reason: `sheath at least ${thicknessMm.toFixed(2)} mm, ${profile.cut.sheathGuardMm} mm left uncut over ${under}`,
  };
}

export const outerGuard = (thicknessMm: number | null, profile: CodeProfile): DepthGuard =>
  sheathGuard(thicknessMm, profile, 'the armour');

export const innerGuard = (type: CableType, profile: CodeProfile): DepthGuard =>
  sheathGuard(type.innerSheathThicknessMm ?? null, profile, 'the cores');

/** Round wire is sawn part-way and snapped; braid and tape are not sawn against the inner sheath at all. */
export function armourGuard(type: CableType, wire: Measurement, profile: CodeProfile): DepthGuard {
  if (type.armour !== 'roundWire') {
    return {
      maxDepthMm: null,
      reason: 'cut with snips held flat, never with a blade against the inner sheath',
    };
  }
  const share = profile.cut.wireDepthShare;
  return {
    maxDepthMm: roundDown(wire.interval.min * share),
    reason: `${Math.round(share * 100)} % of a ${wire.interval.min.toFixed(2)} mm wire, then snap; the inner sheath lies under it`,
  };
}
