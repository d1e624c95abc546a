import { finishPacking } from '@/core/circle-packing';
import { ok } from '@/core/kernel';
import {
  planPlug,
  planSleeve,
  planWrap,
  plugRequestSchema,
  plugSteps,
  SEAL_CAUTIONS,
  sealPartWords,
  sealWords,
  sleeveRequestSchema,
  sleeveSteps,
  verdictOf,
  wrapRequestSchema,
  wrapSteps,
  type SealAnswer,
  type SealFinding,
  type SealPart,
  type SealStep,
} from '@/core/soft-seal';
import { kind } from './kind';

const clock = () => performance.now();
/** Bundles are worked out one after the other, and all of them once more. */
const MOST_SECONDS = 120;

interface Plan {
  readonly answer: SealAnswer;
  readonly findings: readonly SealFinding[];
  readonly parts: readonly SealPart[];
}

/** A plan with its words: the verdict, every finding, every part, and the steps of one that closes. */
const said = <P extends Plan>(plan: P, steps: (plan: P) => readonly SealStep[]) => ({
  ...plan,
  verdict: verdictOf(plan.findings),
  findings: plan.findings.map((f) => ({ verdict: f.verdict, ...f.case, words: sealWords(f) })),
  parts: plan.parts.map((p) => ({ ...p, name: sealPartWords(p) })),
  steps: plan.answer === 'closes' ? steps(plan) : [],
  cautions: SEAL_CAUTIONS,
});

/** `plug`: does a plug in two halves close the gap round a cable, and with what steps? */
export const plugKind = kind(plugRequestSchema, (request) =>
  ok(said(planPlug(request), (plan) => plugSteps(request, plan))),
);

/** `sleeve`: what goes round each cable, where all of it lies, what fills the gaps, and the sealant of both faces. */
export const sleeveKind = kind(sleeveRequestSchema, (request) =>
  ok(said(finishPacking(planSleeve(request), MOST_SECONDS, clock), (plan) => sleeveSteps(request, plan))),
);

/** `wrap`: bundles, marks, strips layer by layer, sealant, and how far the tie is pulled. */
export const wrapKind = kind(wrapRequestSchema, (request) =>
  ok(said(finishPacking(planWrap(request), MOST_SECONDS, clock), (plan) => wrapSteps(request, plan))),
);
