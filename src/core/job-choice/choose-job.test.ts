import { drive, seededRandom, type Solve } from '@/core/kernel';
import { loadSolver } from '@/solver/highs';
import { checkJobChoice, chooseJob, optionOf, tally, type JobChoicePlan, type JobChoiceRequest } from '.';

let solve: Solve;
beforeAll(async () => {
  solve = await loadSolver();
});

const plan = (request: JobChoiceRequest): JobChoicePlan => drive(chooseJob(request), solve);
const option = (part: string, marginMm: number | null = 1, adaptor = false) => ({ part, marginMm, adaptor });
const job = (...terminations: (readonly [string, ...ReturnType<typeof option>[]])[]): JobChoiceRequest => ({
  terminations: terminations.map(([tag, ...options]) => ({ tag, options })),
});

/** Every combination of parts, judged by counting: the order that the planner promises. */
function bruteForce(request: JobChoiceRequest) {
  const decided = request.terminations.filter((t) => t.locked || t.options.length > 0);
  const choices = decided.map((t) => (t.locked ? [t.locked] : t.options));
  let best: { parts: number; adaptors: number; worst: number } | null = null;
  const walk = (i: number, parts: Set<string>, adaptors: number, worst: number) => {
    if (best && parts.size > best.parts) return;
    const here = choices[i];
    if (here === undefined) {
      const found = { parts: parts.size, adaptors, worst };
      const better =
        best === null ||
        found.parts < best.parts ||
        (found.parts === best.parts &&
          (found.adaptors < best.adaptors || (found.adaptors === best.adaptors && found.worst > best.worst)));
      if (better) best = found;
      return;
    }
    const free = decided[i]?.locked === undefined;
    for (const o of here)
      walk(
        i + 1,
        new Set(parts).add(o.part),
        adaptors + Number(o.adaptor),
        free ? Math.min(worst, o.marginMm ?? Infinity) : worst,
      );
  };
  walk(0, new Set(), 0, Infinity);
  return best as { parts: number; adaptors: number; worst: number } | null;
}

it('takes one part where one does for all', () => {
  const request = job(
    ['K-1/A', option('A'), option('C', 0.2)],
    ['K-2/A', option('B'), option('C', 0.3)],
    ['K-3/A', option('C', 0.4)],
  );
  const made = plan(request);
  expect(made).toMatchObject({ status: 'optimal', parts: 1, partsBound: 1, adaptors: 0, worstMarginMm: 0.2 });
  expect(made.picks.map((p) => p.part)).toEqual(['C', 'C', 'C']);
  expect(checkJobChoice(request, made)).toEqual({ ok: true, value: null });
});

it('counts adaptors before margins, and parts before adaptors', () => {
  // {A, B} and {A, C} both need two parts; C needs no adaptor; D would be a third part with a better margin.
  const request = job(
    ['1', option('A', 0.5)],
    ['2', option('B', 3, true), option('C', 0.1), option('D', 2)],
    ['3', option('B', 3, true), option('C', 0.1)],
  );
  expect(plan(request)).toMatchObject({ parts: 2, adaptors: 0, worstMarginMm: 0.1 });
});

it('raises the worst margin when parts and adaptors are equal', () => {
  const request = job(['1', option('A', 0.1), option('B', 0.9)], ['2', option('A', 5), option('B', 0.8)]);
  expect(plan(request)).toMatchObject({ parts: 1, worstMarginMm: 0.8 });
});

it('keeps a lock, even a marginal one, and does not let it hold down the others', () => {
  const locked = option('Z', -0.2);
  const request: JobChoiceRequest = {
    terminations: [
      { tag: '1', options: [option('A')], locked },
      { tag: '2', options: [option('A', 0.3), option('Z', 0.1)] },
      { tag: '3', options: [option('Z', 0.6), option('A', 0.3)] },
    ],
  };
  const made = plan(request);
  expect(made.picks).toEqual([
    { tag: '1', part: 'Z' },
    { tag: '2', part: 'Z' },
    { tag: '3', part: 'Z' },
  ]);
  expect(made).toMatchObject({ status: 'optimal', parts: 1, worstMarginMm: -0.2 });
});

it('names what nothing may be taken for, and plans the rest', () => {
  const made = plan(job(['1'], ['2', option('A')]));
  expect(made).toMatchObject({ undecided: ['1'], picks: [{ tag: '2', part: 'A' }] });
  expect(plan({ terminations: [] })).toMatchObject({ parts: 0, picks: [], undecided: [] });
});

