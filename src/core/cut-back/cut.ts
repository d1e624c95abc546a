import type { CutKind } from '@/core/catalogue';
import type { LengthUnit } from '@/core/units';
import type { CoreTail } from './core-tails';
import type { CutWorking, LadderRungId } from './cut-cases';
import type { CutMark } from './marks';

/** A part of the stripped end with the span it must lie in. */
export interface CutLength {
  readonly mm: number;
  readonly minMm: number;
  readonly maxMm: number;
}

/** One rung of a ladder; the phase's add up to the jacket's mark. */
export interface LadderRung extends CutLength {
  readonly id: LadderRungId;
}

export interface Cut {
  readonly kind: CutKind;
  readonly tails: CutLength;
  /** Inner sheath (or the sheath itself, of an unarmoured cable) that stands beyond the stop; null where it is cut level. */
  readonly stub: CutLength | null;
  /** Armour on the cone or under the ring; null in a cable without armour. */
  readonly armour: CutLength | null;
  /** Jacket or sheath over the armour is taken off before the armour's end; false for a cable without one. */
  readonly jacketed: boolean;
  /** Insulation off the core ends, where the gland settles it. */
  readonly strip: CutLength | null;
  /** The rungs of each core, where a sheet cuts them back by a ladder; left out for any other. */
  readonly ladder?: readonly LadderRung[];
  /** Tails core by core, where terminals differ. */
  readonly coreTails: readonly CoreTail[];
  /** In cutting order. */
  readonly marks: readonly CutMark[];
  /** From the armour stop to the inside face of the wall. */
  readonly stopToWallMm: number;
  /** How far the inner sheath stands inside the wall's inner face; below zero it ends within the gland. */
  readonly emergenceMm: number;
  /** Cable used up at this end, with the saw's kerf. */
  readonly consumedMm: number;
  readonly unit: LengthUnit;
  /** How the lengths came about, for the reader who checks. */
  readonly workings: readonly CutWorking[];
}
