import type { Schema } from 'yup';
import { refuse, validate, type Result } from '@/core/kernel';
import { continuityRequestSchema, planContinuity, type ContinuityRequest } from './continuity';
import { earthPathRequestSchema, planEarthPath, type EarthPathRequest } from './earth-path';
import type { TestAnswer, TestFinding } from './finding';
import { insulationRequestSchema, planInsulation, type InsulationRequest } from './insulation';

interface TestRequests {
  continuity: ContinuityRequest;
  earthPath: EarthPathRequest;
  insulation: InsulationRequest;
}
/** What is tested of a cable, in the order in which it is done. */
export type TestKind = keyof TestRequests;

/** A test with what was read. */
export type ElectricalTest = {
  readonly [K in TestKind]: { readonly of: K; readonly request: TestRequests[K] };
}[TestKind];

interface Judged {
  readonly answer: TestAnswer;
  readonly findings: readonly TestFinding[];
}

interface Of<K extends TestKind> {
  readonly words: string;
  readonly schema: Schema<TestRequests[K]>;
  readonly judge: (request: TestRequests[K]) => Judged;
}

const TESTS: { readonly [K in TestKind]: Of<K> } = {
  continuity: { words: 'Continuity', schema: continuityRequestSchema, judge: planContinuity },
  earthPath: { words: 'Armour and earth', schema: earthPathRequestSchema, judge: planEarthPath },
  insulation: { words: 'Insulation', schema: insulationRequestSchema, judge: planInsulation },
};
export const TEST_KINDS = Object.keys(TESTS) as TestKind[];
const isTestKind = (of: unknown): of is TestKind => TEST_KINDS.some((k) => k === of);

export const testKindWords = (of: TestKind): string => TESTS[of].words;

/** A test as it came in, when it is one; else why it is not. */
export function readTest(value: unknown, firstOnly = false): Result<ElectricalTest> {
  if (typeof value !== 'object' || value === null || !('of' in value) || !('request' in value))
    return refuse('test', 'is no test');
  const { of, request, ...more } = value as { readonly of: unknown; readonly request: unknown };
  if (!isTestKind(of)) return refuse('of', 'is no test', of);
  if (Object.keys(more).length > 0) return refuse('test', 'holds what no test has', Object.keys(more)[0]);
  const read = validate<Schema<ElectricalTest['request']>>(
    TESTS[of].schema as Schema<ElectricalTest['request']>,
    request,
    firstOnly,
  );
  // It was read by the schema of its own kind.
  return read.ok ? { ok: true, value: { of, request: read.value } as ElectricalTest } : read;
}

/** What a test comes to. */
export function judgeTest({ of, request }: ElectricalTest): Judged {
  // The request of a test is that of its kind.
  const judge = TESTS[of].judge as (request: ElectricalTest['request']) => Judged;
  return judge(request);
}

/** What was tested, by name: a later test speaks of these and of nothing else. */
export function coveredBy(test: ElectricalTest): readonly string[] {
  switch (test.of) {
    case 'continuity':
      return test.request.cores;
    case 'earthPath':
      return [test.request.of];
    case 'insulation':
      return test.request.tests.map((t) => t.of);
  }
}
