import { QUANTITY_WORDS } from '@/core/cable-measurement';
import {
  ARMOUR_WORDS,
  CONSTRUCTION_WORDS,
  MATERIAL_WORDS,
  PURPOSE_WORDS,
  threadName,
} from '@/core/catalogue';
import { fromUm, worded, type Wording } from '@/core/kernel';
import { placeWords } from '@/core/schedule';
import { trimNumber } from '@/core/units';
import { CLASS_LIMIT_C } from '../certificate';
import type { AbsentPart, FindingCase, FindingCases } from '../finding-case';
import type { Finding } from '../finding';
import type { RangeNames } from '../size-facts';
import type { Sources } from '../source';
import { conclusionWords } from './barrier-words';
import { ENGAGEMENTS, THREADS } from './entry-words';
import type { FoundWords } from './found-words';
import { LISTING_FOUND } from './listing-words';
import { METALS } from './metal-words';
import { certifiedWords, groupsOf } from './place-words';
import {
  conceptWords,
  END_STOP_WORDS,
  OUTCOME_WORDS,
  percent,
  rangeWords,
  spanWords,
  tenths,
} from './small-words';

const ABSENT: Readonly<Record<AbsentPart, string>> = {
  armour: 'the cable has no armour',
  outerSeal: 'no outer seal in this family',
  innerSeal: 'no inner seal in this family',
  endStop: 'no end stop in this family',
  chamber: 'no compound chamber in this family',
  freeArea: 'the sheet asks for no free area',
};

/** What has a range, and what of the cable lies in it. */
const RANGES: Wording<RangeNames, { readonly what: string; readonly thing: string }> = {
  outerSeal: () => ({ what: 'outer seal', thing: 'outer sheath' }),
  innerSeal: () => ({ what: 'inner seal', thing: 'inner sheath' }),
  chamber: () => ({ what: 'chamber', thing: 'laid-up cores' }),
  endStop: ({ on }) => ({ what: 'end stop', thing: on === 'cable' ? 'cable' : 'outer sheath' }),
  ring: ({ face, ring, clad }) => {
    const what = face === 'plain' ? 'ring' : `${face} groove`;
    return {
      what: ring === null ? what : `${what} of ring ${ring}`,
      thing: clad ? 'cable over its armour' : 'armour',
    };
  },
};

const NOT_MEASURED = 'not measured';

