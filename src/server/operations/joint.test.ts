import { randomUUID } from 'node:crypto';
import { asHeld, type ConfirmCommand, type Step } from '@/core/record';
import { closeDatabase, database, loadSummaries } from '@/data';
import { FITTER, good, makeJob, NOW, PLANNER, refused } from '../testing/job';
import { sent, WORKS } from '../testing/bench';
import { addReading } from './cable-measurement';
import { undoLast } from './edits';
import { setPins } from './end-facts';
import { replan, takeSize } from './gland-selection';
import { addInstrument } from './instruments';
import { exportJob, importJob } from './job-file';
import { viewJobRecord } from './job-record';
import { acceptJobChoice } from './job-choice';
import { requireJob } from './load';
import { retireCable } from './schedule';
import { recordBundle } from './dossier';
import { viewTermination } from './view';
import { work } from './work';

afterAll(closeDatabase);

type Half = 'K-1/B' | 'K-2/A';
const ref = (job: string, tag: Half) => ({ job, cable: tag.slice(0, 3), end: tag.slice(4) });
const view = (job: string, tag: Half) => good(viewTermination(ref(job, tag)));
const take = (job: string, tag: Half, knowing = false) =>
  takeSize(ref(job, tag), 'JC6-25', randomUUID(), PLANNER, NOW, knowing);

/** Two thin cables that meet in a housing: the first feeds. */
async function makeJoint(halves: readonly [string, string] = ['sockets', 'pins']): Promise<string> {
  const file = await good(exportJob(await makeJob()));
  const entry = (label: string, inLine: string) => ({
    ...file.boxes[0]?.entries[0],
    label,
    thread: { form: 'metric', size: 'M25', pitchMm: 1.5 },
    inLine,
  });
  const box = {
    area: 'Test area',
    box: { ...file.boxes[0]?.box, tag: 'JL-1', concept: 'none', zone: null, gasGroup: null },
    entries: [entry('S', halves[0]), entry('P', halves[1])],
  };
  const outer = { quantity: 'outerSheath', method: 'caliper', text: '11.7', unit: 'mm' };
  const readings = [0, 90].map((angleDeg) => ({ end: null, reading: { ...outer, angleDeg } }));
  // Only the second cable's are measured with something that has a name.
  const cables = file.cables.map((c, i) => ({
    ...c,
    type: 'U4-4',
    readings: readings.map(({ reading, ...r }) => ({
      ...r,
      reading: i === 0 ? reading : { ...reading, instrument: 'DC-9' },
    })),
  }));
  const [first, second] = cables;
  const into = (label: string) => ({ ...first?.A, box: 'JL-1', entry: label });
  const joined = {
    ...file,
    boxes: [...file.boxes, box],
    cables: [
      { ...first, B: into('S') },
      { ...second, A: into('P') },
    ],
  };
  return (await good(importJob(JSON.stringify(joined), PLANNER, NOW))).slug;
}

const HOME = { BN: '1', BK: '2', GY: '3', GNYE: 'E' };
const THROUGH = { BN: 'BN', BK: 'BK', GY: 'GY', GNYE: 'GNYE' };
const held = (step: Step): ConfirmCommand => ({
  ...asHeld(step),
  ...(step.id.endsWith('insert') ? { chosen: HOME } : {}),
  ...(step.id === 'through' ? { chosen: THROUGH } : {}),
});

async function stepAt(job: string, at: Half) {
  const { steps, nextStep } = await view(job, at);
  const step = steps.find((s) => s.id === nextStep);
  if (!step) throw new Error('nothing comes next');
  return step;
}
/** Confirms what comes next, named by one half or by the other. */
const confirm = async (job: string, at: Half, more: Partial<ConfirmCommand> = {}) =>
  work(
    { kind: 'termination', ...ref(job, at) },
    sent({ ...held(await stepAt(job, at)), ...more }),
    FITTER,
    WORKS,
    NOW,
  );
async function until(job: string, id: string) {
  const { steps, nextStep } = await view(job, 'K-1/B');
  const from = steps.findIndex((s) => s.id === nextStep);
  for (const step of steps.slice(
    from,
    steps.findIndex((s) => s.id === id),
  ))
    await good(work({ kind: 'termination', ...ref(job, 'K-1/B') }, sent(held(step)), FITTER, WORKS, NOW));
}
async function planned() {
  const job = await makeJoint();
  await good(take(job, 'K-2/A'));
  await good(take(job, 'K-1/B'));
  return job;
}
const blocked = async (job: string, at: Half) => (await view(job, at)).collar.blockedBy;

