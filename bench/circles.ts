import { bundle, checkPacking, finishPacking } from '@/core/circle-packing';
import { seededRandom } from '@/core/kernel';
import type { Row } from './row';

/**
 * Radius of the container over that of its circles, best known for n = 2 … 40 equal circles: published by R. L. Graham, B. D. Lubachevsky and
 * others, kept up by E. Specht; proven for n ≤ 13 and 19.
 */
const EQUAL = [
  2, 2.1547, 2.4142, 2.7013, 3, 3, 3.3048, 3.6131, 3.813, 3.9238, 4.0296, 4.2361, 4.3284, 4.5214, 4.6154,
  4.792, 4.8637, 4.8637, 5.1223, 5.2523, 5.4397, 5.5452, 5.6517, 5.7528, 5.8282, 5.9063, 6.0149, 6.1386,
  6.1977, 6.2915, 6.4295, 6.4867, 6.611, 6.6972, 6.7468, 6.7588, 6.9619, 7.0579, 7.1238,
];
/** Radius of the container of circles of radius 1, 2, … n for n = 5 … 15: best known, of the programming contest of 2005. */
const GROWING = [
  9.0014, 11.05704, 13.46211, 16.22175, 19.23319, 22.00019, 24.96063, 28.37139, 31.54587, 35.09565, 38.838,
];

interface Run {
  readonly over: number;
  readonly seconds: number;
}

function run(diameters: readonly number[], limitSeconds: number, bestRadius: number | null): Run {
  const from = performance.now();
  const made = finishPacking(bundle(diameters, { clearance: 0, seed: 1, limitSeconds }), limitSeconds, () =>
    performance.now(),
  );
  const seconds = (performance.now() - from) / 1000;
  const wrong = checkPacking(diameters, 0, { kind: 'circle', d: made.diameter }, made.circles);
  if (wrong.length > 0) throw new Error(`does not pass its audit: ${JSON.stringify(wrong[0])}`);
  const area = diameters.reduce((sum, d) => sum + d * d, 0);
  return {
    over: bestRadius === null ? area / made.diameter ** 2 : made.diameter / 2 / bestRadius - 1,
    seconds,
  };
}

const equal = (n: number) => Array.from({ length: n }, () => 2);
function table(
  name: string,
  runs: readonly (Run & { readonly n: number })[],
  bar: number,
  limit: number,
): Row[] {
  const worst = runs.reduce((a, b) => (b.over > a.over ? b : a));
  return [
    { what: `${name}: worst over the best known (n = ${worst.n})`, value: 100 * worst.over, unit: '%', bar },
    { what: `${name}: longest`, value: Math.max(...runs.map((r) => r.seconds)), unit: 's', bar: limit },
  ];
}

/** Circles in the smallest circle, against what is best known; every arrangement audited. */
export function benchCircles(long: boolean): Row[] {
  const equals = EQUAL.map((best, k) => ({ n: k + 2, ...run(equal(k + 2), 1, best) }));
  const growing = GROWING.map((best, k) => {
    const n = k + 5;
    return {
      n,
      ...run(
        Array.from({ length: n }, (_, i) => 2 * (i + 1)),
        2,
        best,
      ),
    };
  });
  const random = seededRandom(11);
  const unequal = (n: number) => Array.from({ length: n }, () => 6 + 44 * random() ** 2);
  const [some, many] = [unequal(120), unequal(400)];
  const quick = run(some, 5, null);
  const large = run(many, 15, null);
  return [
    ...table('equal circles, n = 2…40, 1 s each', equals, 1, 1),
    ...(long
      ? table(
          'equal circles, n = 2…20, 10 s each',
          EQUAL.slice(0, 19).map((best, k) => ({ n: k + 2, ...run(equal(k + 2), 10, best) })),
          0.1,
          10,
        )
      : []),
    ...table('radii 1, 2, … n, n = 5…15, 2 s each', growing, 1, 2),
    ...(long
      ? [
          {
            what: '120 unequal circles: density of 60 s over that of 5 s',
            value: 100 * (run(some, 60, null).over / quick.over - 1),
            unit: '%',
            bar: 2,
          },
        ]
      : []),
    {
      what: `120 unequal circles, density ${quick.over.toFixed(3)}`,
      value: quick.seconds,
      unit: 's',
      bar: 5,
    },
    {
      what: `400 unequal circles, density ${large.over.toFixed(3)}`,
      value: large.seconds,
      unit: 's',
      bar: 15,
    },
  ];
}
