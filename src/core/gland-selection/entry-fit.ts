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
import { isFlameproof, type CableType, type CodeProfile, type Enclosure, type Entry } from '@/core/schedule';
import type { MissingField } from './barrier/trail';
import { certificateCovers, type Covered } from './certificate';
import { corrosionAnswer, singleCoreAnswer, type MetalAnswer } from './corrosion';
import { parallelJoint, type Joint } from './joint';
import { ACCESSORY_WORDS, pick, thicknessUm, underShoulder, washerFor, type Stack } from './under-shoulder';
import { verdictCode, worst, type Verdict } from './verdict';

/** How the threads of a way engage. */
interface Engagement {
  readonly engagement: Verdict;
  readonly engagementReason: string;
  readonly joints: readonly Joint[];
  /** Least axial engagement asked for, µm; null where none is. */
  readonly neededUm: number | null;
  readonly source: string;
}

/** A way into the entry, before its metals are looked at. */
interface Way extends Engagement {
  readonly adaptor: Adaptor | null;
  /** On the thread outside the wall, from the shoulder inwards. */
  readonly outside: readonly Accessory[];
  /** Under the gland's own shoulder, where an adaptor stands between it and the wall. */
  readonly between: readonly Accessory[];
  /** Inside the wall: serrated washer and locknut of a clearance hole. */
  readonly inside: readonly Accessory[];
  readonly thread: Verdict;
  readonly threadReason: string;
  /** Facts that the way waits for. */
  readonly asks: readonly MissingField[];
}

/** How a gland gets into an entry: directly or through one adaptor, with the parts that lie between and the metals that meet. */
export interface EntryFit extends Way {
  readonly corrosion: MetalAnswer;
  readonly singleCore: MetalAnswer;
}

interface Place {
  readonly cableType: CableType;
  readonly enclosure: Enclosure;
  readonly entry: Entry;
  readonly profile: CodeProfile;
}

interface Parts {
  readonly adaptors: readonly Adaptor[];
  readonly accessories: readonly Accessory[];
}

/** Sizes of one metal with the same entry thread go into an entry in the same way. */
export const entryKeyOf = (family: Family, entryKey: string): string => `${family.material} ${entryKey}`;

/** Tries the entry directly and through every single adaptor and returns the best way; ties go to no adaptor. */
export function fitEntry(place: Place, family: Family, size: Size, parts: Parts): EntryFit {
  const gland = size.entry.thread;
  const { entry, enclosure, profile } = place;
  const ways: EntryFit[] = [];
  const add = (way: Way) => {
    const metals = { gland: family.material, adaptor: way.adaptor?.material ?? null };
    ways.push({
      ...way,
      corrosion: corrosionAnswer(metals, place),
      singleCore: singleCoreAnswer(metals, place),
    });
  };
  if (entry.kind === 'clearance') add(throughHole(place, size, parts.accessories));
  else if (entry.thread && sameThread(entry.thread, gland)) add(direct(place, size, parts.accessories));
  for (const adaptor of entry.kind === 'threaded' ? parts.adaptors : []) {
    if (entry.thread === null || !sameThread(adaptor.male, entry.thread)) continue;
    if (!sameThread(adaptor.female, gland)) continue;
    const covered = certificateCovers(adaptor.certificate, enclosure, profile.system);
    if (covered.verdict !== 'misfit') add(throughAdaptor(place, size, adaptor, covered, parts.accessories));
  }
  const [first, ...others] = ways;
  if (first === undefined) {
    add(noWay(place, gland));
    return ways[0] as EntryFit;
  }
  return others.reduce((best, way) => (wayCode(way) < wayCode(best) ? way : best), first);
}

const wayCode = (way: EntryFit): number =>
  verdictCode(worst([way.thread, way.engagement, way.corrosion.verdict, way.singleCore.verdict]));

function noWay(place: Place, gland: Thread): Way {
  const there = place.entry.thread === null ? 'clearance hole' : threadName(place.entry.thread);
  return {
    adaptor: null,
    outside: [],
    between: [],
    inside: [],
    asks: [],
    thread: 'misfit',
    threadReason: `the entry is ${there}, the gland ${threadName(gland)}; no single certified adaptor in the catalogue joins them`,
    engagement: 'misfit',
    engagementReason: 'nothing engages: the threads differ',
    joints: [],
    neededUm: null,
    source: 'catalogue',
  };
}

