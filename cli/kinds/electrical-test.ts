import {
  continuityRequestSchema,
  earthPathRequestSchema,
  insulationRequestSchema,
  planContinuity,
  planEarthPath,
  planInsulation,
  TEST_CAUTIONS,
  testVerdict,
  testWords,
  type TestAnswer,
  type TestFinding,
} from '@/core/electrical-test';
import { ok } from '@/core/kernel';
import { kind } from './kind';

/** A test with its words: the verdict, and every finding. */
const said = <P extends { readonly answer: TestAnswer; readonly findings: readonly TestFinding[] }>(
  plan: P,
) => ({
  ...plan,
  verdict: testVerdict(plan.findings),
  findings: plan.findings.map((f) => ({ verdict: f.verdict, ...f.case, words: testWords(f) })),
  cautions: TEST_CAUTIONS,
});

/** `continuity`: which core comes out where, core × core. */
export const continuityKind = kind(continuityRequestSchema, (request) => ok(said(planContinuity(request))));

/** `earth-path`: does the armour or an earth carry a fault from end to end? */
export const earthPathKind = kind(earthPathRequestSchema, (request) => ok(said(planEarthPath(request))));

/** `insulation`: does the insulation hold, by the standard and by the cable's own sheet? */
export const insulationKind = kind(insulationRequestSchema, (request) => ok(said(planInsulation(request))));
