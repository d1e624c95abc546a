import { toUm } from '@/core/kernel';
import {
  majorDiameterMm,
  sameThread,
  threadName,
  type Accessory,
  type AccessoryKind,
  type Adaptor,
  type Family,
  type Size,
  type Thread,
} from '@/core/catalogue';
import { isFlameproof, type CodeProfile, type Enclosure, type Entry } from '@/core/schedule';
import { certificateCovers } from './certificate';
import { verdictCode, worst, type Verdict } from './verdict';

/** One threaded joint: how much of the thread is really engaged, after washer, tag, chamfer and undercut. Lengths in µm. */
export interface Joint {
  readonly name: string;
  readonly engagedUm: number;
  readonly fullThreads: number;
  readonly marginUm: number;
}

/** How a gland gets into an entry: directly or through one adaptor, with the parts that lie between. */
export interface EntryFit {
  readonly adaptor: Adaptor | null;
  /** On the thread outside the wall, from the shoulder inwards. */
  readonly outside: readonly Accessory[];
  /** Inside the wall: serrated washer and locknut of a clearance hole. */
  readonly inside: readonly Accessory[];
  readonly thread: Verdict;
  readonly threadReason: string;
  readonly engagement: Verdict;
  readonly engagementReason: string;
  readonly joints: readonly Joint[];
  /** Least axial engagement asked for, µm; null where none is. */
  readonly neededUm: number | null;
  readonly source: string;
}

interface Place {
  readonly enclosure: Enclosure;
  readonly entry: Entry;
  readonly profile: CodeProfile;
}

/** A washer keeps the water out of a parallel thread from this second IP digit on. */
const WASHER_FROM_IP = 5;

export const needsWasher = (enclosure: Enclosure, thread: Thread): boolean =>
  thread.form === 'metric' && Number(enclosure.ip[1]) >= WASHER_FROM_IP;

/** Tries the entry directly and through every single adaptor and returns the best way; ties go to no adaptor. */
export function fitEntry(
  place: Place,
  family: Family,
  size: Size,
  parts: { readonly adaptors: readonly Adaptor[]; readonly accessories: readonly Accessory[] },
): EntryFit {
  const gland = size.entry.thread;
  const direct =
    place.entry.kind === 'clearance'
      ? throughHole(place, size, parts.accessories)
      : place.entry.thread !== null && sameThread(place.entry.thread, gland)
        ? intoThread(place, size, null, parts.accessories)
        : null;
  const ways = direct ? [direct] : [];
  for (const adaptor of parts.adaptors) {
    if (place.entry.kind !== 'threaded' || place.entry.thread === null) continue;
    if (!sameThread(adaptor.female, gland) || !sameThread(adaptor.male, place.entry.thread)) continue;
    if (!certificateCovers(adaptor.certificate, place.enclosure, place.profile.system)) continue;
    ways.push(intoThread(place, size, adaptor, parts.accessories));
  }
  const code = (way: EntryFit) => verdictCode(worst([way.thread, way.engagement]));
  ways.sort((a, b) => code(a) - code(b));
  return ways[0] ?? noWay(place, gland);
}

function noWay(place: Place, gland: Thread): EntryFit {
  const there = place.entry.thread === null ? 'clearance hole' : threadName(place.entry.thread);
  return {
    adaptor: null,
    outside: [],
    inside: [],
    thread: 'misfit',
    threadReason: `the entry is ${there}, the gland ${threadName(gland)}; no single certified adaptor in the catalogue joins them`,
    engagement: 'misfit',
    engagementReason: 'nothing engages: the threads differ',
    joints: [],
    neededUm: null,
    source: 'catalogue',
  };
}

/** Accessories under the shoulder, or the first that is needed and not in the catalogue. */
function underShoulder(place: Place, thread: Thread, accessories: readonly Accessory[]) {
  const kinds: AccessoryKind[] = [];
  if (needsWasher(place.enclosure, thread)) kinds.push('sealingWasher');
  if (!place.enclosure.wallEarthed) kinds.push('earthTag');
  return pick(kinds, thread, accessories);
}

function pick(kinds: readonly AccessoryKind[], thread: Thread, accessories: readonly Accessory[]) {
  const found: Accessory[] = [];
  for (const kind of kinds) {
    const accessory = accessories.find((a) => a.kind === kind && sameThread(a.thread, thread));
    if (!accessory) return { found, missing: kind };
    found.push(accessory);
  }
  return { found, missing: null };
}

const thicknessUm = (accessories: readonly Accessory[]): number =>
  accessories.reduce((sum, a) => sum + toUm(a.thicknessMm), 0);

export const ACCESSORY_WORDS: Readonly<Record<AccessoryKind, string>> = {
  sealingWasher: 'sealing washer',
  earthTag: 'earth tag',
  serratedWasher: 'serrated washer',
  locknut: 'locknut',
  blankingPlug: 'blanking plug',
};

function joint(name: string, maleUm: number, femaleUm: number, pitchMm: number, neededUm: number): Joint {
  const engagedUm = Math.max(0, Math.min(maleUm, femaleUm));
  return {
    name,
    engagedUm,
    fullThreads: Math.floor(engagedUm / toUm(pitchMm)),
    marginUm: engagedUm - neededUm,
  };
}