it('equals brute force on small random jobs, and passes the audit', () => {
  for (let seed = 1; seed <= 120; seed += 1) {
    const random = seededRandom(seed);
    const whole = (n: number) => Math.floor(random() * n);
    const request: JobChoiceRequest = {
      terminations: Array.from({ length: 1 + whole(6) }, (_, t) => {
        const options = Array.from({ length: whole(5) }, () =>
          option(`P${whole(7)}`, random() < 0.1 ? null : whole(12) / 10, random() < 0.4),
        ).filter((o, i, all) => all.findIndex((x) => x.part === o.part) === i);
        return {
          tag: `T${t}`,
          options,
          ...(random() < 0.15 ? { locked: option(`P${whole(7)}`, whole(6) / 10 - 0.3) } : {}),
        };
      }),
    };
    const made = plan(request);
    const best = bruteForce(request);
    const free = made.picks.filter(
      (p) => request.terminations.find((t) => t.tag === p.tag)?.locked === undefined,
    );
    const worst = tally(request, free).worstMarginMm ?? Infinity;
    const audit = checkJobChoice(request, made);
    expect({ seed, audit, status: made.status, parts: made.parts, adaptors: made.adaptors, worst }).toEqual({
      seed,
      audit: { ok: true, value: null },
      status: 'optimal',
      parts: best?.parts ?? 0,
      adaptors: best?.adaptors ?? 0,
      worst: best?.worst ?? Infinity,
    });
  }
});

it('says what it knows when the solver reaches its limit', () => {
  const request = job(['1', option('A')], ['2', option('B'), option('A')], ['3', option('B')]);
  const tired: Solve = () => ({ status: 'limit', objective: null, bound: null, values: [] });
  const made = drive(chooseJob(request), tired);
  expect(made).toMatchObject({ status: 'gap', parts: 2, partsBound: 1 });
  expect(checkJobChoice(request, made).ok).toBe(true);
  const stopped: Solve = (program) => {
    const answer = solve(program);
    return { ...answer, status: 'feasible', bound: 1.2 };
  };
  expect(drive(chooseJob(request), stopped)).toMatchObject({ status: 'gap', parts: 2, partsBound: 2 });
});

describe('the audit', () => {
  const request: JobChoiceRequest = {
    terminations: [
      { tag: '1', options: [option('A', 0.5), option('B', 0.2, true)] },
      { tag: '2', options: [option('A')], locked: option('C', 0.1) },
      { tag: '3', options: [] },
    ],
  };
  const good: JobChoicePlan = {
    status: 'optimal',
    parts: 2,
    partsBound: 2,
    adaptors: 0,
    worstMarginMm: 0.1,
    picks: [
      { tag: '1', part: 'A' },
      { tag: '2', part: 'C' },
    ],
    undecided: ['3'],
  };
  it('passes a sound plan', () => expect(checkJobChoice(request, good).ok).toBe(true));
  it.each<[string, Partial<JobChoicePlan>, string]>([
    [
      'a pick outside the options',
      {
        picks: [
          { tag: '1', part: 'X' },
          { tag: '2', part: 'C' },
        ],
      },
      'is not among its options',
    ],
    [
      'a broken lock',
      {
        picks: [
          { tag: '1', part: 'A' },
          { tag: '2', part: 'A' },
        ],
      },
      'is locked to C',
    ],
    ['a termination left out', { picks: [{ tag: '2', part: 'C' }] }, 'is not picked'],
    [
      'a pick for nothing',
      { picks: [...good.picks, { tag: '3', part: 'A' }] },
      'although nothing may be taken',
    ],
    ['a stranger', { picks: [...good.picks, { tag: '9', part: 'A' }] }, 'is not in the request'],
    ['a tag twice', { picks: [...good.picks, { tag: '1', part: 'A' }] }, 'is picked twice'],
    ['parts miscounted', { parts: 1, partsBound: 1 }, 'is counted as 2'],
    ['adaptors miscounted', { adaptors: 3 }, 'is counted as 0'],
    ['a margin too good', { worstMarginMm: 0.5 }, 'is counted as 0.1'],
    ['a bound above the answer', { partsBound: 3 }, 'is above the 2 parts'],
    ['a proof without its bound', { partsBound: 1 }, 'claims a proof'],
    ['an undecided one that has options', { undecided: ['1', '3'] }, 'although it has options'],
  ])('finds %s', (_, change, message) => {
    const found = checkJobChoice(request, { ...good, ...change });
    expect(found.ok ? [] : found.problems.map((p) => p.message).join('; ')).toContain(message);
  });
  it('finds the option behind a pick', () => expect(optionOf(request.terminations[1], 'A')).toBeNull());
});
