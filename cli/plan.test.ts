import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { publishedFiles } from './published-files';
import { KIND_NAMES, planFor } from './plan-kinds';

const run = (args: string[], input?: string) =>
  spawnSync(process.execPath, ['scripts/plan.mjs', ...args], {
    encoding: 'utf8',
    input,
    // An answer about every size of the catalogue is longer than what is taken by default.
    maxBuffer: 16 * 1024 * 1024,
    env: { ...process.env, NODE_OPTIONS: '' },
  });

const catalogue: unknown = JSON.parse(readFileSync('examples/catalogue/demo.json', 'utf8'));

describe('published files', () => {
  it('are what is validated today (npm run generate)', async () => {
    const files = Object.entries(await publishedFiles(catalogue));
    expect(files.length).toBe(2 + 2 * KIND_NAMES.length + 4);
    for (const [path, content] of files)
      expect({ path, content: JSON.parse(readFileSync(path, 'utf8')) as unknown }).toEqual({
        path,
        content: JSON.parse(JSON.stringify(content)) as unknown,
      });
  });

  it.each(KIND_NAMES)('examples/plan/%s.json makes a plan', async (kind) => {
    const plan = await planFor(kind, JSON.parse(readFileSync(`examples/plan/${kind}.json`, 'utf8')));
    expect(plan.ok ? 'plan' : plan.problems).toBe('plan');
  });
});

/** Where in an answer a number is none: it would be printed as null. */
function noNumbers(value: unknown, path = ''): string[] {
  if (typeof value === 'number') return Number.isFinite(value) ? [] : [path];
  if (typeof value !== 'object' || value === null) return [];
  return Object.entries(value).flatMap(([key, v]) => noNumbers(v, `${path}.${key}`));
}

it.each(KIND_NAMES)(
  '%s answers with numbers whatever may be left out of its example',
  async (kind) => {
    const text = readFileSync(`examples/plan/${kind}.json`, 'utf8');
    const keys = Object.keys(JSON.parse(text) as object);
    const without = keys.map((key) => {
      const { [key]: _, ...rest } = JSON.parse(text) as Record<string, unknown>;
      return [`without ${key}`, rest] as const;
    });
    // All that may be left out, one by one and at once.
    let least = JSON.parse(text) as Record<string, unknown>;
    for (const key of keys) {
      const { [key]: _, ...rest } = least;
      if ((await planFor(kind, rest)).ok) least = rest;
    }
    const odd: string[] = [];
    for (const [name, request] of [...without, ['with the least', least] as const]) {
      const plan = await planFor(kind, request);
      if (plan.ok) odd.push(...noNumbers(plan.value).map((path) => `${name}: ${path}`));
    }
    expect(odd).toEqual([]);
  },
  60_000,
);

describe('plan on the command line', () => {
  it('prints a plan and ends with 0', () => {
    const { status, stdout } = run(['choose', 'examples/plan/choose.json']);
    expect(status).toBe(0);
    expect(JSON.parse(stdout)).toMatchObject({
      answer: 'Take AY3-32, coarse groove to the cone; 1.7 mm inside the outer seal range.',
      candidates: expect.any(Array) as unknown,
    });
  }, 30_000);

  it('makes an honest “does not fit” a plan, from standard input', () => {
    const request = JSON.parse(readFileSync('examples/plan/cut.json', 'utf8')) as Record<string, unknown>;
    const { status, stdout } = run(['cut'], JSON.stringify({ ...request, size: 'RW2-25' }));
    expect(status).toBe(0);
    expect(JSON.parse(stdout)).toMatchObject({
      verdict: 'misfit',
      cut: null,
      refused: [expect.stringMatching(/mm over/) as string, expect.any(String) as string],
    });
  }, 30_000);

  it('ends with 2 and a line for each error', () => {
    const { status, stderr, stdout } = run(
      ['measure'],
      JSON.stringify({ readings: [{ quantity: 'mood', method: 'caliper', text: 28, unit: 'mm' }], extra: 1 }),
    );
    expect(status).toBe(2);
    expect(stdout).toBe('');
    expect(stderr).toMatch(/readings\[0\]\.quantity: .*got "mood"/);
    expect(stderr).toMatch(/readings\[0\]\.text: .*got 28/);
  }, 30_000);
});

it.each([
  ['bake', {}, /KIND: unknown/],
  ['measure', null, /./],
  [
    'measure',
    { readings: [{ quantity: 'outerSheath', method: 'caliper', text: '28 furlong', unit: 'mm' }] },
    /unknown unit/,
  ],
  [
    'tighten',
    { ...(JSON.parse(readFileSync('examples/plan/tighten.json', 'utf8')) as object), size: 'ZZ9-1' },
    /not in the catalogue/,
  ],
])('refuses %s with a reason', async (kind, request, message) => {
  const plan = await planFor(kind, request);
  expect(plan.ok ? 'planned' : plan.problems.map((p) => `${p.path}: ${p.message}`).join('\n')).toMatch(
    message,
  );
});