const FOUND: Wording<FindingCases, FoundWords> = {
  ...LISTING_FOUND,
  absent: ({ part }) => ({ takes: 'none', has: '–', reason: ABSENT[part] }),
  construction: ({ family, accepts, armour, refusal, madeFor, made }) => {
    const has = made === null ? ARMOUR_WORDS[armour] : CONSTRUCTION_WORDS[made];
    const reasons = {
      construction:
        madeFor === null
          ? `${family} does not take a cable that is ${has}`
          : `${family} takes only cable that is ${CONSTRUCTION_WORDS[madeFor]}`,
      armour: `${family} does not take ${has}`,
      noJacket: 'the outer seal needs a jacket over the armour',
      gasPath: `${family} does not take a cable with a gas path between its cores`,
    };
    return {
      takes: madeFor === null ? accepts.map((a) => ARMOUR_WORDS[a]).join(', ') : CONSTRUCTION_WORDS[madeFor],
      has,
      reason: refusal === null ? `takes ${has}` : reasons[refusal],
    };
  },
  coldFlow: ({ followsCreep, creeps }) => ({
    takes: followsCreep ? 'creeping sheath too' : 'firm sheath',
    has: creeps ? 'creeps' : 'firm',
    reason: !creeps
      ? 'the sheath does not creep'
      : followsCreep
        ? 'the inner seal follows a sheath that creeps'
        : 'the sheath creeps under pressure, and the inner seal would lose its grip; take a diaphragm',
  }),
  filling: ({ outcome, purpose, fits, conclusion }) => {
    const said = conclusionWords(conclusion);
    const has = OUTCOME_WORDS[outcome];
    const takes = PURPOSE_WORDS[purpose];
    const refused = !fits && outcome !== 'refused';
    return { takes, has, reason: refused ? `${has} called for; this is a ${takes}. ${said}` : said };
  },
  notMeasured: ({ name, range }) => {
    const { what, thing } = worded(RANGES, name);
    return {
      takes: rangeWords(range),
      has: NOT_MEASURED,
      reason: `${thing} is not measured: ${what} cannot be judged`,
    };
  },
  inRange: ({ name, range, interval, marginUm, certain, over }) => {
    const { what, thing } = worded(RANGES, name);
    const takes = rangeWords(range);
    const has = spanWords(interval);
    const by = trimNumber(fromUm(Math.abs(marginUm)), 2);
    const way = over ? 'over' : 'under';
    const end =
      marginUm >= 0
        ? `${by} mm inside`
        : certain
          ? `${by} mm ${way}`
          : `at worst ${by} mm ${way}, measure again`;
    return { takes, has, reason: `${what} takes ${takes}, your ${thing} is ${has}: ${end}` };
  },
  noInnerSheath: () => ({
    takes: 'inner sheath',
    has: 'none',
    reason: 'this family seals on the inner sheath, and the cable has none',
  }),
  clampsNoArmour: ({ armour }) => ({
    takes: 'none',
    has: ARMOUR_WORDS[armour],
    reason: 'this family clamps no armour',
  }),
  noFaceFor: ({ armour }) => ({
    takes: 'none',
    has: ARMOUR_WORDS[armour],
    reason: `no face of the ring takes ${ARMOUR_WORDS[armour]}`,
  }),
  ovality: ({ thing, seen, limit, exceeds }) => {
    const what = QUANTITY_WORDS[thing];
    const most = percent(limit, 1);
    const has = seen === null ? 'not seen' : percent(seen, 1);
    const reasons = {
      no:
        seen === null
          ? `no caliper readings of two diameters of the ${what}; the allowance is in the interval`
          : `${what} oval by ${has}`,
      flameproof: `${what} oval by ${has}, a flameproof seal of this family takes ${most}: ${percent((seen ?? 0) - limit, 1)} over`,
      elsewhere: `${what} oval by ${has}, above the sheet’s ${most}; not a flameproof seal here, but look at it`,
    };
    return { takes: `up to ${most}`, has, reason: reasons[exceeds] };
  },
  endStop: ({ rule, thing, stays, interval, again }) => {
    const what = QUANTITY_WORDS[thing];
    const takes = stays === null ? 'no figure on the sheet' : `stays for ${rangeWords(stays)}`;
    if (interval === null)
      return {
        takes,
        has: NOT_MEASURED,
        reason: `${what} is not measured: whether the end stop stays cannot be said`,
      };
    const has = spanWords(interval);
    const words = `${END_STOP_WORDS[rule]}${again ? ': measure again' : ''}`;
    return { takes, has, reason: `${words}: it ${takes}, your ${what} is ${has}` };
  },
  potCores: ({ takes, cores }) => ({
    takes: takes.join(', '),
    has: String(cores),
    reason: takes.includes(cores)
      ? `the pot takes ${cores} conductors`
      : `the pot takes ${takes.join(', ')} conductors, your cable has ${cores}`,
  }),
  coreCount: ({ most, cores }) => ({
    takes: `up to ${most}`,
    has: String(cores),
    reason:
      cores > most
        ? `chamber takes up to ${most} cores, your cable has ${cores}: ${cores - most} too many`
        : `${cores} of up to ${most} cores`,
  }),
  freeArea: ({ leastShare, boreMm, cores, core }) => {
    const takes = `at least ${percent(leastShare, 0)} free`;
    if (core === null)
      return {
        takes,
        has: NOT_MEASURED,
        reason: 'one core is not measured: the room left for compound cannot be said',
      };
    const has = `${percent(Math.max(0, core.freeShare), 0)} free`;
    return {
      takes,
      has,
      reason: `${takes} in the ${trimNumber(boreMm, 1)} mm chamber, ${cores} cores of ${trimNumber(core.mm, 2)} mm leave ${has}`,
    };
  },
  compound: ({ limits, cores }) => {
    const allowed = limits.filter((c) => cores <= c.upTo);
    const not = limits
      .filter((c) => cores > c.upTo)
      .map((c) => `${c.kind} only up to ${c.upTo} cores`)
      .join(', ');
    const products = allowed.map((c) => c.product).join(' or ');
    return {
      takes: limits.map((c) => `${c.kind} up to ${c.upTo}`).join(', '),
      has: `${cores} cores`,
      reason:
        allowed.length === 0
          ? `no approved compound for ${cores} cores: ${not}`
          : [products, not].filter((w) => w !== '').join('; '),
    };
  },
  entryThread: ({ gland, entry, holeMm, way }) => ({
    takes: threadName(gland),
    has: entry === null ? `hole ${holeMm ?? '?'} mm` : threadName(entry),
    reason: worded(THREADS, way),
  }),
  engagement: ({ neededUm, weakest, way }) => ({
    takes: neededUm === null ? '–' : `${tenths(neededUm)} mm`,
    has: weakest === null ? '–' : `${weakest.fullThreads} threads, ${tenths(weakest.engagedUm)} mm`,
    reason: worded(ENGAGEMENTS, way),
  }),
  concept: ({ verdict, certificate, enclosure, system, foreign }) => {
    const takes = certifiedWords(certificate, system);
    const has = `${conceptWords(enclosure.concept)}, ${placeWords(enclosure)}`;
    const reasons = {
      fits: `certified for ${has}`,
      unknown: `certified for ${takes}; the place of ${enclosure.tag} is not known`,
      misfit: foreign
        ? `this profile judges by class and division; the box is only given as ${has}`
        : `certified for ${takes}; the box is ${has}`,
    };
    return { takes, has, reason: reasons[verdict] };
  },
  group: ({ verdict, certificate, enclosure, system }) => {
    const { takes, has } = groupsOf(certificate, enclosure, system);
    const reasons = {
      fits: `${takes} covers ${has}`,
      unknown: `certified for ${takes}; the group at ${enclosure.tag} is not known`,
      misfit: `certified for ${takes}; the place is ${has}`,
    };
    return { takes, has, reason: reasons[verdict] };
  },
  ip: ({ tested, asked, covers }) => {
    const takes = tested.map((code) => `IP${code}`).join(', ');
    const has = `IP${asked}`;
    const reason = covers
      ? `${takes} covers ${has}`
      : `tested to ${takes}; the box asks for ${has}, and jets and immersion are different tests`;
    return { takes, has, reason };
  },
  temperature: ({ serves, sees, marginC }) => {
    const takes = `${serves[0]} to ${serves[1]} °C`;
    const has = `${sees[0]} to ${sees[1]} °C`;
    return {
      takes,
      has,
      reason:
        marginC >= 0
          ? `${marginC} °C in hand`
          : `seals serve ${takes}; the entry sees ${has}: ${-marginC} °C out`,
    };
  },
  temperatureClass: ({ classified, named, limitC, entryMaxC }) => {
    const has = `${entryMaxC} °C at the entry`;
    if (!classified) return { takes: 'any', has, reason: 'nothing there that heat could ignite' };
    if (named === null || limitC === null) {
      const cool = entryMaxC <= CLASS_LIMIT_C.T6;
      return {
        takes: cool ? `T6, ${CLASS_LIMIT_C.T6} °C` : 'class not known',
        has,
        reason: cool
          ? 'cool enough for the strictest class'
          : `${has} is above what T6 allows (${CLASS_LIMIT_C.T6} °C), and the class of the place is not known`,
      };
    }
    const room = limitC - entryMaxC;
    return {
      takes: `${named}, ${limitC} °C`,
      has,
      reason:
        room >= 0
          ? `${room} °C below what ${named} allows`
          : `${named} allows ${limitC} °C; the entry gets ${entryMaxC} °C: ${-room} °C too hot`,
    };
  },
  corrosion: ({ gland, meets, way }) => {
    const metal = MATERIAL_WORDS[gland];
    const has = meets.map((m) => MATERIAL_WORDS[m]).join(', ');
    const said = worded(METALS, way);
    return { takes: metal, has, reason: way.code === 'allowed' ? `${metal} against ${has}: ${said}` : said };
  },
  singleCore: ({ cores, ac, way }) => {
    const circuit = ac === null ? 'circuit not known' : ac ? 'AC' : 'not AC';
    return {
      takes: 'no magnetic ring round one phase',
      has: cores > 1 ? 'several cores' : `single core, ${circuit}`,
      reason: worded(METALS, way),
    };
  },
};

const SOURCE: Wording<Sources> = {
  sheet: ({ title, revision }) => `${title}, revision ${revision}`,
  profile: ({ text }) => text,
  sheetsOfBoth: () => 'sheets of gland and box',
  catalogue: () => 'catalogue',
  ingress: ({ title, revision }) => `IEC 60529; ${title}, revision ${revision}`,
};

/** What is there, as a finding saw it: “24.3–24.9 mm”. */
export const hasWords = (found: FindingCase): string => worded(FOUND, found).has;

/** Why a finding comes to what it does. */
export const reasonWords = (found: FindingCase): string => worded(FOUND, found).reason;

/** A finding in words. */
export interface FindingView extends Omit<Finding, 'case' | 'source'>, FoundWords {
  readonly code: FindingCase['code'];
  readonly source: string;
}

export const findingView = ({ case: found, source, ...rest }: Finding): FindingView => ({
  ...rest,
  code: found.code,
  ...worded(FOUND, found),
  source: worded(SOURCE, source),
});
