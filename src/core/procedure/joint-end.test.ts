import { judge } from '@/core/gland-selection';
import { lackWords, mateIn } from '@/core/in-line';
import { replay, stepsOfEnd } from '@/core/record';
import { DEMO, demoSize, fitting } from '@/core/testing';
import { actOfFitter, makingOff } from '@/core/testing/making-off';
import {
  compareDecisions,
  generateSteps,
  isStale,
  planTermination,
  readPlan,
  rulesOfRecord,
  type PlanRequest,
} from '.';
import { MEASURING } from '@/core/testing/measuring';

const [family, size] = demoSize('JC6-25');
const [, larger] = demoSize('JC6-32');
const fits = fitting(family, size, 'none', false);
const REST = { routeMm: null, spareMm: 50, unit: 'mm' } as const;

/** One half, in a size, by its own pin map. */
function requestOf(tag: string, half: 'sockets' | 'pins', more: Partial<PlanRequest> = {}): PlanRequest {
  const input = { ...fits, enclosure: { ...fits.enclosure, tag: 'JL-1', concept: 'none' as const } };
  return { tag, ...REST, input: { ...input, entry: { ...input.entry, inLine: half } }, ...more };
}
const planned = (request: PlanRequest, of = size) =>
  planTermination(request, judge(request.input, family, of, DEMO));

const fed = (more: Partial<PlanRequest> = {}, of = size) => planned(requestOf('K-157/A', 'pins', more), of);
const feeds = (mate = fed(), more: Partial<PlanRequest> = {}) =>
  planned(requestOf('K-156/B', 'sockets', { joint: { box: 'JL-1', mate }, ...more }));

const plan = feeds();
const HOME = { BN: '1', BK: '2', GY: '3', GNYE: 'E' };
const THROUGH = { BN: 'BN', BK: 'BK', GY: 'GY', GNYE: 'GNYE' };
const { steps, held, until } = makingOff(plan, family, ({ id }) =>
  id.endsWith('insert') ? { chosen: HOME } : id === 'through' ? { chosen: THROUGH } : {},
);
const refusals = (of: ReturnType<typeof feeds>) => of.cutRefusal.map((p) => p.message).join('; ');

describe('two ends as one joint', () => {
  it('leads the half that its sheet houses first, the housing, the other half, and then both to one signature', () => {
    const ids = steps.map((s) => s.id);
    expect(ids.filter((id) => id.includes('sign'))).toEqual(['sign']);
    expect(ids.slice(ids.indexOf('click'), ids.indexOf('other.safe') + 1)).toEqual([
      'click',
      'stage.outerSeal',
      'housing',
      'stage.house',
      'other.safe',
    ]);
    expect(ids.slice(ids.indexOf('other.click'))).toEqual([
      'other.click',
      'other.stage.outerSeal',
      'spin',
      'stage.couple',
      'through',
      'sign',
    ]);
    expect(new Set(stepsOfEnd(steps, 'K-157/A').map((s) => s.end))).toEqual(new Set(['K-157/A', undefined]));
    expect(plan.joint).toMatchObject({ first: 'K-156/B', housing: { part: 'JC6-H' } });
  });

  it('houses the other half first where the sheet says so', () => {
    const pinsFirst = {
      ...family,
      inLine: { ...(family.inLine as object), housedFirst: 'pins' },
    } as typeof family;
    const request = requestOf('K-156/B', 'sockets', { joint: { box: 'JL-1', mate: fed() } });
    const turned = planTermination(request, judge(request.input, pinsFirst, size, DEMO));
    expect(generateSteps(turned, pinsFirst)[0]?.end).toBe('K-157/A');
    expect(turned.joint?.first).toBe('K-157/A');
  });

  it('orders each half by the part number of its own, and the housing once', () => {
    expect(plan.parts.map((p) => p.part)).toEqual(['JC6-25-S', 'JC6-H']);
    expect(fed().parts.map((p) => p.part)).toEqual(['JC6-25-P']);
  });

  it('gives the half with pins no steps of its own: its record is kept by the other', () => {
    expect(generateSteps(fed(), family)).toEqual([]);
    expect(fed().joint).toBeUndefined();
  });
});