describe('which two ends are a joint', () => {
  it('says at each half what it waits for, and nothing at any other end', async () => {
    const job = await makeJoint();
    expect((await good(viewTermination({ job, cable: 'K-1', end: 'A' }))).joint).toBeNull();
    expect(await blocked(job, 'K-2/A')).toMatch(/no size is taken yet for K-1\/B/);
    await good(take(job, 'K-1/B'));
    expect(await blocked(job, 'K-1/B')).toMatch(/no size is taken yet for K-2\/A/);
    expect((await view(job, 'K-1/B')).steps).toEqual([]);
  });

  it('plans the one that keeps the record with the other at once, whichever was taken first', async () => {
    const job = await makeJoint();
    await good(take(job, 'K-1/B'));
    await good(take(job, 'K-2/A'));
    const keeper = await view(job, 'K-1/B');
    expect([keeper.stale, keeper.collar.blockedBy, keeper.steps.length > 20]).toEqual([false, null, true]);
    expect(keeper.joint).toMatchObject({ keeper: { tag: 'K-1/B' }, mate: { tag: 'K-2/A' }, lack: null });
  });

  it('takes both in one go of the whole job, the keeper last', async () => {
    const job = await makeJoint();
    const picks = ['K-1/B', 'K-2/A'].map((tag) => ({ tag, part: 'JC6-25' }));
    await good(acceptJobChoice(job, picks, PLANNER, NOW));
    expect((await view(job, 'K-1/B')).stale).toBe(false);
    expect((await view(job, 'K-1/B')).steps.length).toBeGreaterThan(20);
  });

  it('does not join two halves with pins', async () => {
    const job = await makeJoint(['pins', 'pins']);
    await good(take(job, 'K-1/B'));
    await good(take(job, 'K-2/A'));
    expect(await blocked(job, 'K-1/B')).toMatch(/K-2\/A has pins in JL-1 too/);
    expect((await view(job, 'K-1/B')).steps).toEqual([]);
  });

  it('names a core that the two maps put at different positions, and leads nobody on', async () => {
    const job = await planned();
    const { versions } = await view(job, 'K-2/A');
    await good(setPins(ref(job, 'K-2/A'), versions.A, 'BN 2, BK 1, GY 3, GNYE E', PLANNER, NOW));
    expect(await blocked(job, 'K-2/A')).toMatch(/plan of K-1\/B.*is stale/);
    await good(replan(ref(job, 'K-2/A'), randomUUID(), PLANNER, NOW));
    expect(await blocked(job, 'K-1/B')).toMatch(/core BK is at 2 of K-1\/B and at 1 of K-2\/A/);
    expect((await view(job, 'K-1/B')).steps).toEqual([]);
  });
});