function intoThread(
  place: Place,
  size: Size,
  adaptor: Adaptor | null,
  accessories: readonly Accessory[],
): EntryFit {
  const { enclosure, entry, profile } = place;
  const entryThread = adaptor ? adaptor.male : size.entry.thread;
  const stack = underShoulder(place, entryThread, accessories);
  const threadReason = adaptor
    ? `${threadName(size.entry.thread)} through adaptor ${adaptor.partNumber} into ${threadName(adaptor.male)}`
    : `${threadName(size.entry.thread)} straight into the entry`;
  const base = { adaptor, outside: stack.found, inside: [], thread: 'fits' as Verdict, threadReason };
  const taperedGland = size.entry.thread.form === 'npt';
  if (entryThread.form === 'npt' || taperedGland)
    return { ...base, ...taperedJoints(place, size, adaptor, stack.found) };
  const rule = engagementRule(enclosure, profile);
  const neededFor = (pitchMm: number) => Math.max(rule.minFullThreads * toUm(pitchMm), rule.minAxialUm);
  const wallUm = toUm(entry.wallMm) - toUm(entry.chamferMm);
  const glandUm = toUm(size.entry.lengthMm) - toUm(size.entry.undercutMm);
  const stackUm = thicknessUm(stack.found);
  const neededUm = neededFor(entryThread.pitchMm);
  const joints: Joint[] = [];
  if (adaptor) {
    joints.push(
      joint(
        'adaptor in the entry',
        toUm(adaptor.maleLengthMm) - stackUm,
        wallUm,
        adaptor.male.pitchMm,
        neededUm,
      ),
    );
    const femaleUm = toUm(adaptor.femaleLengthMm) - toUm(adaptor.femaleChamferMm);
    joints.push(
      joint(
        'gland in the adaptor',
        glandUm,
        femaleUm,
        adaptor.female.pitchMm,
        neededFor(adaptor.female.pitchMm),
      ),
    );
  } else {
    joints.push(joint('gland in the entry', glandUm - stackUm, wallUm, entryThread.pitchMm, neededUm));
  }
  if (stack.missing) {
    return {
      ...base,
      engagement: 'unknown',
      engagementReason: `the catalogue has no ${ACCESSORY_WORDS[stack.missing]} for ${threadName(entryThread)}, so its thickness is not known`,
      joints,
      neededUm,
      source: rule.source,
    };
  }
  const worstJoint = joints.reduce((a, b) => (b.marginUm < a.marginUm ? b : a));
  const short = worstJoint.marginUm < 0;
  const engaged = `${worstJoint.name}: ${worstJoint.fullThreads} full threads, ${(worstJoint.engagedUm / 1000).toFixed(1)} mm`;
  const asked = `${rule.minFullThreads} threads and ${(neededUm / 1000).toFixed(1)} mm asked for`;
  return {
    ...base,
    engagement: short ? 'misfit' : 'fits',
    engagementReason: short
      ? `${engaged}; ${asked}: ${(-worstJoint.marginUm / 1000).toFixed(1)} mm short`
      : `${engaged}; ${asked}`,
    joints,
    neededUm,
    source: rule.source,
  };
}

/**
 * Tapered threads engage as the sheets of both parts say, never by their length: the smaller count holds. A joint whose figure stands on
 * neither sheet is refused. A parallel joint of a mixed adaptor is counted as any other.
 */
function taperedJoints(place: Place, size: Size, adaptor: Adaptor | null, outside: readonly Accessory[]) {
  const { enclosure, entry, profile } = place;
  const rule = engagementRule(enclosure, profile);
  const ways = adaptor
    ? [
        {
          name: 'adaptor in the entry',
          thread: adaptor.male,
          turns: [adaptor.maleTaperedTurns, entry.taperedTurns],
          maleUm: toUm(adaptor.maleLengthMm) - thicknessUm(outside),
          femaleUm: toUm(entry.wallMm) - toUm(entry.chamferMm),
        },
        {
          name: 'gland in the adaptor',
          thread: adaptor.female,
          turns: [size.entry.taperedTurns, adaptor.femaleTaperedTurns],
          maleUm: toUm(size.entry.lengthMm) - toUm(size.entry.undercutMm),
          femaleUm: toUm(adaptor.femaleLengthMm) - toUm(adaptor.femaleChamferMm),
        },
      ]
    : [
        {
          name: 'gland in the entry',
          thread: size.entry.thread,
          turns: [size.entry.taperedTurns, entry.taperedTurns],
          maleUm: 0,
          femaleUm: 0,
        },
      ];
  const neededUm = Math.max(...ways.map((w) => neededFor(w.thread)));
  function neededFor(thread: Thread): number {
    return thread.form === 'npt'
      ? Math.round(profile.taperedThreads.minTurns * toUm(thread.pitchMm))
      : Math.max(rule.minFullThreads * toUm(thread.pitchMm), rule.minAxialUm);
  }
  const joints: Joint[] = [];
  for (const way of ways) {
    if (way.thread.form === 'metric') {
      joints.push(joint(way.name, way.maleUm, way.femaleUm, way.thread.pitchMm, neededFor(way.thread)));
      continue;
    }
    const [male, female] = way.turns;
    if (male === undefined || female === undefined) {
      return {
        engagement: 'misfit' as Verdict,
        engagementReason: `a tapered thread engages as the sheets of both parts say; ${male === undefined ? 'that of the male part' : 'that of the female part'} does not give it (${way.name}), so it is refused`,
        joints: [],
        neededUm: null,
        source: profile.taperedThreads.source,
      };
    }
    const engagedUm = Math.round(Math.min(male, female) * toUm(way.thread.pitchMm));
    joints.push({
      name: way.name,
      engagedUm,
      fullThreads: Math.floor(Math.min(male, female)),
      marginUm: engagedUm - neededFor(way.thread),
    });
  }
  const worstJoint = joints.reduce((a, b) => (b.marginUm < a.marginUm ? b : a));
  const short = worstJoint.marginUm < 0;
  const said = `${worstJoint.name}: ${worstJoint.fullThreads} threads wrench-tight, ${profile.taperedThreads.minTurns} asked for`;
  return {
    engagement: (short ? 'misfit' : 'fits') as Verdict,
    engagementReason: short ? `${said}: ${(-worstJoint.marginUm / 1000).toFixed(1)} mm short` : said,
    joints,
    neededUm,
    source: profile.taperedThreads.source,
  };
}

