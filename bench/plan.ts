import { execFileSync } from 'node:child_process';
import { readCatalogue } from '@/core/catalogue';
import { judge, type Candidate } from '@/core/gland-selection';
import { generateSteps, planTermination, type PlanRequest } from '@/core/procedure';
import { fitting } from '@/core/testing';
import { median, type Row } from './row';

const TERMINATIONS = 5000;

/** Plans with their steps: every family, size and construction of the demo catalogue in turn, until there are as many as asked for. */
export function benchPlan(demo: unknown): Row[] {
  const read = readCatalogue(demo);
  if (!read.ok) throw new Error('the demo catalogue is not valid');
  const catalogue = read.value;
  // Half of a joint has no steps without its mate, which no request of one end brings.
  const alone = catalogue.families.filter((family) => family.procedureKind !== 'inLine');
  const cases = alone.flatMap((family) =>
    family.sizes.flatMap((size) =>
      family.accepts.armour.map((armour): { request: PlanRequest; candidate: Candidate } => {
        const input = fitting(family, size, armour, true);
        return {
          request: {
            tag: 'K-1/A',
            input,
            routeMm: 320,
            spareMm: 20,
            unit: 'mm',
            compounds: catalogue.compounds ?? [],
          },
          candidate: judge(input, family, size, catalogue),
        };
      }),
    ),
  );
  const plan = (i: number): number => {
    const one = cases[i % cases.length];
    if (!one) throw new Error('no case');
    return generateSteps(planTermination(one.request, one.candidate), one.candidate.family).length;
  };
  let at = 0;
  const single = median(200, () => plan((at += 1)));
  let led = 0;
  const from = performance.now();
  for (let i = 0; i < TERMINATIONS; i += 1) led += plan(i) > 0 ? 1 : 0;
  const all = performance.now() - from;
  if (led !== TERMINATIONS) throw new Error(`only ${led} of ${TERMINATIONS} plans have steps`);
  return [
    { what: 'plan of one termination with its steps', value: single, unit: 'ms', bar: 5 },
    { what: `plans of ${TERMINATIONS} terminations with their steps`, value: all / 1000, unit: 's', bar: 5 },
  ];
}

/** A pack of 200 cards, in a process of its own so that its memory is its own. */
export function benchPack(): Row[] {
  const out = execFileSync(process.execPath, ['node_modules/tsx/dist/cli.mjs', 'bench/pack.ts', '200'], {
    encoding: 'utf8',
  });
  const { seconds, peakMb, pages } = JSON.parse(out) as { seconds: number; peakMb: number; pages: number };
  return [
    { what: `200 cut cards as one PDF, ${pages} pages`, value: seconds, unit: 's', bar: 20 },
    { what: '  peak memory of the whole process', value: peakMb, unit: 'MB', bar: 400 },
  ];
}