describe('what is no joint is refused with its reason, and led nowhere', () => {
  it.each([
    [
      'nobody there',
      feeds(undefined, { joint: { lack: { code: 'noMate', box: 'JL-1', half: 'pins' } } }),
      /nothing goes into the half with pins of JL-1 yet/,
    ],
    ['nothing said of it', planned(requestOf('K-156/B', 'sockets')), /nothing goes into the half with pins/],
    [
      'not planned',
      feeds(undefined, { joint: { lack: { code: 'notPlanned', tag: 'K-157/A' } } }),
      /no size is taken yet for K-157\/A/,
    ],
    [
      'not measured',
      feeds({ ...fed(), provisional: ['outer sheath is a datasheet value'] }),
      /K-157\/A is planned provisionally only: outer sheath/,
    ],
    [
      'another size',
      feeds(fed({}, larger)),
      /K-156\/B is JC6-25, K-157\/A is JC6-32: their inserts do not mate/,
    ],
    [
      'another revision',
      feeds({ ...fed(), family: { ...fed().family, revision: '2' } }),
      /revision 1 of JC6, K-157\/A on 2/,
    ],
    [
      'another sheet',
      feeds({ ...fed(), family: { ...fed().family, code: 'PC5' } }),
      /by JC6, K-157\/A by PC5/,
    ],
  ])('%s', (_, refused, words) => {
    expect(refusals(refused)).toMatch(words);
    expect(generateSteps(refused, family)).toEqual([]);
  });

  it('names each core that lies at another position on the other side', () => {
    const swapped = fed({
      pins: [
        { core: 'BN', position: '2' },
        { core: 'BK', position: '1' },
        { core: 'GY', position: '3' },
        { core: 'GNYE', position: 'E' },
      ],
    });
    expect(refusals(feeds(swapped))).toMatch(/core BK is at 2 of K-156\/B and at 1 of K-157\/A/);
    expect(refusals(feeds(swapped))).toMatch(/core BN is at 1 of K-156\/B and at 2 of K-157\/A/);
  });

  it('says what is wrong with the other half by its name', () => {
    const unnamed = requestOf('K-157/A', 'pins');
    const mate = planned({
      ...unnamed,
      input: { ...unnamed.input, cableType: { ...unnamed.input.cableType, coreNames: undefined } },
    });
    expect(refusals(feeds(mate))).toMatch(/K-157\/A: nobody said what its cores are called/);
  });

  it('knows two halves that do not mate, and a third end', () => {
    const [a, b, c] = [
      { tag: 'a', half: 'pins' as const },
      { tag: 'b', half: 'pins' as const },
      { tag: 'c', half: 'sockets' as const },
    ];
    const why = (own: typeof a | typeof c, all: readonly (typeof a | typeof c)[]) => {
      const found = mateIn<typeof a | typeof c>('JL-1', own, all);
      return 'lack' in found ? lackWords(found.lack) : found.mate.tag;
    };
    expect(why(a, [a, c])).toBe('c');
    expect(why(a, [a])).toMatch(/half with sockets of JL-1 yet/);
    expect(why(a, [a, b])).toMatch(/b has pins in JL-1 too/);
    expect(why(a, [a, b, c])).toBe('a, b, c go into JL-1, and a joint has two ends');
  });
});

describe('at the bench', () => {
  it('asks each half after its own cores, and refuses one on another position', () => {
    const acts = until('other.insert');
    expect(held(acts, { chosen: { ...HOME, BN: '2', BK: '1' } })).toMatch(
      /BN lies on 2, and the pin map says 1/,
    );
    expect(held(acts)).toBe('');
  });

  it('is not signed while a core rings on another one, named with both ends', () => {
    const acts = until('through');
    expect(held(acts, { chosen: { ...THROUGH, BN: 'BK', BK: 'BN' } })).toMatch(
      /BN of K-156\/B rings on BK of K-157\/A; BK of K-156\/B rings on BN of K-157\/A/,
    );
    expect(held(acts)).toBe('');
    expect(replay(steps, acts).next?.kind).toBe('sign');
  });

  it('cuts one half back without asking for the other again, and mates anew', () => {
    const acts = until('sign');
    acts.push(actOfFitter('other.recut', 'recut'));
    const { done, next } = replay(steps, acts);
    expect(next?.id).toBe('other.cut.outerSheath');
    expect(done.has('cut.outerSheath') && done.has('stage.house')).toBe(true);
    expect(['other.insert', 'stage.couple', 'through'].filter((id) => done.has(id))).toEqual([]);
    const ownAgain = [...until('sign'), actOfFitter('recut', 'recut')];
    expect(replay(steps, ownAgain).done.has('other.insert')).toBe(true);
    expect(replay(steps, ownAgain).next?.id).toBe('cut.outerSheath');
  });

  it('judges what is left by the half that is cut', () => {
    const { recut } = rulesOfRecord(plan, { own: 40, other: 5 }, MEASURING);
    expect(recut(10, 'K-157/A').ok).toBe(false);
    expect(recut(10, 'K-156/B')).toEqual({ ok: true, value: 30 });
  });
});

it('is stale as soon as the other half is planned otherwise, and says in what', () => {
  const mate = fed();
  const request = requestOf('K-156/B', 'sockets', { joint: { box: 'JL-1', mate } });
  expect(isStale(plan, request, family)).toBe(false);
  const longer = fed({ spareMm: 20 });
  const changed = { ...request, joint: { box: 'JL-1', mate: longer } };
  expect(isStale(plan, changed, family)).toBe(true);
  expect(isStale(plan, { ...request, joint: { lack: { code: 'stale', tag: 'K-157/A' } } }, family)).toBe(
    true,
  );
  const other = fed({}, size);
  const moved = {
    ...other,
    decisions: other.decisions.map((d) => (d.id === 'strip' ? { ...d, figures: '9' } : d)),
  };
  expect(compareDecisions(plan.decisions, feeds(moved).decisions).changed.map((c) => c.id)).toEqual([
    'other.strip',
  ]);
});

it('is read back from the store, and not with half of it missing', () => {
  const stored = (joint: unknown) => readPlan(JSON.parse(JSON.stringify({ ...plan, joint })));
  expect(stored(plan.joint)).toMatchObject({ ok: true });
  expect(stored({ ...plan.joint, other: { ...plan.joint?.other, decisions: undefined } }).ok).toBe(false);
  expect(stored({ ...plan.joint, other: undefined }).ok).toBe(false);
});
