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
