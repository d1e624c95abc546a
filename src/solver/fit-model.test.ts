import { checkFramePlan, countCrossings, partsOf, type FrameRequest } from '@/core/frame-packing';
import { arrange } from '@/core/frame-packing/search/arrange';
import { countsOf } from '@/core/frame-packing/model/frame-counts';
import { programFor } from '@/core/frame-packing/model/frame-model';
import { frameSetting } from '@/core/frame-packing/model/frame-setting';
import { seededRandom, type Solve } from '@/core/kernel';
import { DEMO_FRAMES, DEMO_MODULES } from '@/core/testing/demo-frames';
import { loadSolver } from './highs';

let solver: Solve;
beforeAll(async () => {
  solver = await loadSolver();
});

/** Cables so uncertain that of one size some must be measured again and others not. */
function uncertain(seed: number): FrameRequest {
  const random = seededRandom(seed);
  return {
    cables: Array.from({ length: 14 }, (_, i) => {
      const middle = 6 + 30 * random();
      const half = 0.05 + random() * 0.3;
      return {
        tag: `W-${i}`,
        diameter: { min: Number((middle - half).toFixed(2)), max: Number((middle + half).toFixed(2)) },
        circuit: i % 2 === 0 ? 'power' : 'signal',
      };
    }),
    modules: [...DEMO_MODULES],
    frames: DEMO_FRAMES.filter((f) => f.id === 'TF-2-222'),
    apart: [{ circuits: ['power', 'signal'], by: 'row' }],
    spare: { share: 0.2 },
  };
}

describe('fitModel', () => {
  it.each([1, 2, 3, 4, 5, 6])(
    'answers for the exact model: its plan of seed %d can be built as it is',
    (seed) => {
      const request = uncertain(seed);
      const setting = frameSetting(request);
      const { exact, fit, groups } = setting;
      // Worth the name only when it has fewer groups.
      expect(fit.model.cables.length).toBeLessThan(exact.cables.length);
      const { values } = solver({ ...programFor(fit.model, fit.model.height, [], [1]), gap: 1 });
      expect(values.length).toBeGreaterThan(0);
      const made = fit.toExact(values);
      groups.forEach((group, g) => {
        const placed = exact.cables.reduce(
          (sum, c) => (c.group === g ? sum + (made[c.column] ?? 0) : sum),
          0,
        );
        expect(placed).toBeCloseTo(group.tags.length, 6);
      });
      const counts = countsOf(exact, made);
      const frames = arrange(request, groups, setting.types, setting.openingTypes, counts);
      const cost = DEMO_FRAMES.find((f) => f.id === 'TF-2-222')?.cost ?? 0;
      const plan = {
        status: 'gap' as const,
        cost,
        bound: 0,
        frames,
        unplaced: [],
        crossings: countCrossings(request, frames),
        parts: partsOf(frames),
      };
      expect(checkFramePlan(request, plan)).toEqual({ ok: true, value: null });
    },
  );

  it('gives a place first to cables that need no second measuring there', () => {
    const setting = frameSetting(uncertain(1));
    const { exact, fit, groups } = setting;
    const shared = fit.model.cables.find((c) => {
      const mine = exact.cables.filter(
        (e) => e.option.key === c.option.key && e.opening === c.opening && e.row === c.row,
      );
      return new Set(mine.map((e) => e.option.remeasure)).size === 2;
    });
    if (!shared) throw new Error('no size in which cables differ');
    const values = fit.model.columns.map(() => 0);
    values[shared.column] = 1;
    const made = fit.toExact(values);
    const [taken] = exact.cables.filter((c) => (made[c.column] ?? 0) > 0);
    const rivals = exact.cables.filter(
      (c) =>
        taken !== undefined &&
        c.option.key === taken.option.key &&
        groups[c.group]?.options.map((o) => o.key).join() ===
          groups[taken.group]?.options.map((o) => o.key).join() &&
        groups[c.group]?.circuit === groups[taken.group]?.circuit,
    );
    expect(taken?.option.remeasure).toBe(rivals.every((c) => c.option.remeasure));
  });
});
