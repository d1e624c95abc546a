import type { Family, RingOption } from '@/core/catalogue';
import type { Candidate } from './candidate';
import type { EndStopRule } from './end-stop-fit';
import type { RingFit } from './ring-fit';
import { isMetalClad } from './termination-input';

/** How a ring goes on. */
export interface RingWay {
  readonly face: RingOption['face'];
  /** Part number of an alternative ring; null for the one in the bag. */
  readonly ring: string | null;
  /** A ring with one face: it earths the armour's edge, it goes on one way only, or either way round. */
  readonly plain: 'earthing' | 'oneWay' | 'either';
  /** Which way round, where the sheet says so of a ring that goes on one way only. */
  readonly facing: string | null;
}

/** Everything that sets a size up: ring, end stop, adaptor. */
export interface Way {
  readonly size: string;
  readonly ring: RingWay | null;
  /** Null where the gland has none, or nobody can say yet. */
  readonly endStop: EndStopRule | null;
  readonly adaptor: string | null;
}

export function ringWayOf(ring: RingFit | null, family: Family): RingWay | null {
  if (ring === null) return null;
  const { face, armour, ring: alternative } = ring.option;
  const part = family.parts.find((p) => p.role === 'clampingRing');
  const oneWay = part?.orientation === 'oneWay';
  return {
    face,
    ring: alternative ?? null,
    plain: armour.every(isMetalClad) ? 'earthing' : oneWay ? 'oneWay' : 'either',
    facing: oneWay ? (part.facing ?? null) : null,
  };
}

export const wayOf = ({ size, ring, family, endStop, entry }: Candidate): Way => ({
  size: size.code,
  ring: ringWayOf(ring, family),
  endStop: endStop === null || endStop.stays === null ? null : endStop.rule,
  adaptor: entry.adaptor?.partNumber ?? null,
});
