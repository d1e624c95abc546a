import { isFlameproof, type BarrierRule, type Enclosure } from '@/core/schedule';
import { cableListed } from '../cable-listing';
import type { TerminationInput } from '../termination-input';
import { Trail, type BarrierTrail, type PlaceGiven, type TrailQuestion } from './trail';

type BarrierFacts = Pick<TerminationInput, 'cableType' | 'cableLengthMm' | 'enclosure' | 'profile'>;

/**
 * Is a barrier inside this cable called for at this termination? The rule set belongs to the code profile; each asks its questions in
 * order until one settles it. The questions of the zone-style rules concern cables that enter a flameproof box directly.
 */
export function decideBarrier(facts: BarrierFacts): BarrierTrail {
  const { barrier, caution } = facts.profile;
  return RULES[barrier.rule](facts, new Trail(barrier.source, caution));
}

const RULES: Readonly<Record<BarrierRule, (facts: BarrierFacts, trail: Trail) => BarrierTrail>> = {
  lengthFilling,
  flow,
  division,
  none: industrial,
};

const FLAMEPROOF = { code: 'flameproof' } as const;
const FILLED = { code: 'filled' } as const;
const COMPACT = { code: 'compact' } as const;
const YES = { code: 'yes' } as const;
const NO = { code: 'no' } as const;

/** Questions both zone-style rules begin with; a trail when one of them settles the matter. */
function zoneQuestions(
  { cableType, enclosure }: BarrierFacts,
  trail: Trail,
  next: 'longEnough' | 'ignites',
): BarrierTrail | null {
  const { concept, tag: box } = enclosure;
  if (!isFlameproof(enclosure))
    return trail.end(FLAMEPROOF, { code: 'notConcept', concept }, 'enclosure', 'none', {
      code: 'notFlameproof',
      concept,
    });
  trail.pass(FLAMEPROOF, { code: 'isConcept', box, concept }, 'enclosure', 'filled');
  if (!cableType.effectivelyFilled) return trail.end(FILLED, NO, 'cableType', 'barrier', { code: 'gasPath' });
  trail.pass(FILLED, YES, 'cableType', 'compact');
  if (cableType.compact === undefined) return trail.ask(COMPACT, { code: 'compact', cable: cableType.code });
  if (!cableType.compact) return trail.end(COMPACT, NO, 'cableType', 'barrier', { code: 'notCompact' });
  trail.pass(COMPACT, YES, 'cableType', next);
  return null;
}

/** Newer rule: length and filling. */
function lengthFilling(facts: BarrierFacts, trail: Trail): BarrierTrail {
  const settled = zoneQuestions(facts, trail, 'longEnough');
  if (settled) return settled;
  const { profile, cableLengthMm } = facts;
  const leastM = profile.barrier.minLengthM ?? null;
  const long: TrailQuestion = { code: 'longEnough', leastM };
  if (leastM === null) return trail.ask(long, { code: 'leastLength' });
  if (cableLengthMm === null) return trail.ask(long, { code: 'length' });
  const metres = cableLengthMm / 1000;
  return cableLengthMm >= leastM * 1000
    ? trail.end(long, { code: 'metres', yes: true, metres }, 'schedule', 'none', {
        code: 'longEnough',
        metres,
      })
    : trail.end(long, { code: 'metres', yes: false, metres }, 'schedule', 'barrier', {
        code: 'tooShort',
        metres,
        leastM,
      });
}

/** Older rule: ignition source, gas group, zone, volume. */
function flow(facts: BarrierFacts, trail: Trail): BarrierTrail {
  const settled = zoneQuestions(facts, trail, 'ignites');
  if (settled) return settled;
  const { enclosure, profile } = facts;
  const { tag: box, gasGroup: group, zone } = enclosure;
  const ignites = { code: 'ignites' } as const;
  if (enclosure.ignitionSource === undefined) return trail.ask(ignites, { code: 'ignitionSource', box });
  if (!enclosure.ignitionSource)
    return trail.end(ignites, NO, 'enclosure', 'none', { code: 'nothingIgnites' });
  trail.pass(ignites, YES, 'enclosure', 'groupIIC');
  const iic = { code: 'groupIIC' } as const;
  if (group === null || group === undefined) return trail.ask(iic, { code: 'gasGroup', box });
  if (group === 'IIC') return trail.end(iic, YES, 'enclosure', 'barrier', { code: 'groupIIC' });
  trail.pass(iic, { code: 'gasGroup', group }, 'enclosure', 'zone1');
  const zone1 = { code: 'zone1' } as const;
  if (zone === null || zone === undefined) return trail.ask(zone1, { code: 'zone', box });
  if (zone !== 1 && zone !== 0)
    return trail.end(zone1, { code: 'zone', yes: false, zone }, 'enclosure', 'none', {
      code: 'groupElsewhere',
      group,
      zone,
    });
  trail.pass(zone1, { code: 'zone', yes: true, zone }, 'enclosure', 'volume');
  const limitCm3 = profile.barrier.maxVolumeCm3 ?? null;
  const volume: TrailQuestion = { code: 'volume', limitCm3 };
  if (limitCm3 === null) return trail.ask(volume, { code: 'largestVolume' });
  const cm3 = enclosure.freeVolumeCm3;
  return cm3 > limitCm3
    ? trail.end(volume, { code: 'volume', yes: true, cm3 }, 'enclosure', 'barrier', {
        code: 'volumeAbove',
        cm3,
        limitCm3,
      })
    : trail.end(volume, { code: 'volume', yes: false, cm3 }, 'enclosure', 'none', {
        code: 'volumeBelow',
        cm3,
        limitCm3,
      });
}

