import { readFileSync } from 'node:fs';
import { closeDatabase, database, loadSummaries } from '@/data';
import { CABLES, ENCLOSURES } from '@/data/seed/quillmere';
import { reasonWords, type Candidate } from '@/core/gland-selection';
import { encodeArcs } from '@/core/procedure';
import { loadDemo } from './demo';
import { ownDatabase } from './testing/alone';
import { good } from './testing/job';
import { assessOne, requireJob } from './operations/load';
import { viewSummaries } from './operations/view';

ownDatabase('DEMO');
afterAll(closeDatabase);

beforeAll(async () => {
  // It is there already where the whole of the tests is run.
  const loaded = await loadDemo(readFileSync('examples/catalogue/demo.json', 'utf8'));
  if (!loaded.ok) throw new Error(JSON.stringify(loaded.problems));
});

const engagement = (best: Candidate | undefined): string => {
  const found = best?.findings.find((f) => f.criterion === 'engagement');
  return found ? reasonWords(found.case) : '';
};
const choice = async (cable: string, end: string) => {
  const { assessment } = await good(assessOne(database(), { job: 'quillmere', cable, end }));
  return { assessment, best: assessment.choice?.candidates[0] };
};

it('is a job of a size worth trying', () => {
  expect(CABLES.length).toBeGreaterThanOrEqual(24);
  expect(CABLES.length * 2).toBeGreaterThanOrEqual(40);
  expect(new Set(ENCLOSURES.map((e) => e.area))).toEqual(
    new Set(['Switch room', 'Still house', 'Grain intake', 'Pump room', 'Yard', 'Cask store']),
  );
});

it('is loaded once', async () => {
  expect(await good(loadDemo(readFileSync('examples/catalogue/demo.json', 'utf8')))).toBe('there');
});

it('has ends that wait for compound, one that cures, and a record of it that is whole', async () => {
  const curing = (await choice('K-141', 'B')).assessment;
  expect(curing.collar.arcs[4]).toMatchObject({ station: 'seal', state: 'waiting' });
  expect(curing.chainFaults).toEqual([]);
  for (const cable of ['K-140', 'K-146', 'K-147'])
    expect((await choice(cable, 'B')).assessment.collar.next?.station).toBe('seal');
});

describe('has its awkward cases', () => {
  it('an oval cable at a flameproof box', async () => {
    const { best } = await choice('K-106', 'B');
    expect(best?.verdict).toBe('misfit');
    expect(best?.findings.find((f) => f.criterion === 'ovality')?.verdict).toBe('misfit');
  });

  it('a marginal diameter', async () => expect((await choice('K-144', 'A')).best?.verdict).toBe('marginal'));

  it('cables known from the datasheet only', async () => {
    const { assessment } = await choice('K-121', 'A');
    expect(assessment.measured.outerSheath?.provisional).toBe(true);
    expect(assessment.collar.arcs[0]?.state).toBe('provisional');
  });

  it('a wrong thread', async () => {
    const { best } = await choice('K-112', 'B');
    expect(engagement(best)).toMatch(/tapered thread/);
  });

  it('a flameproof wall with too few threads', async () => {
    const { best } = await choice('K-107', 'B');
    expect(engagement(best)).toMatch(/0\.5 mm short/);
  });

  it('a barrier for an unfilled cable, another for a short one', async () => {
    expect((await choice('K-140', 'B')).best?.size.code).toBe('WC4-25');
    expect((await choice('K-141', 'B')).best?.size.code).toBe('BC4-20');
    expect((await choice('K-141', 'A')).assessment.barrier?.outcome).toBe('none');
  });

  it('a single core through a steel plate', async () => {
    const { best } = await choice('K-145', 'A');
    expect(best?.findings.filter((f) => f.verdict === 'misfit').map((f) => f.criterion)).toEqual([
      'singleCore',
    ]);
  });

  it('a plug-in body, an unarmoured and a metal-clad cable', async () => {
    expect((await choice('K-144', 'B')).best?.size.code).toBe('VB8-25');
    expect((await choice('K-151', 'B')).best?.size.code).toBe('PC5-25');
    expect((await choice('K-170', 'A')).best?.size.code).toBe('CT3-52');
    expect((await choice('K-142', 'A')).best?.size.code).toBe('UN1-25');
    expect((await choice('K-143', 'A')).best?.size.code).toBe('YB2-100');
  });

  it('a second job by classes and divisions, with a cable that is not listed for its place', async () => {
    const at = async (cable: string) => {
      const { assessment } = await good(assessOne(database(), { job: 'quillmere-annex', cable, end: 'B' }));
      return assessment.choice;
    };
    expect(
      (await at('D-201'))?.candidates.filter((c) => c.verdict === 'fits').map((c) => c.size.code),
    ).toEqual(['SF7-100', 'YB6-100']);
    expect((await at('D-203'))?.barrier.outcome).toBe('refused');
  });

  it('a cable that no size fits', async () => {
    const { assessment } = await choice('K-126', 'A');
    expect(assessment.choice?.candidates.every((c) => c.verdict === 'misfit')).toBe(true);
  });

  it('inch readings', async () => {
    const { assessment } = await choice('K-118', 'B');
    expect(assessment.readings.map((r) => r.reading.text)).toContain('1 3/32');
    expect(assessment.measured.outerSheath?.mean).toBeCloseTo((27.78125 + 28.575) / 2, 3);
  });

  it('an end that nobody has measured, and one whose terminal is not known', async () => {
    expect((await choice('K-122', 'A')).assessment.missing).toEqual([
      'outerSheath',
      'innerSheath',
      'armourWire',
    ]);
    expect((await choice('K-129', 'B')).assessment.collar.blockedBy).toMatch(
      /farthest terminal is not known/,
    );
  });
});

it('has stored collars that are what is worked out afresh', async () => {
  const job = await requireJob(database(), 'quillmere');
  if (!job.ok) throw new Error('no demo job');
  const stored = await loadSummaries(database(), job.value.id);
  expect(stored).toHaveLength(CABLES.length * 2);
  for (const row of stored) {
    const { assessment } = await good(
      assessOne(database(), { job: 'quillmere', cable: row.cable, end: row.end }),
    );
    expect([row.cable, row.end, row.arcs, row.next?.action ?? null, row.size]).toEqual([
      row.cable,
      row.end,
      encodeArcs(assessment.collar.arcs),
      assessment.collar.next?.action ?? null,
      assessment.plan?.plan.size ?? null,
    ]);
    expect(assessment.chainFaults).toEqual([]);
  }
});

it('has every state that the board can show but waiting', async () => {
  const states = new Set(
    (await good(viewSummaries('quillmere'))).flatMap((s) => Array.from(s.arcs).filter((_, i) => i % 2 === 0)),
  );
  expect(Array.from('tdpbhn').filter((s) => !states.has(s))).toEqual([]);
});
