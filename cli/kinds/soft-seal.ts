import { finishPacking } from '@/core/circle-packing';
import { ok } from '@/core/kernel';
import {
  planPlug,
  planSleeve,
  planWrap,
  plugRequestSchema,
  SEAL_CAUTIONS,
  sealWords,
  sleeveRequestSchema,
  wrapRequestSchema,
  type SealFinding,
} from '@/core/soft-seal';
import { kind } from './kind';

const clock = () => performance.now();
/** Bundles are worked out twice each, and all of them once more. */
const MOST_SECONDS = 120;

/** Every finding with its sentence; what holds beside what does not. */
const said = <P extends { readonly findings: readonly SealFinding[] }>(plan: P) => ({
  ...plan,
  findings: plan.findings.map((f) => ({ verdict: f.verdict, ...f.case, words: sealWords(f) })),
  cautions: SEAL_CAUTIONS,
});

/** `plug`: does a plug in two halves close the gap round a cable, and with what steps? */
export const plugKind = kind(plugRequestSchema, (request) => ok(said(planPlug(request))));

/** `sleeve`: what goes round each cable, where all of it lies, what fills the gaps, and the sealant of both faces. */
export const sleeveKind = kind(sleeveRequestSchema, (request) =>
  ok(said(finishPacking(planSleeve(request), MOST_SECONDS, clock))),
);

/** `wrap`: bundles, marks, strips layer by layer, sealant, and how far the tie is pulled. */
export const wrapKind = kind(wrapRequestSchema, (request) =>
  ok(said(finishPacking(planWrap(request), MOST_SECONDS, clock))),
);
