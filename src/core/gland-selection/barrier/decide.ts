import { isFlameproof, placeWords, type BarrierRule, type Enclosure } from '@/core/schedule';
import { trimNumber } from '@/core/units';
import { cableListed } from '../cable-listing';
import type { TerminationInput } from '../termination-input';
import { Trail, type BarrierTrail } from './trail';

type Facts = Pick<TerminationInput, 'cableType' | 'cableLengthMm' | 'enclosure' | 'profile'>;

const BOX = 'enclosure';
const TYPE = 'cable type';
const SCHEDULE = 'schedule';

/**
 * Is a barrier inside this cable called for at this termination? The rule set belongs to the code profile; each asks its questions in
 * order until one settles it. The questions of the zone-style rules concern cables that enter a flameproof box directly.
 */
export function decideBarrier(facts: Facts): BarrierTrail {
  const { barrier, caution } = facts.profile;
  return RULES[barrier.rule](facts, new Trail(barrier.source, caution));
}

const RULES: Readonly<Record<BarrierRule, (facts: Facts, trail: Trail) => BarrierTrail>> = {
  lengthFilling,
  flow,
  division,
  none: industrial,
};

/** Questions both zone-style rules begin with; a trail when one of them settles the matter. */
function zoneQuestions({ cableType, enclosure }: Facts, trail: Trail): BarrierTrail | null {
  const direct = 'Does the cable enter a flameproof box directly?';
  if (!isFlameproof(enclosure)) {
    const concept = enclosure.concept === 'none' ? 'industrial' : enclosure.concept;
    return trail.end(
      direct,
      `no, the box is ${concept}`,
      BOX,
      'none',
      `The box is ${concept}, not flameproof: no barrier is called for.`,
    );
  }
  trail.pass(direct, `yes, ${enclosure.tag} is ${enclosure.concept}`, BOX, 'is the cable filled?');
  const filled = 'Is the cable filled, without a gas path between its cores?';
  if (!cableType.effectivelyFilled)
    return trail.end(
      filled,
      'no',
      TYPE,
      'barrier',
      'The cable has a gas path between its cores: it goes straight to a barrier gland.',
    );
  trail.pass(filled, 'yes', TYPE, 'is it compact and round?');
  const compact = 'Is the cable compact and round?';
  if (cableType.compact === undefined)
    return trail.ask(compact, 'compact', `whether ${cableType.code} is compact and round`, TYPE);
  if (!cableType.compact)
    return trail.end(
      compact,
      'no',
      TYPE,
      'barrier',
      'A cable that is not compact and round cannot be sealed from outside: barrier gland.',
    );
  return null;
}

/** Newer rule: length and filling. */
function lengthFilling(facts: Facts, trail: Trail): BarrierTrail {
  const settled = zoneQuestions(facts, trail);
  if (settled) return settled;
  const { profile, cableLengthMm } = facts;
  const least = profile.barrier.minLengthM;
  trail.pass('Is the cable compact and round?', 'yes', TYPE, 'how long is it?');
  const long = `Is the cable at least ${least === undefined ? '?' : trimNumber(least, 2)} m long?`;
  if (least === undefined)
    return trail.ask(long, 'profile', 'the least length without a barrier', 'code profile');
  if (cableLengthMm === null) return trail.ask(long, 'length', 'the route length of the cable', SCHEDULE);
  const metres = trimNumber(cableLengthMm / 1000, 2);
  if (cableLengthMm >= least * 1000)
    return trail.end(
      long,
      `yes, ${metres} m`,
      SCHEDULE,
      'none',
      `Filled, compact and ${metres} m long: no barrier is called for.`,
    );
  const short = trimNumber(least - cableLengthMm / 1000, 2);
  return trail.end(
    long,
    `no, ${metres} m`,
    SCHEDULE,
    'barrier',
    `The cable is ${metres} m long, ${short} m short of ${trimNumber(least, 2)} m: barrier gland.`,
  );
}

