import { toUm, type NoFigures, type Said } from '@/core/kernel';
import type { AccessoryKind, Thread } from '@/core/catalogue';
import { isFlameproof, type CodeProfile, type Enclosure } from '@/core/schedule';
import { parallelJoint, type Joint, type JointName } from './joint';
import type { Source } from './source';
import { thicknessUm, type Stack } from './under-shoulder';
import type { Verdict } from './verdict';

/** How threads engage; `shortUm` is what is lacking, 0 where nothing is. */
export interface EngagementCases {
  threadsDiffer: NoFigures;
  notInHole: NoFigures;
  tapersUnsaid: { joint: JointName; part: 'male' | 'female' };
  tapered: { joint: JointName; threads: number; asked: number; shortUm: number };
  parallel: {
    joint: JointName;
    threads: number;
    engagedUm: number;
    asked: number;
    askedUm: number;
    shortUm: number;
  };
  noAccessory: { kind: AccessoryKind; thread: Thread };
  ownPart: NoFigures;
  throughPlate: { threadUm: number; stackUm: number; shortUm: number };
}
export type EngagementCase = Said<EngagementCases>;

/** How the threads of a way engage. */
export interface Engagement {
  readonly engagement: Verdict;
  readonly engagementCase: EngagementCase;
  readonly joints: readonly Joint[];
  /** Least axial engagement asked for, µm; null where none is. */
  readonly neededUm: number | null;
  readonly source: Source;
}

/** One joint of a way, with what both sheets say of its tapered threads. */
export interface PlannedJoint {
  readonly name: JointName;
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
export function engagementOf(
  planned: readonly PlannedJoint[],
  { enclosure, profile }: { readonly enclosure: Enclosure; readonly profile: CodeProfile },
): Engagement {
  const rule = engagementRule(enclosure, profile);
  const tapered = profile.taperedThreads;
  const neededFor = (thread: Thread): number =>
    thread.form === 'npt'
      ? Math.round(tapered.minTurns * toUm(thread.pitchMm))
      : Math.max(rule.minFullThreads * toUm(thread.pitchMm), rule.minAxialUm);
  const source: Source = {
    code: 'profile',
    text: planned.some((p) => p.thread.form === 'npt') ? tapered.source : rule.source,
  };
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
        engagementCase: {
          code: 'tapersUnsaid',
          joint: name,
          part: male.turns === undefined ? 'male' : 'female',
        },
        joints: [],
        neededUm: null,
        source: { code: 'profile', text: tapered.source },
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
  const shortUm = Math.max(0, -weakest.marginUm);
  const lacking = planned.find((p) => p.stack.missing !== null);
  if (shortUm === 0 && lacking?.stack.missing)
    return {
      engagement: 'unknown',
      engagementCase: { code: 'noAccessory', kind: lacking.stack.missing, thread: lacking.thread },
      joints,
      neededUm,
      source,
    };
  const engaged = { joint: weakest.name, threads: weakest.fullThreads, shortUm };
  return {
    engagement: shortUm > 0 ? 'misfit' : 'fits',
    engagementCase:
      thread.form === 'npt'
        ? { code: 'tapered', ...engaged, asked: tapered.minTurns }
        : {
            code: 'parallel',
            ...engaged,
            engagedUm: weakest.engagedUm,
            asked: rule.minFullThreads,
            askedUm: neededFor(thread),
          },
    joints,
    neededUm,
    source,
  };
}
