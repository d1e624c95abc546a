import { number, object, type InferType } from 'yup';
import { answerOf, facesFinding, finding, ratingFinding, type SealFinding } from './finding';
import type { PlugPlan } from './plan-schema';
import { facesSchema, intervalOf, MM, plugSheetSchema, ratingSchema, throughSchema } from './sheet';

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
  ratingKnown: ratingSchema,
})
  .noUnknown()
  .required();
export type PlugRequest = InferType<typeof plugRequestSchema>;

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
    facesFinding(faces),
    ratingFinding(request.ratingKnown),
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
      answer === 'refused' || plug === undefined
        ? []
        : [{ id: plug.id, kind: 'plug', count: 2, unit: 'piece' }],
  };
}
