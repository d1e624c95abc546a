import { readFileSync } from 'node:fs';
import Ajv2020 from 'ajv/dist/2020';
import { seededRandom } from '@/core/kernel';
import { parseJson } from './json-text';
import { KIND_NAMES, planFor, type KindName } from './plan-kinds';
import { withReferences } from './references';

type Json = Record<string, unknown>;
const read = (path: string): Json => JSON.parse(readFileSync(path, 'utf8')) as Json;
const example = (kind: KindName): Json => read(`examples/plan/${kind}.json`);
const full = (kind: KindName): Json => {
  const made = withReferences(example(kind));
  if (!made.ok) throw new Error('the example names what is not there');
  return JSON.parse(JSON.stringify(made.value)) as Json;
};

/** A copy with the value at a path changed; undefined takes it away. */
function changed(request: Json, path: string, value: unknown): Json {
  const copy = JSON.parse(JSON.stringify(request)) as Json;
  const keys = path.replace(/\[(\d+)\]/g, '.$1').split('.');
  const last = keys.pop() ?? '';
  const at = keys.reduce<Json>((o, key) => o[key] as Json, copy);
  at[last] = value;
  // What is undefined is gone from the text.
  return JSON.parse(JSON.stringify(copy)) as Json;
}

const ajv = new Ajv2020({ strict: false, allErrors: false, validateFormats: false });
const schemas = new Map(
  KIND_NAMES.map((kind) => [kind, ajv.compile(read(`docs/formats/plan-${kind}.schema.json`))]),
);
const bySchema = (kind: KindName, request: unknown): boolean => schemas.get(kind)?.(request) === true;

