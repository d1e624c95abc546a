import { toUm, type NoFigures, type Said } from '@/core/kernel';
import {
  majorDiameterMm,
  sameThread,
  type Accessory,
  type Adaptor,
  type Family,
  type Size,
  type Thread,
} from '@/core/catalogue';
import { isFlameproof, type CableType, type CodeProfile, type Enclosure, type Entry } from '@/core/schedule';
import type { MissingField } from './barrier/trail';
import { certificateCovers, type Covered } from './certificate';
import { corrosionAnswer, singleCoreAnswer, type MetalAnswer } from './corrosion';
import { engagementOf, type Engagement, type PlannedJoint } from './engagement';
import type { Joint } from './joint';
import { pick, thicknessUm, underShoulder, washerFor } from './under-shoulder';
import { verdictCode, worst, type Verdict } from './verdict';

/** Whether a gland's thread goes into the entry, and how. */
export interface ThreadCases {
  differs: { entry: Thread | null; gland: Thread };
  straight: { thread: Thread };
  adaptor: { gland: Thread; part: string; male: Thread; covered: boolean };
  clearanceNotFlameproof: NoFigures;
  taperedInHole: NoFigures;
  /** `byUm`: too wide where positive, too small where negative. */
  hole: { thread: Thread; holeMm: number; byUm: number };
  locknut: { thread: Thread; holeMm: number };
  /** A clamp that has come in its device. */
  ownPart: NoFigures;
}
export type ThreadCase = Said<ThreadCases>;

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
  readonly threadCase: ThreadCase;
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
  else if (entry.thread && sameThread(entry.thread, gland))
    add(isOwnPart(entry) ? OWN_PART : direct(place, size, parts.accessories));
  const adapted = entry.kind === 'threaded' && !isOwnPart(entry);
  for (const adaptor of adapted ? parts.adaptors : []) {
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
  return {
    adaptor: null,
    outside: [],
    between: [],
    inside: [],
    asks: [],
    thread: 'misfit',
    threadCase: { code: 'differs', entry: place.entry.thread, gland },
    engagement: 'misfit',
    engagementCase: { code: 'threadsDiffer' },
    joints: [],
    neededUm: null,
    source: { code: 'catalogue' },
  };
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

/** Is nothing screwed into it: a clamp has come with its device, a coupler mates, or a housing takes its own halves? */
const isOwnPart = ({ ownClamp, coupler, inLine }: Entry): boolean =>
  ownClamp === true || coupler === true || inLine !== undefined;

/** A clamp that belongs to the device has come in it: nothing is screwed in, and nothing lies under its shoulder. */
const OWN_PART: Way = {
  adaptor: null,
  outside: [],
  between: [],
  inside: [],
  asks: [],
  thread: 'fits',
  threadCase: { code: 'ownPart' },
  engagement: 'fits',
  engagementCase: { code: 'ownPart' },
  joints: [],
  neededUm: null,
  source: { code: 'catalogue' },
};

function direct(place: Place, size: Size, accessories: readonly Accessory[]): Way {
  const { thread } = size.entry;
  const stack = underShoulder(place.enclosure, thread, accessories);
  const joint: PlannedJoint = {
    name: 'glandInEntry',
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
    threadCase: { code: 'straight', thread },
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
      name: 'adaptorInEntry',
      thread: adaptor.male,
      male: { lengthMm: adaptor.maleLengthMm, undercutMm: 0, turns: adaptor.maleTaperedTurns },
      hole: entryHole(place.entry),
      stack,
    },
    {
      name: 'glandInAdaptor',
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
  return {
    adaptor,
    outside: stack.found,
    between: between.found,
    inside: [],
    asks: covered.asks,
    thread: covered.verdict,
    threadCase: {
      code: 'adaptor',
      gland: size.entry.thread,
      part: adaptor.partNumber,
      male: adaptor.male,
      covered: covered.verdict === 'fits',
    },
    ...engagementOf(joints, place),
  };
}

function throughHole(place: Place, size: Size, accessories: readonly Accessory[]): Way {
  const { enclosure, entry, profile } = place;
  const thread = size.entry.thread;
  const base = {
    adaptor: null,
    between: [],
    asks: [],
    neededUm: null,
    joints: [] as readonly Joint[],
    source: { code: 'profile', text: profile.clearanceHole.source } as const,
  };
  const none = (threadCase: ThreadCase): Way => ({
    ...base,
    outside: [],
    inside: [],
    thread: 'misfit',
    threadCase,
    engagement: 'misfit',
    engagementCase: { code: 'notInHole' },
  });
  if (isFlameproof(enclosure)) return none({ code: 'clearanceNotFlameproof' });
  const major = majorDiameterMm(thread);
  const { holeMm } = entry;
  if (major === null || holeMm === null) return none({ code: 'taperedInHole' });
  const slackUm = toUm(holeMm) - toUm(major);
  const limitUm = toUm(profile.clearanceHole.maxClearanceMm);
  if (!(slackUm >= 0 && slackUm <= limitUm))
    return none({ code: 'hole', thread, holeMm, byUm: slackUm < 0 ? slackUm : slackUm - limitUm });
  const outside = underShoulder(enclosure, thread, accessories);
  const inside = pick(['serratedWasher', 'locknut'], thread, accessories);
  const way = {
    ...base,
    outside: outside.found,
    inside: inside.found,
    thread: 'fits',
    threadCase: { code: 'locknut', thread, holeMm },
  } as const;
  const missing = outside.missing ?? inside.missing;
  if (missing)
    return { ...way, engagement: 'unknown', engagementCase: { code: 'noAccessory', kind: missing, thread } };
  const threadUm = toUm(size.entry.lengthMm) - toUm(size.entry.undercutMm);
  const stackUm = thicknessUm(outside.found) + toUm(entry.wallMm) + thicknessUm(inside.found);
  const marginUm = threadUm - stackUm;
  return {
    ...way,
    engagement: marginUm < 0 ? 'misfit' : 'fits',
    engagementCase: { code: 'throughPlate', threadUm, stackUm, shortUm: Math.max(0, -marginUm) },
    neededUm: stackUm,
    joints: [
      {
        name: 'locknutOnGland',
        engagedUm: threadUm,
        fullThreads: Math.floor(threadUm / toUm(thread.pitchMm)),
        marginUm,
      },
    ],
  };
}