/** The plan of an example with some fields changed, as one who calls from outside sees it. */
async function planOf(kind: string, change: object = {}): Promise<Record<string, unknown>> {
  const request = JSON.parse(readFileSync(`examples/plan/${kind}.json`, 'utf8')) as object;
  const plan = await planFor(kind, { ...request, ...change });
  if (!plan.ok) throw new Error(plan.problems.map((p) => `${p.path}: ${p.message}`).join('; '));
  return JSON.parse(JSON.stringify(plan.value)) as Record<string, unknown>;
}

describe('what the kinds answer', () => {
  it('ends a pipe that is closed with one line', () => {
    const { stderr } = spawnSync(
      'sh',
      ['-c', 'node scripts/plan.mjs choose examples/plan/choose.json | true'],
      {
        encoding: 'utf8',
      },
    );
    expect(stderr).toMatch(/^output: cannot be written: EPIPE[^\n]*\n$/);
  }, 30_000);

  it('feeds choose-job with what choose answers, where a misfit is no option unless it is locked', async () => {
    const one = await planOf('choose');
    const two = await planOf('choose', { tag: 'K-2/A', family: 'RW2' });
    const misfit = { part: 'RW2-63-B', adaptor: false, marginMm: null, verdict: 'misfit' };
    const lock = { ...misfit, part: 'LOCKED-1', verdict: 'marginal' };
    const job = await planOf('choose-job', {
      terminations: [
        one.termination,
        two.termination,
        { tag: 'K-3/A', options: [misfit] },
        { tag: 'K-4/A', options: [], locked: lock },
      ],
    });
    expect(job).toMatchObject({
      undecided: ['K-3/A'],
      parts: 2,
      picks: [{ part: 'RW2-32-B' }, { part: 'RW2-32-B' }, { tag: 'K-4/A', part: 'LOCKED-1' }],
      leftOut: [{ path: 'terminations[2].options[0]', part: 'RW2-63-B' }],
    });
  });

  it('names the figures that a verdict and a mark stand on', async () => {
    const { candidates } = (await planOf('choose')) as {
      candidates: { findings: { criterion: string; because: unknown }[] }[];
    };
    expect(candidates[0]?.findings.find((f) => f.criterion === 'outerSeal')?.because).toEqual(
      expect.arrayContaining([
        { path: 'readings[0].text', value: '27.9' },
        {
          path: expect.stringMatching(/^catalogue\.families\[\d+\]\.sizes\[\d+\]\.outerSeal$/) as string,
          value: expect.objectContaining({ min: expect.any(Number) as number }) as object,
        },
      ]),
    );
    const { cut } = (await planOf('cut')) as { cut: { marks: { because: unknown[] }[] } };
    expect(cut.marks[0]?.because).toContainEqual({ path: 'routeMm', value: 240 });
  });

  it('cuts with what is left of the spare, the other school’s tool, inches, steps and the armour as it was cut', async () => {
    const plan = await planOf('cut', {
      recut: { cutOffMm: 12 },
      toolSchool: 'other',
      armourAsCutMm: 30,
      unit: 'in',
    });
    expect(plan).toMatchObject({
      spareMm: 18,
      armourAsCut: { meets: false, words: expect.stringContaining('longer than RW2-32 takes') as string },
      shroudStep: expect.stringMatching(/^cut at step/) as string,
      slideOn: expect.any(Array) as unknown,
      steps: expect.arrayContaining([expect.objectContaining({ kind: 'look' })]) as unknown,
      cut: {
        marks: [
          { id: 'outerSheath', atIn: expect.stringMatching(/^\d+( \d+\/\d+)? in$/) as string },
          { id: 'armour', tool: 'Pliers', guard: { maxDepthMm: null } },
          { id: 'innerSheath' },
        ],
        coreTails: [{ core: 'PE' }],
      },
    });
  });

  it('gives no marks, no stages and no compound for a size that does not take the cable', async () => {
    const readings = [{ quantity: 'outerSheath', method: 'caliper', text: '40', unit: 'mm' }];
    expect(await planOf('compound', { readings })).toMatchObject({
      verdict: 'misfit',
      seal: null,
      refused: expect.arrayContaining([expect.stringMatching(/mm over/)]) as unknown,
    });
    expect(await planOf('tighten', { readings })).toMatchObject({ verdict: 'misfit', stages: [] });
    expect(await planOf('cut', { readings })).toMatchObject({ verdict: 'misfit', cut: null });
  });

  it('carries “datasheet only” and open questions into compound, cut and stages', async () => {
    const { readings } = JSON.parse(readFileSync('examples/plan/compound.json', 'utf8')) as {
      readings: object[];
    };
    const nominal = readings
      .map((r) => ({ ...r, method: 'datasheet', angleDeg: undefined }))
      .map((r) => JSON.parse(JSON.stringify(r)) as object);
    expect((await planOf('compound', { readings: nominal })).provisional).toContain(
      'outer sheath is a datasheet value',
    );
    const request = JSON.parse(readFileSync('examples/plan/cut.json', 'utf8')) as {
      enclosure: Record<string, unknown>;
    };
    const { gasGroup: _g, ...enclosure } = request.enclosure;
    const open = await planOf('cut', { enclosure });
    expect(open).toMatchObject({
      verdict: 'unknown',
      provisional: [expect.stringContaining('group at SP-2 is not known') as string],
    });
    expect(open.questions).toContainEqual(
      expect.objectContaining({
        fact: 'gasGroup',
        path: 'enclosure.gasGroup',
        options: expect.arrayContaining([
          expect.objectContaining({ words: 'IIC', would: expect.stringContaining('Take') as string }),
        ]) as unknown,
      }),
    );
  });

  it('counts threads after the turns, and the bolts of a press unit in turn', async () => {
    const plan = await planOf('tighten', {
      threads: [{ stage: 'clamp', startThreads: 3, threadLengthMm: 15, pitchMm: 1.5 }],
    });
    expect(plan).toMatchObject({ threads: [{ stage: 'clamp', turns: 1.25, threads: 4.25, most: 10 }] });
    expect(plan.pressUnit).toMatchObject({
      closed: false,
      words:
        'not closed: the maximum torque of 14 N·m came 1.5 mm before the stop. Back off and look for the cause',
      order: [
        { bolt: 1, toMm: 2 },
        { bolt: 2, toMm: 2 },
        { bolt: 1, toMm: 4 },
        { bolt: 2, toMm: 4 },
        { bolt: 1, toMm: 6 },
        { bolt: 2, toMm: 6 },
      ],
    });
  });

  it('lets nothing cure before the pour or after now', async () => {
    const { cure } = JSON.parse(readFileSync('examples/plan/cure.json', 'utf8')) as { cure: unknown };
    const readings = [-20, 0, 25, 50, 70].map((at) => ({ at, c: 20 }));
    // 60 of 150 min at 20 °C, from 0 to now.
    expect(await planOf('cure', { cure, readings })).toMatchObject({
      progress: expect.closeTo(60 / 150, 9) as number,
      ignored: [
        { index: 0, why: 'beforePour' },
        { index: 4, why: 'afterNow' },
      ],
    });
    expect(await planOf('cure', { cure, readings, pouredAt: 55, now: 60 })).toMatchObject({
      progress: 0,
      hardAt: null,
    });
  });
});

