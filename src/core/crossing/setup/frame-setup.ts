import { array, number, object, string, type InferType } from 'yup';
import { frameOffer, type FrameSheet } from '@/core/catalogue';
import { BUILDING_SCHOOLS } from '@/core/frame-building';
import { foldCircuits, strangeCircuitsOf, type FrameRequest } from '@/core/frame-packing';
import { fail, hashOf, ok, type Problem, type Result } from '@/core/kernel';
import { memberFields, placeFields, sheetNameSchema, type KnownDiameter } from './member';

export const APART_BY = ['row', 'opening'] as const;

/** One cable through the frame, with the tray positions that it comes from. */
const memberSchema = object({
  ...memberFields,
  front: number().integer().min(0).max(100_000).optional(),
  back: number().integer().min(0).max(100_000).optional(),
})
  .noUnknown()
  .required();

/** What a crossing in frames is planned from. Frames are named by their id on the sheet. */
export const frameSetupSchema = object({
  kind: string()
    .oneOf(['frames'] as const)
    .required(),
  ...placeFields,
  members: array().of(memberSchema).max(5000).required(),
  apart: array()
    .of(
      object({
        a: string().min(1).max(40).required(),
        b: string().min(1).max(40).required(),
        by: string().oneOf(APART_BY).required(),
      })
        .noUnknown()
        .required(),
    )
    .max(20)
    .required(),
  spareShare: number().min(0).max(1).required(),
  /** Cables whose places stay when it is planned again. */
  locked: array().of(string().min(1).max(40).required()).max(5000).optional(),
  /** How it is built; cables first where nothing is said. */
  school: string().oneOf(BUILDING_SCHOOLS).optional(),
  /** Where the press unit is wanted, in frames whose sheet leaves the choice. */
  press: string()
    .oneOf(['top', 'bottom'] as const)
    .optional(),
  sheet: sheetNameSchema,
  frames: array()
    .of(string().min(1).max(40).required())
    .min(1, 'allow at least one frame')
    .max(60)
    .required(),
})
  .noUnknown()
  .required();

export type FrameSetup = InferType<typeof frameSetupSchema>;
export type FrameMember = FrameSetup['members'][number];

export interface CrossingRequest {
  readonly request: FrameRequest;
  /** Why a plan from it is provisional, cable by cable. */
  readonly provisional: readonly string[];
  /** Circuits that no rule names, where there are rules: meant so, or a slip of the pen. */
  readonly unruled: readonly string[];
  /** Cables that cannot be planned, each with the reason. */
  readonly missing: readonly { readonly tag: string; readonly reason: string }[];
}

/** The request of the planner for a crossing. Nothing is guessed: a cable without a diameter is named and left out. */
export function crossingRequest(
  setup: FrameSetup,
  known: ReadonlyMap<string, KnownDiameter>,
  sheet: FrameSheet,
): Result<CrossingRequest> {
  const problems: Problem[] = [];
  const tags = setup.members.map((m) => m.tag);
  const first = new Map<string, number>();
  tags.forEach((tag, i) => {
    if (first.has(tag)) problems.push({ path: `members[${i}].tag`, message: 'stands twice', value: tag });
    else first.set(tag, i);
  });
  setup.apart.forEach((rule, i) => {
    if (rule.a.trim().toLowerCase() === rule.b.trim().toLowerCase())
      problems.push({
        path: `apart[${i}]`,
        message: 'a circuit cannot be kept apart from itself',
        value: rule.a,
      });
  });
  setup.frames.forEach((id, i) => {
    if (!sheet.frames.some((f) => f.id === id))
      problems.push({
        path: `frames[${i}]`,
        message: `is not on sheet ${sheet.code} revision ${sheet.sheet.revision}`,
        value: id,
      });
  });
  if (problems.length > 0) return fail(problems);
  const provisional: string[] = [];
  const missing: { tag: string; reason: string }[] = [];
  const cables = setup.members.flatMap((m) => {
    const fromSchedule = known.get(m.tag);
    const diameter = m.diameter ?? fromSchedule?.interval;
    if (!diameter) {
      missing.push({ tag: m.tag, reason: 'its outer sheath is not measured' });
      return [];
    }
    if (!m.diameter && fromSchedule?.nominal) provisional.push(`${m.tag} is known from its datasheet only`);
    return [
      {
        tag: m.tag,
        diameter: { min: diameter.min, max: diameter.max },
        ...(m.circuit ? { circuit: m.circuit } : {}),
        ...(m.front === undefined ? {} : { front: m.front }),
        ...(m.back === undefined ? {} : { back: m.back }),
      },
    ];
  });
  const asked: FrameRequest = {
    cables,
    ...wantedPress(frameOffer(sheet, setup.frames), setup.press),
    apart: setup.apart.map(({ a, b, by }) => ({ circuits: [a, b], by })),
    spare: { share: setup.spareShare },
  };
  return ok({ request: foldCircuits(asked), provisional, missing, unruled: strangeCircuitsOf(asked) });
}

/** The offer with the press unit only where it is wanted. A frame that does not have that place keeps those it has. */
function wantedPress(
  offer: ReturnType<typeof frameOffer>,
  press: FrameSetup['press'],
): ReturnType<typeof frameOffer> {
  if (press === undefined) return offer;
  const frames = offer.frames.map((frame) => ({
    ...frame,
    openings: frame.openings.map((o) =>
      o.press.at.includes(press) ? { ...o, press: { ...o.press, at: [press] } } : o,
    ),
  }));
  return { ...offer, frames };
}

/**
 * Tells requests apart: a plan is stale when the request it was made from is no longer today's. Part numbers, bolts and lubricant do not count:
 * no place hangs on them.
 */
export const requestHash = ({ lubricant: _l, sheet: _s, frames, ...request }: FrameRequest): string =>
  hashOf({
    ...request,
    frames: frames.map((frame) => ({
      ...frame,
      openings: frame.openings.map(({ plateId: _p, press, fillers, ...opening }) => ({
        ...opening,
        press: { min: press.min, max: press.max, at: press.at },
        fillers: fillers.map(({ thickness, max }) => ({ thickness, max })),
      })),
    })),
  });
