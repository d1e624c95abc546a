import { boolean, number, object, string, type InferType } from 'yup';
import { conductorOhm, ohmLimits, pathSchema } from './conductor';
import { answerOfTest, deadFinding, found, type TestAnswer, type TestFinding } from './finding';
import { againstLimit } from './resistance';

/** A connection that carries a fault is measured with no less than this, mA: less than it finds its way through a single strand (IEC 61557-4). */
export const LEAST_MA = 200;

/** The armour, or a core that earths, from one end to the other. */
export const earthPathRequestSchema = object({
  of: string().trim().min(1).max(40).required(),
  provedDead: boolean().optional(),
  /** Nothing yet: not measured. */
  ohm: number().min(0).max(1e6).optional(),
  uncertaintyOhm: number().min(0).max(1e6).required(),
  /** What flowed while it was measured. */
  mA: number().min(0).max(100_000).optional(),
  /** Were the leads taken off the reading? */
  leadsNulled: boolean().optional(),
  path: pathSchema,
})
  .noUnknown()
  .required();
export type EarthPathRequest = InferType<typeof earthPathRequestSchema>;

export interface EarthPathPlan {
  readonly answer: TestAnswer;
  readonly findings: readonly TestFinding[];
  /** What its figures give, and the most that it may have, Ω. */
  readonly expectedOhm: number;
  readonly mostOhm: number;
}

/** Does armour or earth carry a fault from end to end? A resistance against its limit, not a beep. */
export function planEarthPath(request: EarthPathRequest): EarthPathPlan {
  const { of, ohm, mA, leadsNulled, path, uncertaintyOhm } = request;
  const limits = ohmLimits(path);
  const findings: TestFinding[] = [
    deadFinding(request.provedDead),
    mA === undefined
      ? found('ask', 'askCurrent', { least: LEAST_MA })
      : found(mA >= LEAST_MA ? 'holds' : 'fails', 'current', { mA, least: LEAST_MA }),
    leadsNulled === undefined
      ? found('ask', 'askNulled', {})
      : leadsNulled
        ? found('holds', 'nulled', {})
        : found('ask', 'notNulled', {}),
    ...(ohm === undefined
      ? [found('ask', 'askReading', { of })]
      : againstLimit(of, ohm, uncertaintyOhm, limits)),
  ];
  return {
    answer: answerOfTest(findings),
    findings,
    expectedOhm: conductorOhm(path, path.lengthM.min),
    mostOhm: limits.most,
  };
}
