import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { publishedFiles } from './published-files';
import { KIND_NAMES, planFor } from './plan-kinds';

const run = (args: string[], input?: string) =>
  spawnSync(process.execPath, ['scripts/plan.mjs', ...args], {
    encoding: 'utf8',
    input,
    env: { ...process.env, NODE_OPTIONS: '' },
  });

const catalogue: unknown = JSON.parse(readFileSync('examples/catalogue/demo.json', 'utf8'));

describe('published files', () => {
  it('are what is validated today (npm run generate)', async () => {
    const files = Object.entries(await publishedFiles(catalogue));
    expect(files.length).toBe(1 + 2 * KIND_NAMES.length + 4);
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
