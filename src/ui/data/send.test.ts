import { command } from './send';

const REF = { job: 'j', cable: 'K-1', end: 'A' } as const;
const READING = { quantity: 'core', method: 'caliper', text: '7.1', unit: 'mm' } as const;

/** Ids under which the same reading goes out, where the answers come one after the other. */
async function idsOf(answers: readonly unknown[], text: string): Promise<string[]> {
  const ids: string[] = [];
  const left = [...answers];
  jest.spyOn(globalThis, 'fetch').mockImplementation((_, init) => {
    ids.push((JSON.parse(init?.body as string) as { id: string }).id);
    const next = left.shift();
    return next === null ? Promise.reject(new TypeError('no network')) : Promise.resolve(Response.json(next));
  });
  for (const _ of answers) await command('addReading', [REF, { ...READING, text }], null);
  return ids;
}
afterEach(() => {
  jest.restoreAllMocks();
});

const done = { result: { ok: true, value: { id: 1 } }, shown: null };
const away = {
  result: { ok: false, problems: [{ path: '', message: 'The database does not answer.' }] },
  shown: null,
};
const refused = { result: { ok: false, problems: [{ path: 'text', message: 'is no length' }] }, shown: null };

it.each<[string, unknown, boolean]>([
  ['no answer came', null, true],
  ['the database went away in the middle', away, true],
  ['it was refused at a field', refused, false],
  ['it was done', done, false],
])(
  'says the same again under the id of before only where its fate is not certain: %s',
  async (name, first, same) => {
    const [one, two] = await idsOf([first, done], name);
    expect(one === two).toBe(same);
  },
);

it('gives something else an id of its own, whatever became of what was said before', async () => {
  const [one] = await idsOf([null], 'a');
  const [two] = await idsOf([null], 'b');
  expect(one).not.toBe(two);
});
