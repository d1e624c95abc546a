import { ok } from '@/core/kernel';
import {
  liveCapRequestSchema,
  pinMapRequestSchema,
  pinMapWords,
  planLiveCap,
  planPinMap,
} from '@/core/pin-map';
import { kind } from './kind';

const CAUTIONS = [
  'Isolated, locked off and proved dead before a joint is opened or mated.',
  'The sheet of the product says which contact is which, and which makes first.',
];

/** `pinmap`: does every core have its position, do both ends agree, and how does it look on what is held? */
export const pinMapKind = kind(pinMapRequestSchema, (request) => {
  const plan = planPinMap(request);
  return ok({
    ...plan,
    findings: plan.findings.map((f) => ({ verdict: f.verdict, ...f.case, words: pinMapWords(f) })),
    cautions: CAUTIONS,
  });
});

/** `live-cap`: may an equipment half under its cap be energised, opened or mated, by what is recorded of it? */
export const liveCapKind = kind(liveCapRequestSchema, (request) =>
  ok({ ...planLiveCap(request), cautions: CAUTIONS }),
);
