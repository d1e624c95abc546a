import { drive, seededRandom } from '@/core/kernel';
import { checkJobChoice, chooseJob, type JobChoiceRequest } from '@/core/job-choice';
import { loadSolver } from '@/solver/highs';
import { median, type Row } from './row';

const FAMILIES = 12;
const SIZES = 10;
const PARTS = FAMILIES * SIZES;

/**
 * A job as jobs are: twelve families of ten sizes whose ranges overlap a little, each taking some of six kinds of cable; a termination has
 * a kind, an outer and an inner diameter, and an entry that mostly suits its diameter. Neighbouring threads are joined by adaptors.
 */
export function randomJob(terminations: number, seed: number): JobChoiceRequest {
  const random = seededRandom(seed);
  const families = Array.from({ length: FAMILIES }, (_, f) => ({
    kinds: new Set(Array.from({ length: 3 }, () => Math.floor(random() * 6)).concat(f % 6)),
    sizes: Array.from({ length: SIZES }, (_, s) => {
      const low = 5.5 * 1.27 ** s * (0.92 + random() * 0.16);
      const inner = low * (0.62 + random() * 0.1);
      return { part: `F${f}-${s}`, thread: s, low, high: low * 1.38, inner, innerHigh: inner * 1.45 };
    }),
  }));
  return {
    terminations: Array.from({ length: terminations }, (_, t) => {
      const kind = Math.floor(random() * 6);
      const mm = 7 * 1.27 ** (random() * 8);
      const inner = mm * (0.66 + random() * 0.1);
      const natural = Math.round(Math.log(mm / 6.4) / Math.log(1.27));
      const thread = natural + (random() < 0.25 ? Math.floor(random() * 3) - 1 : 0);
      return {
        tag: `T-${t}`,
        options: families
          .filter((f) => f.kinds.has(kind))
          .flatMap((f) => f.sizes)
          .filter((s) => s.low <= mm && mm <= s.high && s.inner <= inner && inner <= s.innerHigh)
          .filter((s) => Math.abs(s.thread - thread) <= 1)
          .map((s) => ({
            part: s.part,
            adaptor: s.thread !== thread,
            marginMm:
              Math.round(Math.min(mm - s.low, s.high - mm, inner - s.inner, s.innerHigh - inner) * 100) / 100,
          })),
      };
    }),
  };
}

/** Whole-job choice: proven within its time, and how far from proven when the job is large. */
export async function benchChooseJob(): Promise<Row[]> {
  const solve = await loadSolver();
  const rows: Row[] = [];
  for (const [terminations, runs, bar] of [
    [400, 5, 5],
    [2000, 3, 30],
  ] as const) {
    const request = randomJob(terminations, 3);
    const run = () => drive(chooseJob(request), solve);
    const seconds = median(runs, run) / 1000;
    const plan = run();
    if (!checkJobChoice(request, plan).ok) throw new Error('the audit refuses the plan');
    rows.push({
      what: `choose-job: ${terminations} terminations × ${PARTS} parts, ${plan.parts} parts, ${plan.status}`,
      value: seconds,
      unit: 's',
      bar,
    });
    rows.push({
      what: '  parts above the proven bound',
      value: plan.parts - plan.partsBound,
      unit: 'parts',
      bar: terminations > 1000 ? 1 : 0,
    });
  }
  return rows;
}