describe('one record for both', () => {
  it('is worked at from either half, stands in both, and is signed once', async () => {
    const job = await planned();
    await until(job, 'other.insert');
    expect(await refused(confirm(job, 'K-2/A', { chosen: { ...HOME, BN: '2', BK: '1' } }))).toMatch(
      /BN lies on 2, and the pin map says 1/,
    );
    await good(confirm(job, 'K-2/A'));
    await until(job, 'through');
    expect(await refused(confirm(job, 'K-1/B', { chosen: { ...THROUGH, BN: 'BK', BK: 'BN' } }))).toMatch(
      /BN of K-1\/B rings on BK of K-2\/A/,
    );
    await good(confirm(job, 'K-1/B'));
    await good(confirm(job, 'K-2/A'));
    const [a, b] = [await view(job, 'K-1/B'), await view(job, 'K-2/A')];
    expect([a.signedBy, b.signedBy]).toEqual([FITTER.name, FITTER.name]);
    expect(b.events).toEqual(a.events);
    expect([a.chainFaults, b.chainFaults]).toEqual([[], []]);
    expect(b.collar.arcs.slice(2).map((arc) => arc.state)).toEqual(
      a.collar.arcs.slice(2).map((arc) => arc.state),
    );
    const whole = await good(viewJobRecord(job));
    expect([whole.faults, whole.entries]).toEqual([[], a.events.length]);
    const found = await requireJob(database(), job);
    const lines = found.ok ? await loadSummaries(database(), found.value.id) : [];
    expect(
      lines.filter((l) => ['K-1/B', 'K-2/A'].includes(`${l.cable}/${l.end}`)).map((l) => l.arcs.slice(-2)),
    ).toEqual(['d9', 'd9']);
    expect(a.events.filter((e) => JSON.stringify(e.body).includes('K-2/A: ')).length).toBeGreaterThan(8);
    const zip = await good(recordBundle(job, { kind: 'end', name: 'K-2', end: 'A' }, NOW));
    expect(zip.body.length).toBeGreaterThan(1000);
  });

  it('is not signed on a reading of the other half that nobody can rely on', async () => {
    const job = await planned();
    await until(job, 'sign');
    const facts = { code: 'CT-1', kind: 'continuityTester' as const, holder: '', uncertainty: '± 0.05 Ω' };
    await good(addInstrument(job, facts));
    expect(await refused(confirm(job, 'K-1/B'))).toMatch(/not signed: DC-9/);
  });

  it('does not count for another cable that came into the housing since', async () => {
    const job = await planned();
    await until(job, 'other.insert');
    await good(
      addReading(
        ref(job, 'K-2/A'),
        { quantity: 'outerSheath', method: 'caliper', text: '12.2', unit: 'mm' },
        randomUUID(),
        FITTER,
        NOW,
      ),
    );
    const mate = await view(job, 'K-2/A');
    expect(mate.stale).toBe(true);
    expect(mate.collar.blockedBy).toMatch(/plan of K-1\/B.*is stale/);
    expect([mate.steps, mate.signedBy]).toEqual([[], null]);
    expect((await view(job, 'K-1/B')).events.at(-1)?.kind).toBe('note');
  });

  it('is no joint any more, in every list too, when the other cable goes, and is one again by undo', async () => {
    const job = await planned();
    const stateOf = async (tag: Half) => {
      const found = await requireJob(database(), job);
      const lines = found.ok ? await loadSummaries(database(), found.value.id) : [];
      return lines.find((l) => `${l.cable}/${l.end}` === tag)?.arcs.slice(2, 4);
    };
    expect(await stateOf('K-1/B')).toBe('d9');
    const { cableId, versions } = await view(job, 'K-2/A');
    await good(retireCable(job, cableId, versions.cable, PLANNER, NOW));
    expect(await stateOf('K-1/B')).toBe('s9');
    expect((await view(job, 'K-1/B')).joint?.lack).toMatch(/nothing goes into the half with pins/);
    await good(undoLast(job, PLANNER, NOW));
    expect(await stateOf('K-1/B')).toBe('d9');
    await good(
      setPins(
        ref(job, 'K-2/A'),
        (await view(job, 'K-2/A')).versions.A,
        'BN 1, BK 3, GY 2, GNYE E',
        PLANNER,
        NOW,
      ),
    );
    expect(await stateOf('K-1/B')).toBe('s9');
  });

  it('asks whoever changes a half that is worked at, and has the joint planned again, in words', async () => {
    const job = await planned();
    await until(job, 'housing');
    expect(await refused(take(job, 'K-2/A'))).toMatch(/joined with K-1\/B, where work has begun/);
    await good(take(job, 'K-2/A', true));
    expect((await view(job, 'K-1/B')).chainFaults).toEqual([]);
    expect((await view(job, 'K-2/A')).chainFaults).toEqual([]);
    // Whoever takes the mate out is told of the record that it leaves.
    const { cableId, versions } = await view(job, 'K-2/A');
    expect((await good(retireCable(job, cableId, versions.cable, PLANNER, NOW))).events).toBeGreaterThan(8);
  });

  it('cuts the half back whose turn it is, of its own spare', async () => {
    const job = await planned();
    await until(job, 'other.insert');
    const recut = (text: string) =>
      work({ kind: 'termination', ...ref(job, 'K-1/B') }, sent({ kind: 'recut', text }), FITTER, WORKS, NOW);
    expect(await refused(recut('400'))).toMatch(/mm/);
    const before = await view(job, 'K-2/A');
    await good(recut('10'));
    expect((await view(job, 'K-2/A')).spareMm).toBe(before.spareMm - 10);
    expect((await view(job, 'K-1/B')).spareMm).toBe(30);
    expect((await view(job, 'K-1/B')).events.at(-1)).toMatchObject({ kind: 'recut', stepId: 'other.recut' });
  });

  it('takes one of two who confirm the same step from either half at once, and both halves of a cut and a step', async () => {
    const job = await planned();
    await until(job, 'other.cut.outerSheath');
    const step = await stepAt(job, 'K-1/B');
    const from = (at: Half, command: ConfirmCommand | { kind: 'recut'; text: string }) =>
      work({ kind: 'termination', ...ref(job, at) }, sent(command), FITTER, WORKS, NOW);
    const both = await Promise.all([from('K-1/B', held(step)), from('K-2/A', held(step))]);
    expect(both.filter((r) => r.ok)).toHaveLength(1);
    const cutAndStep = await Promise.all([
      from('K-2/A', { kind: 'recut', text: '5' }),
      from('K-1/B', { kind: 'recut', text: '5' }),
    ]);
    expect(cutAndStep.filter((r) => r.ok).length).toBeGreaterThan(0);
    const spent = 30 - (await view(job, 'K-2/A')).spareMm;
    expect(spent).toBe(5 * cutAndStep.filter((r) => r.ok).length);
    expect((await view(job, 'K-1/B')).chainFaults).toEqual([]);
  });
});
