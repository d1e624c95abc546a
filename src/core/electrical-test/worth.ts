import { registeredHalfWidth, type Worth } from '@/core/instrument';
import { canonicalJson } from '@/core/kernel';
import type { ElectricalTest } from './electrical-test';

/**
 * A test with what the register says of its tester: never less than was said with the test itself. A share of what it shows is taken of the
 * greatest reading that is a connection; what is said in another unit than it reads in is not counted with.
 */
export function withRegistered(
  test: ElectricalTest,
  worth: readonly Worth[],
  code: string | undefined,
): ElectricalTest {
  switch (test.of) {
    case 'continuity': {
      const { request } = test;
      const through = request.readings.flatMap(({ ohm }) =>
        ohm === null || ohm > request.throughOhm ? [] : [ohm],
      );
      const half = registeredHalfWidth(worth, code, Math.max(0, ...through), 'Ω') ?? 0;
      return { ...test, request: { ...request, uncertaintyOhm: Math.max(request.uncertaintyOhm, half) } };
    }
    case 'earthPath': {
      const { request } = test;
      const half = registeredHalfWidth(worth, code, request.ohm ?? 0, 'Ω') ?? 0;
      return { ...test, request: { ...request, uncertaintyOhm: Math.max(request.uncertaintyOhm, half) } };
    }
    case 'insulation': {
      const { request } = test;
      // Of a reading of one: the share itself.
      const share = Math.min(1, registeredHalfWidth(worth, code, 1, 'MΩ') ?? 0);
      const { tester } = request;
      const uncertaintyShare = Math.max(tester.uncertaintyShare, share);
      return { ...test, request: { ...request, tester: { ...tester, uncertaintyShare } } };
    }
  }
}

/** How far a test is taken to be off, as it was said or as the register says, in words. */
export function uncertaintyOf(test: ElectricalTest): { readonly value: number; readonly unit: 'Ω' | '%' } {
  return test.of === 'insulation'
    ? { value: test.request.tester.uncertaintyShare * 100, unit: '%' }
    : { value: test.request.uncertaintyOhm, unit: 'Ω' };
}

/** Was the same read, whatever the register says of the tester by now? */
export function sameReadings(a: ElectricalTest, b: ElectricalTest): boolean {
  const bare = (test: ElectricalTest) =>
    test.of === 'insulation'
      ? { ...test, request: { ...test.request, tester: { ...test.request.tester, uncertaintyShare: 0 } } }
      : { ...test, request: { ...test.request, uncertaintyOhm: 0 } };
  return canonicalJson(bare(a)) === canonicalJson(bare(b));
}
