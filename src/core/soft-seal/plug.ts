import { boolean, number, object, type InferType } from 'yup';
import { answerOf, finding, type SealFinding, type SealPart, type SealStep } from './finding';
import { facesSchema, intervalOf, MM, plugSheetSchema, throughSchema } from './sheet';

export const plugRequestSchema = object({
  sheet: plugSheetSchema,
  bore: intervalOf(),
  cable: throughSchema,
  /** Out of square at most, degrees; not known when left out. */
  angleDeg: number().min(0).max(90).optional(),
  /** Out of the middle at most; not known when left out. */
  offsetMm: number().min(0).max(2000).optional(),
  depthMm: MM().required(),
  faces: facesSchema,
  /** Is the rating of the wall known, and that of the plug as high? */
  ratingKnown: boolean().optional(),
})
  .noUnknown()
  .required();
export type PlugRequest = InferType<typeof plugRequestSchema>;

export interface PlugPlan {
  readonly answer: 'closes' | 'refused' | 'ask';
  readonly plug: string | null;
  /** Gap between cable and bore all round, mm, whatever both measure. */
  readonly annulus: { readonly min: number; readonly max: number };
  readonly findings: readonly SealFinding[];
  /** What takes the same cable where a plug does not. */
  readonly instead: 'sleeve' | null;
  readonly parts: readonly SealPart[];
  readonly steps: readonly SealStep[];
}

/**
 * A plug in two halves round one cable, on each face: only where the cable is straight, in the middle, and the gap round it lies wholly in what the
 * plug closes. What nobody has said is asked for; a plug that cannot be used has the packed sleeve in its place.
 */
export function planPlug(request: PlugRequest): PlugPlan {
  const { sheet, bore, cable, angleDeg, offsetMm, depthMm, faces } = request;
  const annulus = {
    min: (bore.min - cable.diameter.max) / 2,
    max: (bore.max - cable.diameter.min) / 2,
  };
  const plug = sheet.plugs.find(
    (p) =>
      p.bore.min <= bore.min &&
      bore.max <= p.bore.max &&
      p.annulus.min <= annulus.min &&
      annulus.max <= p.annulus.max,
  );
  const findings: SealFinding[] = [
    plug === undefined
      ? finding('fails', 'noPlug', { annulusMin: annulus.min, annulusMax: annulus.max })
      : finding('holds', 'annulus', {
          min: annulus.min,
          max: annulus.max,
          from: plug.annulus.min,
          to: plug.annulus.max,
        }),
    angleDeg === undefined
      ? finding('ask', 'askAngle', { most: sheet.maxAngleDeg })
      : finding(angleDeg <= sheet.maxAngleDeg ? 'holds' : 'fails', 'angle', {
          deg: angleDeg,
          most: sheet.maxAngleDeg,
        }),
    offsetMm === undefined
      ? finding('ask', 'askOffset', { most: sheet.maxOffsetMm })
      : finding(offsetMm <= sheet.maxOffsetMm ? 'holds' : 'fails', 'offset', {
          mm: offsetMm,
          most: sheet.maxOffsetMm,
        }),
    faces === undefined
      ? finding('ask', 'askFaces', {})
      : finding(faces === 2 ? 'holds' : 'fails', 'bothFaces', { reachable: faces }),
    ...(request.ratingKnown === true ? [] : [finding('ask', 'rating', {})]),
    ...(plug === undefined
      ? []
      : [
          finding(2 * plug.lengthMm <= depthMm ? 'holds' : 'fails', 'bothPlugs', {
            need: 2 * plug.lengthMm,
            depth: depthMm,
          }),
        ]),
  ];
  const answer = answerOf(findings);
  return {
    answer,
    plug: plug?.id ?? null,
    annulus,
    findings,
    instead: answer === 'refused' ? 'sleeve' : null,
    parts:
      answer === 'refused' || plug === undefined ? [] : [{ id: plug.id, name: 'plug, two halves', count: 2 }],
    steps: answer === 'closes' ? STEPS : [],
  };
}

const step = (title: string, detail: string, hold = false): SealStep => ({ title, detail, hold });

const STEPS: readonly SealStep[] = [
  step('Deburr the bore', 'Both edges are round to the finger, and the bore is clean and dry.', true),
  step(
    'Lubricate',
    'Plug and bore, thin and all round, with what the sheet names. Nothing on the cable’s outside beyond.',
  ),
  step('First face: both halves by hand', 'Round the cable, seams closed, started square into the bore.'),
  step('First face: drive it in', 'Square, with a block across both halves, until the shoulder is flush.'),
  step('Second face: both halves by hand', 'As the first.'),
  step(
    'Second face: let the air out',
    'Between two plugs air is trapped: it is let out beside the cable before the plug is home.',
    true,
  ),
  step('Second face: drive it in', 'Square, until the shoulder is flush and stays.'),
  step(
    'Look at both faces',
    'Seams closed, no gap to the cable or the bore, the cable still in the middle.',
    true,
  ),
];