/** Older rule: ignition source, gas group, zone, volume. */
function flow(facts: Facts, trail: Trail): BarrierTrail {
  const settled = zoneQuestions(facts, trail);
  if (settled) return settled;
  const { enclosure, profile } = facts;
  trail.pass('Is the cable compact and round?', 'yes', TYPE, 'is there an ignition source inside?');
  const source = 'Does the box hold a source of ignition?';
  if (enclosure.ignitionSource === undefined)
    return trail.ask(source, 'ignitionSource', `whether ${enclosure.tag} holds a source of ignition`, BOX);
  if (!enclosure.ignitionSource)
    return trail.end(
      source,
      'no',
      BOX,
      'none',
      'Nothing inside the box ignites: a flameproof gland with its sealing ring is enough.',
    );
  trail.pass(source, 'yes', BOX, 'which gas group?');
  const group = 'Is the gas of group IIC?';
  if (enclosure.gasGroup === null || enclosure.gasGroup === undefined)
    return trail.ask(group, 'gasGroup', `the gas group at ${enclosure.tag}`, BOX);
  if (enclosure.gasGroup === 'IIC')
    return trail.end(
      group,
      'yes',
      BOX,
      'barrier',
      'Group IIC with an ignition source inside: barrier gland.',
    );
  trail.pass(group, `no, ${enclosure.gasGroup}`, BOX, 'which zone?');
  const zone = 'Does the box stand in zone 1?';
  if (enclosure.zone === null || enclosure.zone === undefined)
    return trail.ask(zone, 'zone', `the zone of ${enclosure.tag}`, BOX);
  if (enclosure.zone !== 1 && enclosure.zone !== 0)
    return trail.end(
      zone,
      `no, zone ${enclosure.zone}`,
      BOX,
      'none',
      `Group ${enclosure.gasGroup} in zone ${enclosure.zone}: no barrier is called for.`,
    );
  trail.pass(zone, `yes, zone ${enclosure.zone}`, BOX, 'how large is the box?');
  const limit = profile.barrier.maxVolumeCm3;
  const volume = `Is its free volume above ${limit ?? '?'} cm³?`;
  if (limit === undefined)
    return trail.ask(volume, 'profile', 'the volume above which a barrier is called for', 'code profile');
  const has = `${enclosure.freeVolumeCm3} cm³`;
  return enclosure.freeVolumeCm3 > limit
    ? trail.end(
        volume,
        `yes, ${has}`,
        BOX,
        'barrier',
        `Zone 1, ignition source inside and ${has}, ${enclosure.freeVolumeCm3 - limit} cm³ above ${limit}: barrier gland.`,
      )
    : trail.end(
        volume,
        `no, ${has}`,
        BOX,
        'none',
        `The box has ${has}, not above ${limit}: no barrier is called for.`,
      );
}

const hasZone = ({ zone }: Pick<Enclosure, 'zone'>): boolean => zone !== null && zone !== undefined;

/**
 * Classes and divisions: the cable's listing comes before any fitting. In class I, division 1 every termination is sealed and no box may be a
 * plain one (NFPA 70, 501.15(D)); in division 2 the entry of an explosionproof box is.
 */
function division(facts: Facts, trail: Trail): BarrierTrail {
  const { enclosure, cableType } = facts;
  const { hazardClass } = enclosure;
  const classified = 'Is the place classified by class and division?';
  if (hazardClass === null && !hasZone(enclosure) && !isFlameproof(enclosure))
    return trail.end(classified, 'no', BOX, 'none', 'The place is not classified: no seal is called for.');
  if (hazardClass === null || hazardClass === undefined || enclosure.division === undefined)
    return trail.ask(classified, 'place', `the class and division of ${enclosure.tag}`, BOX);
  trail.pass(classified, placeWords({ ...enclosure, zone: null }), BOX, 'is the cable listed for it?');
  const listed = 'Is the cable listed for this place?';
  const listing = cableListed(facts);
  if (listing.verdict === 'unknown')
    return trail.ask(listed, 'listings', `what ${cableType.code} is listed for`, TYPE);
  if (listing.verdict === 'misfit')
    return trail.end(
      listed,
      `no: ${listing.has}`,
      TYPE,
      'refused',
      `Refused before any gland: ${listing.reason}.`,
    );
  trail.pass(listed, `yes: ${listing.has}`, TYPE, 'gas or dust?');
  const gas = 'Is the hazard a gas or vapour?';
  if (hazardClass !== 'I')
    return trail.end(
      gas,
      `no, class ${hazardClass}`,
      BOX,
      'none',
      'Dust and fibres do not travel through the cable under pressure: no seal is called for.',
    );
  trail.pass(gas, 'yes, class I', BOX, 'must the box hold an explosion?');
  const holds = 'Is the box explosionproof?';
  if (enclosure.division === 1) {
    const concept = enclosure.concept === 'none' ? 'industrial' : enclosure.concept;
    return isFlameproof(enclosure)
      ? trail.end(
          holds,
          'yes',
          BOX,
          'seal',
          'Class I, division 1: the cable is sealed with compound at every termination.',
        )
      : trail.end(
          holds,
          `no, it is ${concept}`,
          BOX,
          'refused',
          `Refused before any gland: class I, division 1 asks for an explosionproof box; ${enclosure.tag} is ${concept}.`,
        );
  }
  return isFlameproof(enclosure)
    ? trail.end(
        holds,
        'yes',
        BOX,
        'seal',
        `Class I, division ${enclosure.division}, explosionproof box: the entry is sealed with compound.`,
      )
    : trail.end(
        holds,
        'no',
        BOX,
        'none',
        'The box does not have to hold an explosion: no seal is called for at its entry.',
      );
}

/** No hazardous area: a classified box is refused. */
function industrial({ enclosure }: Facts, trail: Trail): BarrierTrail {
  const question = 'Is there an explosive atmosphere?';
  const classified = hasZone(enclosure) || typeof enclosure.hazardClass === 'string';
  if (!classified && enclosure.zone === undefined && enclosure.hazardClass === undefined)
    return trail.ask(question, 'zone', `whether ${enclosure.tag} stands in an explosive atmosphere`, BOX);
  return classified
    ? trail.end(
        question,
        `yes, ${placeWords(enclosure)}`,
        BOX,
        'refused',
        `${enclosure.tag} stands in ${placeWords(enclosure)}; this profile is for places without an explosive atmosphere. Take another profile.`,
      )
    : trail.end(question, 'no', BOX, 'none', 'No explosive atmosphere: no barrier is called for.');
}