/** One joint of a way, with what both sheets say of its tapered threads. */
interface PlannedJoint {
  readonly name: string;
  readonly thread: Thread;
  readonly male: {
    readonly lengthMm: number;
    readonly undercutMm: number;
    readonly turns: number | undefined;
  };
  readonly hole: {
    readonly lengthMm: number;
    readonly chamferMm: number;
    readonly turns: number | undefined;
  };
  readonly stack: Stack;
}

const entryHole = (entry: Entry): PlannedJoint['hole'] => ({
  lengthMm: entry.wallMm,
  chamferMm: entry.chamferMm,
  turns: entry.taperedTurns,
});

const glandMale = ({ entry }: Size): PlannedJoint['male'] => ({
  lengthMm: entry.lengthMm,
  undercutMm: entry.undercutMm,
  turns: entry.taperedTurns,
});

function direct(place: Place, size: Size, accessories: readonly Accessory[]): Way {
  const { thread } = size.entry;
  const stack = underShoulder(place.enclosure, thread, accessories);
  const joint = {
    name: 'gland in the entry',
    thread,
    male: glandMale(size),
    hole: entryHole(place.entry),
    stack,
  };
  return {
    adaptor: null,
    outside: stack.found,
    between: [],
    inside: [],
    asks: [],
    thread: 'fits',
    threadReason: `${threadName(thread)} straight into the entry`,
    ...engagementOf([joint], place),
  };
}

