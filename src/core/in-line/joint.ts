import type { InLine } from '@/core/catalogue';
import { fail, ok, type Problem, type Result } from '@/core/kernel';
import { differences, pinMapWords, type JointHalf, type PinsPlan } from '@/core/pin-map';

/** What one half of a joint is planned as. */
export interface HalfPlan {
  readonly tag: string;
  readonly size: string;
  readonly family: { readonly code: string; readonly revision: string };
  /** Undefined where its own plan was refused. */
  readonly pins: PinsPlan | undefined;
  /** What it is planned by and nobody has measured. */
  readonly provisional: readonly string[];
  /** Why nothing may be cut for it. */
  readonly refused: readonly Problem[];
}

/** Two halves in their housing, settled. */
export interface Joint {
  /** The box that the housing is in the schedule. */
  readonly box: string;
  readonly housing: InLine['housing'];
  /** Tag of the end whose half goes into the housing first. */
  readonly first: string;
  readonly houseStage: string;
  readonly mateStage: string;
  /** Cores that go through, each with the position at which both halves have it. */
  readonly through: readonly { readonly core: string; readonly position: string }[];
}

export interface JointRequest {
  readonly box: string;
  readonly inLine: InLine;
  readonly mateStage: string;
  /** Which half `own` is. */
  readonly half: JointHalf;
  readonly own: HalfPlan;
  readonly other: HalfPlan;
}

const endOf = ({ tag, size, family }: HalfPlan, { positions, cores, map }: PinsPlan) => ({
  tag,
  insert: { code: size, sheet: family.code, positions },
  cores: [...cores],
  map: [...map],
});

/**
 * Two cable ends as one joint. Refused with every reason: a half that is not settled itself, halves of two sheets or two sizes (their inserts do not
 * mate), and each core that lies at another position on the other side.
 */
export function planJoint({ box, inLine, mateStage, half, own, other }: JointRequest): Result<Joint> {
  const problems: Problem[] = other.refused.map(({ message, ...rest }) => ({
    ...rest,
    message: `${other.tag}: ${message}`,
  }));
  const say = (path: string, message: string) => problems.push({ path, message });
  if (other.provisional.length > 0)
    say('measured', `${other.tag} is planned provisionally only: ${other.provisional.join('; ')}`);
  if (own.family.code !== other.family.code)
    say(
      'family',
      `${own.tag} is by ${own.family.code}, ${other.tag} by ${other.family.code}: they do not mate`,
    );
  else if (own.family.revision !== other.family.revision)
    say(
      'family',
      `${own.tag} stands on revision ${own.family.revision} of ${own.family.code}, ${other.tag} on ${other.family.revision}: make both by one`,
    );
  else if (own.size !== other.size)
    say('size', `${own.tag} is ${own.size}, ${other.tag} is ${other.size}: their inserts do not mate`);
  if (own.pins === undefined || other.pins === undefined) return fail(problems);
  if (problems.length === 0)
    for (const finding of differences(endOf(own, own.pins), endOf(other, other.pins)))
      say('pins', `${pinMapWords(finding)}: one of the two pin maps is to be changed`);
  if (problems.length > 0) return fail(problems);
  return ok({
    box,
    housing: inLine.housing,
    first: inLine.housedFirst === half ? own.tag : other.tag,
    houseStage: inLine.houseStage,
    mateStage,
    through: own.pins.map.map(({ core, position }) => ({ core, position })),
  });
}