it('holds for a coupler only where every gap is measured and both ends have said where their phases lie', async () => {
  interface Coupler {
    readonly ends: readonly [{ readonly tag: string; readonly map: unknown }, { readonly tag: string }];
  }
  const example = JSON.parse(readFileSync('examples/plan/coupler.json', 'utf8')) as Coupler;
  const [here, there] = example.ends;
  const whole = { ...example, gapsMm: [1.8, 1.8, 1.8], ends: [here, { ...there, map: here.map }] };
  const said = async (change: object) => {
    const plan = await planFor('coupler', { ...whole, ...change });
    if (!plan.ok) return plan.problems.map((p) => `${p.path}: ${p.message}`);
    const { answer, asks } = plan.value as { answer: string; asks: string[] };
    return [answer, ...asks];
  };
  expect(await said({})).toEqual(['holds']);
  expect(await said({ gapsMm: [1.8] })).toEqual([
    'ask',
    'measure the gap between stem and insulation of 2 of 3 phases',
  ]);
  expect(await said({ ends: [here] })).toEqual([
    'ask',
    'say on which contacts the phases lie at the other end than K-170/A',
  ]);
  expect(await said({ gapsMm: [], ends: [] })).toEqual([
    'ask',
    'measure the gap between stem and insulation of 3 of 3 phases',
    'say on which contacts the phases lie, at both ends',
  ]);
  expect(await said({ ends: example.ends })).toEqual(['fails']);
  expect(await said({ gapsMm: [1.8, 1.8, 1.8, 1.8] })).toEqual(['gapsMm: are 4, and the cable has 3 phases']);
  expect(await said({ ends: [here, here] })).toEqual(['ends: names an end twice']);
});