describe('published schemas', () => {
  it.each(KIND_NAMES)('%s: the example passes, as it stands and with everything inline', (kind) => {
    expect(bySchema(kind, example(kind))).toBe(true);
    expect(bySchema(kind, full(kind))).toBe(true);
  });

  it('the catalogue and the profiles that ship pass theirs', () => {
    const catalogue = ajv.compile(read('docs/formats/catalogue.schema.json'));
    expect(catalogue(read('examples/catalogue/demo.json'))).toBe(true);
    const request = (key: string) => ({
      ...example('choose'),
      profile: read(`examples/profile/${key}.json`),
    });
    for (const key of ['iec-length-filling', 'iec-flow', 'division', 'industrial'])
      expect(bySchema('choose', request(key))).toBe(true);
  });

  it.each<[KindName, string, unknown]>([
    ['measure', 'readings', undefined],
    ['measure', 'readings[0]', null],
    ['measure', 'readings[0].quantity', 'mood'],
    ['measure', 'readings[0].text', ''],
    ['measure', 'readings[0].angleDeg', 361],
    ['measure', 'readings[0].colour', 'red'],
    ['choose', 'cableType', undefined],
    ['choose', 'cableType', null],
    ['choose', 'cableType.cores', 0],
    ['choose', 'cableType.cores', 2.5],
    ['choose', 'cableType.jacketed', 'yes'],
    ['choose', 'enclosure.zone', 3],
    ['choose', 'enclosure.ip', '6'],
    ['choose', 'entry', undefined],
    ['choose', 'entry.thread.size', '3/4'],
    ['choose', 'entry.thread.size', 'M5'],
    ['choose', 'entry.thread.pitchMm', null],
    ['choose', 'catalogue', 7],
    ['choose', 'catalogue.families', undefined],
    ['choose', 'catalogue.families[0].stages[0].method.kind', 'constructor'],
    ['choose', 'catalogue.families[0].sizes[0].outerSeal.max', -1],
    ['choose', 'catalogue.families[0].sizes[0].spanners', { backNut: 0 }],
    ['choose', 'catalogue.compounds[0].potLife', [null, null]],
    ['choose', 'catalogue.compounds[0].packs', []],
    ['choose', 'profile', 'europe'],
    ['cut', 'routeMm', undefined],
    ['cut', 'routeMm', -1],
    ['cut', 'toolSchool', 'mine'],
    ['tighten', 'cover.bolts', 3],
    ['tighten', 'wrenchHead.leverMm', 0],
    ['compound', 'tempC', 'warm'],
    ['cure', 'cure', [null, { c: 20, minutes: 10 }]],
    ['cure', 'now', 1e300],
    ['choose-job', 'terminations[0].options[0].marginMm', undefined],
    ['frame', 'modules[0].layer', 0.0004],
    ['frame', 'modules', []],
    ['frame', 'apart[0].circuits', ['power']],
    ['frame-check', 'plan.frames[0].openings[0].rows[0].height', -24],
    ['frame-check', 'plan.frames[0].openings[0].rows[0].places[0].peel', [1]],
    ['frame-reentry', 'add', []],
  ])('%s: refuses %s = %j, and so does the program, naming the place', async (kind, path, value) => {
    const request = changed(full(kind), path, value);
    expect(bySchema(kind, request)).toBe(false);
    const plan = await planFor(kind, request);
    expect(plan.ok).toBe(false);
    const top = path.split(/[.[]/)[0] ?? '';
    for (const problem of plan.ok ? [] : plan.problems) expect(problem.path.startsWith(top)).toBe(true);
  });
});

describe('what no schema can say', () => {
  const message = async (kind: KindName, request: unknown): Promise<string> => {
    const plan = await planFor(kind, request);
    return plan.ok ? 'planned' : plan.problems.map((p) => `${p.path}: ${p.message}`).join('\n');
  };
  const cut = full('cut');
  it.each<[string, KindName, Json, RegExp]>([
    [
      'a part that stands twice',
      'cut',
      changed(cut, 'catalogue.families[0].parts[1].id', 'shroud'),
      /^catalogue\.families\[0\]\.parts\[\d\]\.id: stands already/m,
    ],
    [
      'a figure for a stage that does not exist',
      'cut',
      changed(cut, 'catalogue.families[1].sizes[0].stageMethods.polish', { kind: 'metalToMetal' }),
      /stageMethods: RW2 has no such stage/,
    ],
    [
      'figures under a name that every object has',
      'cut',
      changed(cut, 'catalogue.families[1].sizes[0].stageMethods.constructor', { kind: 'metalToMetal' }),
      /stageMethods: RW2 has no such stage/,
    ],
    [
      'layers that do not nest',
      'cut',
      changed(changed(cut, 'readings[3].text', '31 mm'), 'readings[4].text', '31 mm'),
      /cannot lie inside .* of \d/,
    ],
    [
      'a core that is none',
      'cut',
      changed(cut, 'terminals[0].core', 'XX'),
      /terminals\[0\]\.core: is no core/,
    ],
    [
      'one core that is four',
      'choose',
      changed(full('choose'), 'cableType.singleCoreAc', true),
      /singleCoreAc: is said/,
    ],
    [
      'an improper fraction',
      'measure',
      changed(full('measure'), 'readings[3].text', '1 19/16'),
      /readings\[3\]\.text/,
    ],
    ['a revision without its family', 'cut', { ...cut, revision: '5' }, /^revision: /],
    ['a revision that is not there', 'cut', { ...cut, family: 'RW2', revision: '99' }, /^revision: .*5/],
    ['a ring that is none', 'cut', { ...cut, ring: 'NO-RING' }, /^ring: /],
    ['a catalogue that is not there', 'cut', { ...cut, catalogue: 'nobody' }, /^catalogue: cannot be read/],
    [
      'a path in the name of a catalogue',
      'cut',
      { ...cut, catalogue: '../plan/cut' },
      /^catalogue: is not the name/,
    ],
    [
      'a profile of nobody',
      'cut',
      { ...cut, profile: 'europe' },
      /^profile: is no profile of ours; use iec-/,
    ],
    [
      'a recut beyond the spare',
      'cut',
      { ...cut, recut: { cutOffMm: 31 } },
      /^recut\.cutOffMm: .*1 mm out of reach/,
    ],
    [
      'a circuit that no rule knows',
      'frame',
      changed(full('frame'), 'cables[0].circuit', 'singal'),
      /^cables\[0\]\.circuit: is in no rule .*signal, power/,
    ],
    ['a pour after now', 'cure', { ...full('cure'), pouredAt: 61 }, /^pouredAt: lies after now/],
    [
      'a phase that lies on two contacts',
      'coupler',
      changed(full('coupler'), 'ends[0].map[1].phase', 'BN'),
      /^ends\[0\]\.map: names a phase twice/,
    ],
    ['a kind that every object has', 'constructor' as KindName, {}, /^KIND: unknown/],
  ])('refuses %s', async (_, kind, request, wanted) => expect(await message(kind, request)).toMatch(wanted));

  it('asks for the family where two have a size of one code, and takes it when it is named', async () => {
    const catalogue = cut.catalogue as { families: { code: string; sizes: Json[] }[] };
    const twin = { ...catalogue.families[1], code: 'RW9' };
    const both = { ...cut, catalogue: { ...catalogue, families: [...catalogue.families, twin] } };
    expect(await message('cut', both)).toBe('size: stands in RW2 and RW9: name the family');
    expect(await message('cut', { ...both, family: 'RW9' })).toBe('planned');
  });

  it('reads circuits without regard to case, and says so', async () => {
    const plan = await planFor('frame', changed(full('frame'), 'cables[0].circuit', 'SIGNAL'));
    expect(plan.ok && (plan.value as { notes: string[] }).notes).toEqual([
      'circuit “SIGNAL” is taken for “signal”: upper and lower case are alike',
    ]);
  });
});

describe('the text of a request', () => {
  const refusal = (text: string): string => {
    const parsed = parseJson(text);
    return parsed.ok ? 'read' : `${parsed.problems[0]?.path}: ${parsed.problems[0]?.message}`;
  };
  it.each([
    ['{"a": 1, "a": 2}', /^a: stands twice/],
    ['{"a": [{"b": 1}, {"b": 1, "c": {"b": 2, "b": 3}}]}', /^a\[1\]\.c\.b: stands twice/],
    ['{"a": "b", "b": {"a": "a"}, "c": ["a", "a"]}', /^read$/],
    ['{"a": 1e999}', /^a: is larger than any number/],
    ['{"a": NaN}', /is not JSON/],
    ['{"a": 1', /is not JSON/],
    ['', /is not JSON/],
    ['[', /is not JSON/],
  ])('%s', (text, wanted) => expect(refusal(text)).toMatch(wanted));

  it('ends with nesting that no stack would hold', () => {
    expect(refusal('['.repeat(1_000_000))).toMatch(/lies deeper than 64/);
    expect(refusal('{"a":'.repeat(500_000))).toMatch(/lies deeper than 64/);
  });
});

/** The last place of each kind that there is in a value: a list of lines is asked in its last, which has one before it. */
function lastPlaces(value: unknown): string[] {
  const places = new Map<string, string>();
  const walk = (v: unknown, path: string) => {
    if (typeof v !== 'object' || v === null) return;
    for (const [key, inner] of Object.entries(v)) {
      const at = Array.isArray(v) ? `${path}[${key}]` : path === '' ? key : `${path}.${key}`;
      places.set(at.replace(/\d+/g, ''), at);
      walk(inner, at);
    }
  };
  walk(value, '');
  return [...places.values()];
}

it('answers or refuses whatever single thing is missing, nothing or empty, and speaks of no undefined', async () => {
  const ofSheets = KIND_NAMES.filter(
    (kind) => !/^(frame|choose)/.test(kind) && !('catalogue' in example(kind)),
  );
  const odd: string[] = [];
  const look = async (kind: KindName, path: string, request: unknown) => {
    const plan = await planFor(kind, request).catch((error: unknown) => String(error));
    if (typeof plan === 'string') odd.push(`${kind} ${path}: ${plan}`);
    else if (!plan.ok && plan.problems.some((p) => /undefined|NaN|\[object/.test(p.message)))
      odd.push(`${kind} ${path}: ${plan.problems.map((p) => p.message).join('; ')}`);
  };
  for (const kind of ofSheets)
    for (const path of lastPlaces(example(kind)))
      for (const value of [undefined, null, {}]) await look(kind, path, changed(example(kind), path, value));
  const whole = full('compound');
  for (const path of lastPlaces({ catalogue: whole.catalogue }))
    await look('compound', path, changed(whole, path, null));
  expect(odd).toEqual([]);
}, 240_000);

it('answers or refuses whatever is planted anywhere in a request, and never throws', async () => {
  const HOSTILE: readonly unknown[] = [
    null,
    {},
    [],
    '',
    'constructor',
    '__proto__',
    -1,
    0,
    1e308,
    true,
    '1 19/16',
    [null],
  ];
  const random = seededRandom(11);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T;
  /** Walks to a random place and plants something there. */
  const plant = (request: Json): string => {
    let at: unknown = request;
    const path: string[] = [];
    for (;;) {
      const keys = Object.keys(at as object);
      if (keys.length === 0) return path.join('.');
      const key = pick(keys);
      path.push(key);
      const next = (at as Json)[key];
      if (typeof next !== 'object' || next === null || random() < 0.25) {
        // A copy: else the next may be planted into what was planted, and so into itself.
        (at as Json)[key] = structuredClone(pick(HOSTILE));
        return path.join('.');
      }
      at = next;
    }
  };
  const kinds = KIND_NAMES.filter((k) => k !== 'choose-job' && k !== 'frame');
  for (let n = 0; n < 700; n += 1) {
    const kind = pick(kinds);
    const request = full(kind);
    const where = [plant(request), plant(request)];
    const plan = await planFor(kind, request).catch(
      (error: unknown) => `${kind} ${where.join(' ')}: ${String(error)}`,
    );
    expect(typeof plan === 'string' ? plan : 'object').toBe('object');
  }
}, 240_000);
