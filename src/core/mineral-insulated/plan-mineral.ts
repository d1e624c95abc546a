import { array, boolean, number, object, string, type InferType } from 'yup';
import { fitInRange, ok, refuse, type Result } from '@/core/kernel';
import { trimNumber } from '@/core/units';
import {
  insulationStep,
  isDrying,
  UNTESTED,
  type InsulationAct,
  type InsulationState,
} from './insulation-clock';
import { choosePot, compoundMl, packsFor, potsFor, testFor, type PotFit } from './kit';
import { mineralMarks, type MineralMark } from './marks';
import { mineralCableSchema, mineralSheetSchema } from './sheet';

const text = (most: number) => string().trim().min(1).max(most).required();

const entrySchema = object({
  /** ISO 8601. */
  at: string()
    .max(40)
    .required()
    .test('time', 'is no time', (v: string | undefined) => v === undefined || !Number.isNaN(Date.parse(v))),
  kind: string()
    .oneOf(['reading', 'heated', 'cutBack', 'sealed'] as const)
    .required(),
  mohm: number().min(0).max(1e6).optional(),
  volts: number().positive().max(5000).optional(),
  /** Left out where nobody has said. */
  farSealed: boolean().optional(),
})
  .noUnknown()
  .test(
    'reading',
    'mohm: a reading says what was read, and at which voltage',
    (e) => e.kind !== 'reading' || (e.mohm !== undefined && e.volts !== undefined),
  )
  .required();

export const mineralRequestSchema = object({
  sheet: mineralSheetSchema,
  cable: mineralCableSchema,
  /** Which stripper of the sheet is at hand. */
  tool: text(40),
  ends: array()
    .of(
      object({
        tag: text(40),
        /** From the terminals to the cap, mm. */
        tailMm: number().min(0).max(5000).required(),
        log: array().of(entrySchema).max(500).required(),
      })
        .noUnknown()
        .required(),
    )
    .min(1)
    .max(100)
    .required(),
})
  .noUnknown()
  .required();
export type MineralRequest = InferType<typeof mineralRequestSchema>;

export interface MineralEnd {
  readonly tag: string;
  readonly marks: readonly MineralMark[];
  readonly insulation: Pick<InsulationState, 'phase'> & {
    /** Until when it may be sealed on the reading that counts; null where none does. */
    readonly sealUntil: string | null;
    readonly drying: boolean | null;
    /** What of the log does not count, and why; numbered from one. */
    readonly refused: readonly { readonly entry: number; readonly why: string }[];
  };
}

export interface MineralPlan {
  readonly pot: string;
  readonly pots: readonly PotFit[];
  readonly tool: string;
  readonly testV: number;
  readonly leastMohm: number;
  readonly mlPerEnd: number;
  readonly packs: number;
  readonly leftMl: number;
  readonly ends: readonly MineralEnd[];
}

type Entry = InferType<typeof entrySchema>;
const actOf = ({ kind, mohm = 0, volts = 0, farSealed }: Entry): InsulationAct =>
  kind === 'reading' ? { kind, mohm, volts, farSealed: farSealed ?? null } : { kind };

const size = (mm: number): string => `${trimNumber(mm, 2)} mm`;

/**
 * Kit, marks and insulation of the ends of a mineral-insulated cable by the sheet of its seals. Refused where no pot certainly fits, the stripper does
 * not take the sheath, or no test voltage is named for the rating: each with its number.
 */
export function planMineral({ sheet, cable, tool: named, ends }: MineralRequest): Result<MineralPlan> {
  const pots = potsFor(sheet, cable);
  const pot = choosePot(sheet, cable);
  const { sheathMm } = cable;
  const sheath = `${size(sheathMm.min)} to ${size(sheathMm.max)}`;
  if (pot === null) {
    const near = pots.find((p) => p.verdict === 'marginal');
    if (near !== undefined)
      return refuse(
        'cable.sheathMm',
        `${sheath} is not certainly within pot ${near.size}: ${size(-near.marginMm)} over: measure again`,
      );
    const [least] = pots.filter((p) => p.takesConductors).sort((a, b) => b.marginMm - a.marginMm);
    return least === undefined
      ? refuse('cable.conductors', `no pot takes ${cable.conductors} conductors`)
      : refuse(
          'cable.sheathMm',
          `no pot takes ${sheath}: ${least.size} misses it by ${size(-least.marginMm)}`,
        );
  }
  const tool = sheet.tools.find((t) => t.id === named);
  if (tool === undefined) return refuse('tool', 'is not on this sheet', named);
  const grips = fitInRange(tool.sheathMm, sheathMm);
  if (grips.verdict !== 'fits')
    return refuse('tool', `${tool.id} does not certainly take ${sheath}: ${size(-grips.marginMm)} off`);
  const test = testFor(sheet.tests, cable.ratedV);
  if (test === undefined) return refuse('cable.ratedV', `the sheet names no test for ${cable.ratedV} V`);
  const limits = {
    testV: test.testV,
    leastMohm: test.leastMohm,
    holdsMs: sheet.readingHoldsMin * 60_000,
    mayFallShare: sheet.mayFallShare,
  };
  const mlPerEnd = compoundMl(pot, cable, sheet.overfillShare);
  return ok({
    pot: pot.size,
    pots,
    tool: tool.id,
    testV: test.testV,
    leastMohm: test.leastMohm,
    mlPerEnd,
    ...packsFor(mlPerEnd, ends.length, sheet.packMl),
    ends: ends.map(({ tag, tailMm, log }) => ({
      tag,
      marks: mineralMarks(sheet, pot, tool.gripOffsetMm, tailMm),
      insulation: follow(log, limits),
    })),
  });
}

/** Goes through a log in its order; an entry that is older than the one above it counts for nothing. */
function follow(
  log: readonly Entry[],
  limits: Parameters<typeof insulationStep>[3],
): MineralEnd['insulation'] {
  let state = UNTESTED;
  let last = -Infinity;
  const refused: { entry: number; why: string }[] = [];
  for (const [i, entry] of log.entries()) {
    const at = Date.parse(entry.at);
    if (at < last) {
      refused.push({ entry: i + 1, why: 'is before the entry above it' });
      continue;
    }
    last = at;
    const step = insulationStep(state, actOf(entry), at, limits);
    if (step.refused !== null) refused.push({ entry: i + 1, why: step.refused });
    state = step.state;
  }
  const { phase, good, readings } = state;
  return {
    phase,
    sealUntil: phase === 'dry' && good !== null ? new Date(good.atMs + limits.holdsMs).toISOString() : null,
    drying: phase === 'wet' ? isDrying(readings) : null,
    refused,
  };
}