function engagementRule(enclosure: Enclosure, profile: CodeProfile) {
  if (!isFlameproof(enclosure)) {
    return {
      minFullThreads: profile.otherThreads.minFullThreads,
      minAxialUm: 0,
      source: profile.otherThreads.source,
    };
  }
  const { minFullThreads, minAxial, source } = profile.flameproofThreads;
  const row =
    minAxial.find((r) => r.upToCm3 === null || enclosure.freeVolumeCm3 <= r.upToCm3) ??
    minAxial[minAxial.length - 1];
  return { minFullThreads, minAxialUm: toUm(row?.mm ?? 0), source };
}

function throughHole(place: Place, size: Size, accessories: readonly Accessory[]): EntryFit {
  const { enclosure, entry, profile } = place;
  const thread = size.entry.thread;
  const base = { adaptor: null, neededUm: null, joints: [] as Joint[], source: profile.clearanceHole.source };
  const none = {
    ...base,
    outside: [],
    inside: [],
    engagement: 'misfit' as Verdict,
    engagementReason: 'nothing engages in this hole',
  };
  if (isFlameproof(enclosure)) {
    return { ...none, thread: 'misfit', threadReason: 'a clearance hole is never a flameproof entry' };
  }
  const major = majorDiameterMm(thread);
  if (major === null || entry.holeMm === null) {
    return { ...none, thread: 'misfit', threadReason: 'a tapered thread does not hold in a clearance hole' };
  }
  const slackUm = toUm(entry.holeMm) - toUm(major);
  const limitUm = toUm(profile.clearanceHole.maxClearanceMm);
  if (slackUm < 0 || slackUm > limitUm) {
    const by =
      slackUm < 0
        ? `${(-slackUm / 1000).toFixed(1)} mm too small`
        : `${((slackUm - limitUm) / 1000).toFixed(1)} mm too wide`;
    return {
      ...none,
      thread: 'misfit',
      threadReason: `hole of ${entry.holeMm} mm for ${threadName(thread)}: ${by}`,
    };
  }
  const outside = underShoulder(place, thread, accessories);
  const inside = pick(['serratedWasher', 'locknut'], thread, accessories);
  const threadReason = `${threadName(thread)} through the ${entry.holeMm} mm hole with a locknut`;
  const parts = { outside: outside.found, inside: inside.found };
  const missing = outside.missing ?? inside.missing;
  if (missing) {
    return {
      ...base,
      ...parts,
      thread: 'fits',
      threadReason,
      engagement: 'unknown',
      engagementReason: `the catalogue has no ${ACCESSORY_WORDS[missing]} for ${threadName(thread)}`,
    };
  }
  const lengthUm = toUm(size.entry.lengthMm) - toUm(size.entry.undercutMm);
  const neededUm = thicknessUm(outside.found) + toUm(entry.wallMm) + thicknessUm(inside.found);
  const marginUm = lengthUm - neededUm;
  const sums = `thread ${(lengthUm / 1000).toFixed(1)} mm, washers, plate and locknut ${(neededUm / 1000).toFixed(1)} mm`;
  return {
    ...base,
    ...parts,
    thread: 'fits',
    threadReason,
    engagement: marginUm < 0 ? 'misfit' : 'fits',
    engagementReason: marginUm < 0 ? `${sums}: ${(-marginUm / 1000).toFixed(1)} mm short` : sums,
    neededUm,
    joints: [
      {
        name: 'locknut on the gland',
        engagedUm: lengthUm,
        fullThreads: Math.floor(lengthUm / toUm(thread.pitchMm)),
        marginUm,
      },
    ],
  };
}