/** Both joints of an adaptor must comply, each with its own washer; the earth tag stands at the wall. */
function throughAdaptor(
  place: Place,
  size: Size,
  adaptor: Adaptor,
  covered: Covered,
  accessories: readonly Accessory[],
): Way {
  const stack = underShoulder(place.enclosure, adaptor.male, accessories);
  const between = washerFor(place.enclosure, adaptor.female, accessories);
  const joints: PlannedJoint[] = [
    {
      name: 'adaptor in the entry',
      thread: adaptor.male,
      male: { lengthMm: adaptor.maleLengthMm, undercutMm: 0, turns: adaptor.maleTaperedTurns },
      hole: entryHole(place.entry),
      stack,
    },
    {
      name: 'gland in the adaptor',
      thread: adaptor.female,
      male: glandMale(size),
      hole: {
        lengthMm: adaptor.femaleLengthMm,
        chamferMm: adaptor.femaleChamferMm,
        turns: adaptor.femaleTaperedTurns,
      },
      stack: between,
    },
  ];
  const way = `${threadName(size.entry.thread)} through adaptor ${adaptor.partNumber} into ${threadName(adaptor.male)}`;
  return {
    adaptor,
    outside: stack.found,
    between: between.found,
    inside: [],
    asks: covered.asks,
    thread: covered.verdict,
    threadReason:
      covered.verdict === 'fits' ? way : `${way}; whether its certificate covers the place is not known`,
    ...engagementOf(joints, place),
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

/**
 * All joints of a way together; the one with the least in hand speaks for them. Parallel threads by their geometry. Tapered threads engage as
 * the sheets of both parts say, never by their length: the smaller count holds, and a joint whose figure stands on neither is refused. An
 * accessory that is needed and not in the catalogue leaves the way unknown.
 */
function engagementOf(planned: readonly PlannedJoint[], { enclosure, profile }: Place): Engagement {
  const rule = engagementRule(enclosure, profile);
  const tapered = profile.taperedThreads;
  const neededFor = (thread: Thread): number =>
    thread.form === 'npt'
      ? Math.round(tapered.minTurns * toUm(thread.pitchMm))
      : Math.max(rule.minFullThreads * toUm(thread.pitchMm), rule.minAxialUm);
  const source = planned.some((p) => p.thread.form === 'npt') ? tapered.source : rule.source;
  const joints: Joint[] = [];
  for (const { name, thread, male, hole, stack } of planned) {
    if (thread.form === 'metric') {
      const parts = {
        maleUm: toUm(male.lengthMm),
        undercutUm: toUm(male.undercutMm),
        stackUm: thicknessUm(stack.found),
        wallUm: toUm(hole.lengthMm),
        chamferUm: toUm(hole.chamferMm),
      };
      joints.push(parallelJoint(name, parts, thread.pitchMm, neededFor(thread)));
      continue;
    }
    if (male.turns === undefined || hole.turns === undefined) {
      return {
        engagement: 'misfit',
        engagementReason: `a tapered thread engages as the sheets of both parts say; ${male.turns === undefined ? 'that of the male part' : 'that of the female part'} does not give it (${name}), so it is refused`,
        joints: [],
        neededUm: null,
        source: tapered.source,
      };
    }
    const turns = Math.min(male.turns, hole.turns);
    const engaged = Math.round(turns * toUm(thread.pitchMm));
    joints.push({
      name,
      engagedUm: engaged,
      fullThreads: Math.floor(turns),
      marginUm: engaged - neededFor(thread),
    });
  }
  const neededUm = Math.max(...planned.map((p) => neededFor(p.thread)));
  const at = joints.reduce((low, j, i) => (j.marginUm < (joints[low]?.marginUm ?? 0) ? i : low), 0);
  const weakest = joints[at];
  const thread = planned[at]?.thread;
  if (weakest === undefined || thread === undefined) throw new Error('a way has at least one joint');
  const short = weakest.marginUm < 0;
  const asked = neededFor(thread);
  const said =
    thread.form === 'npt'
      ? `${weakest.name}: ${weakest.fullThreads} threads wrench-tight, ${tapered.minTurns} asked for`
      : `${weakest.name}: ${weakest.fullThreads} full threads, ${mm(weakest.engagedUm)} mm; ${rule.minFullThreads} threads and ${mm(asked)} mm asked for`;
  const lacking = planned.find((p) => p.stack.missing !== null);
  if (!short && lacking?.stack.missing) {
    return {
      engagement: 'unknown',
      engagementReason: noAccessory(lacking.stack.missing, lacking.thread),
      joints,
      neededUm,
      source,
    };
  }
  return {
    engagement: short ? 'misfit' : 'fits',
    engagementReason: short ? `${said}: ${mm(-weakest.marginUm)} mm short` : said,
    joints,
    neededUm,
    source,
  };
}

const mm = (um: number): string => (um / 1000).toFixed(1);

const noAccessory = (kind: AccessoryKind, thread: Thread): string =>
  `the catalogue has no ${ACCESSORY_WORDS[kind]} for ${threadName(thread)}, so its thickness is not known`;

function throughHole(place: Place, size: Size, accessories: readonly Accessory[]): Way {
  const { enclosure, entry, profile } = place;
  const thread = size.entry.thread;
  const base = {
    adaptor: null,
    between: [],
    asks: [],
    neededUm: null,
    joints: [] as readonly Joint[],
    source: profile.clearanceHole.source,
  };
  const none = {
    ...base,
    outside: [],
    inside: [],
    engagement: 'misfit' as const,
    engagementReason: 'nothing engages in this hole',
  };
  if (isFlameproof(enclosure))
    return { ...none, thread: 'misfit', threadReason: 'a clearance hole is never a flameproof entry' };
  const major = majorDiameterMm(thread);
  if (major === null || entry.holeMm === null)
    return { ...none, thread: 'misfit', threadReason: 'a tapered thread does not hold in a clearance hole' };
  const slackUm = toUm(entry.holeMm) - toUm(major);
  const limitUm = toUm(profile.clearanceHole.maxClearanceMm);
  if (!(slackUm >= 0 && slackUm <= limitUm)) {
    const by = slackUm < 0 ? `${mm(-slackUm)} mm too small` : `${mm(slackUm - limitUm)} mm too wide`;
    return {
      ...none,
      thread: 'misfit',
      threadReason: `hole of ${entry.holeMm} mm for ${threadName(thread)}: ${by}`,
    };
  }
  const outside = underShoulder(enclosure, thread, accessories);
  const inside = pick(['serratedWasher', 'locknut'], thread, accessories);
  const threadReason = `${threadName(thread)} through the ${entry.holeMm} mm hole with a locknut`;
  const way = {
    ...base,
    outside: outside.found,
    inside: inside.found,
    thread: 'fits' as const,
    threadReason,
  };
  const missing = outside.missing ?? inside.missing;
  if (missing) return { ...way, engagement: 'unknown', engagementReason: noAccessory(missing, thread) };
  const lengthUm = toUm(size.entry.lengthMm) - toUm(size.entry.undercutMm);
  const neededUm = thicknessUm(outside.found) + toUm(entry.wallMm) + thicknessUm(inside.found);
  const marginUm = lengthUm - neededUm;
  const sums = `thread ${mm(lengthUm)} mm, washers, plate and locknut ${mm(neededUm)} mm`;
  return {
    ...way,
    engagement: marginUm < 0 ? 'misfit' : 'fits',
    engagementReason: marginUm < 0 ? `${sums}: ${mm(-marginUm)} mm short` : sums,
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