const hasZone = ({ zone }: Pick<Enclosure, 'zone'>): boolean => zone !== null && zone !== undefined;

/**
 * Classes and divisions: the cable's listing comes before any fitting. In class I, division 1 every termination is sealed and no box may be a
 * plain one (NFPA 70, 501.15(D)); in division 2 the entry of an explosionproof box is.
 */
function division(facts: BarrierFacts, trail: Trail): BarrierTrail {
  const { enclosure, cableType } = facts;
  const { hazardClass, tag: box, concept } = enclosure;
  const classified = { code: 'classified' } as const;
  if (hazardClass === null && !hasZone(enclosure) && !isFlameproof(enclosure))
    return trail.end(classified, NO, 'enclosure', 'none', { code: 'notClassified' });
  if (hazardClass === null || hazardClass === undefined || enclosure.division === undefined)
    return trail.ask(classified, { code: 'place', box });
  const place: PlaceGiven = { zone: null, hazardClass, division: enclosure.division };
  trail.pass(classified, { code: 'place', place }, 'enclosure', 'listed');
  const listed = { code: 'listed' } as const;
  const listing = cableListed(facts);
  if (listing.verdict === 'unknown') return trail.ask(listed, { code: 'listings', cable: cableType.code });
  const listings = listing.case.code === 'listingNotAsked' ? null : (cableType.listings ?? []);
  if (listing.case.code === 'listingLacks') {
    const { code: _code, ...lack } = listing.case;
    return trail.end(listed, { code: 'listed', yes: false, listings }, 'cableType', 'refused', {
      code: 'notListed',
      ...lack,
    });
  }
  trail.pass(listed, { code: 'listed', yes: true, listings }, 'cableType', 'gas');
  const gas = { code: 'gas' } as const;
  if (hazardClass !== 'I')
    return trail.end(gas, { code: 'hazardClass', gas: false, hazardClass }, 'enclosure', 'none', {
      code: 'dust',
    });
  trail.pass(gas, { code: 'hazardClass', gas: true, hazardClass }, 'enclosure', 'explosionproof');
  const holds = { code: 'explosionproof' } as const;
  if (!isFlameproof(enclosure))
    return enclosure.division === 1
      ? trail.end(holds, { code: 'noConcept', concept }, 'enclosure', 'refused', {
          code: 'divisionOneBox',
          box,
          concept,
        })
      : trail.end(holds, NO, 'enclosure', 'none', { code: 'plainBox' });
  return trail.end(
    holds,
    YES,
    'enclosure',
    'seal',
    enclosure.division === 1
      ? { code: 'divisionOne' }
      : { code: 'explosionproof', division: enclosure.division },
  );
}

/** No hazardous area: a classified box is refused. */
function industrial({ enclosure }: BarrierFacts, trail: Trail): BarrierTrail {
  const { zone, hazardClass, tag: box } = enclosure;
  const explosive = { code: 'explosive' } as const;
  const classified = hasZone(enclosure) || typeof hazardClass === 'string';
  if (!classified && zone === undefined && hazardClass === undefined)
    return trail.ask(explosive, { code: 'atmosphere', box });
  if (!classified) return trail.end(explosive, NO, 'enclosure', 'none', { code: 'noAtmosphere' });
  const place: PlaceGiven = enclosure;
  return trail.end(explosive, { code: 'inPlace', place }, 'enclosure', 'refused', {
    code: 'wrongProfile',
    box,
    place,
  });
}
