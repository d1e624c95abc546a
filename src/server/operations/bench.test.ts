import { randomUUID } from 'node:crypto';
import mysql from 'mysql2/promise';
import { asHeld } from '@/core/record';
import { closeDatabase } from '@/data';
import {
  confirmNext,
  logTemperature,
  nextStep,
  recutEnd,
  ref,
  sent,
  subject,
  take,
  takeBack,
  view,
  workUntil,
  WORKS,
} from '../testing/bench';
import { FITTER, good, makeJob, NOW, PLANNER, refused } from '../testing/job';
import { replan, takeSize } from './gland-selection';
import { cutCard } from './cut-card';
import { undoLast } from './edits';
import { addReading, withdrawReading } from './cable-measurement';
import { editCable, schedulePage } from './schedule';
import { viewSummaries } from './view';
import { work } from './work';

afterAll(closeDatabase);

describe('measuring', () => {
  it('keeps readings as typed with who and when, narrows the interval, and withdraws', async () => {
    const job = await makeJob();
    const { id } = await good(
      addReading(
        ref(job, 'K-2'),
        { quantity: 'outerSheath', method: 'caliper', text: '1 3/32', unit: 'in', instrument: 'C-07' },
        randomUUID(),
        FITTER,
        NOW,
      ),
    );
    const v = await view(job, 'K-2');
    expect(v.readings[0]).toMatchObject({
      end: 'A',
      reading: { text: '1 3/32', unit: 'in', instrument: 'C-07', person: 'fitter', at: NOW.toISOString() },
    });
    expect(v.measured.outerSheath?.mean).toBeCloseTo(27.78, 2);
    expect((await view(job, 'K-2', 'B')).readings).toEqual([]);
    await good(withdrawReading(ref(job, 'K-2'), id, FITTER, NOW));
    expect((await view(job, 'K-2')).measured.outerSheath).toBeNull();
    await good(undoLast(job, FITTER, NOW));
    expect((await view(job, 'K-2')).readings).toHaveLength(1);
  });

  it.each([
    ['text', { text: 'thick' }, /not a length/],
    ['a 4 m cable', { text: '4 m' }, /above 150 mm/],
    ['a negative', { text: '-3' }, /negative/],
    ['an unknown unit', { unit: 'furlong' }, /unit/],
    ['an unknown quantity', { quantity: 'mood' }, /quantity/],
  ])('refuses %s', async (_, change, message) => {
    const job = await makeJob();
    const reading = { quantity: 'outerSheath', method: 'caliper', text: '28', unit: 'mm', ...change };
    expect(await refused(addReading(ref(job, 'K-2'), reading, randomUUID(), FITTER, NOW))).toMatch(message);
    expect((await view(job, 'K-2')).readings).toEqual([]);
  });

  it('takes a datasheet for both ends', async () => {
    const job = await makeJob();
    await good(
      addReading(
        ref(job, 'K-2', 'A'),
        { quantity: 'outerSheath', method: 'datasheet', text: '28', unit: 'mm' },
        randomUUID(),
        PLANNER,
        NOW,
      ),
    );
    expect((await view(job, 'K-2', 'B')).measured.outerSheath?.provisional).toBe(true);
  });
});

describe('choosing', () => {
  it('takes what fits, stores hashes and revision, and undoes', async () => {
    const job = await makeJob();
    await good(take(job, 'RW2-32'));
    const v = await view(job);
    expect(v.plan?.plan).toMatchObject({
      size: 'RW2-32',
      family: { code: 'RW2', revision: '5' },
      rules: { glandSelection: 3, cutBack: 3, compoundCure: 2, procedure: 3 },
      provisional: [],
    });
    expect(v.plan?.hash).toMatch(/^[0-9a-f]{64}$/);
    await good(take(job, 'AY3-32'));
    expect((await view(job)).plan?.plan.size).toBe('AY3-32');
    await good(undoLast(job, PLANNER, NOW));
    expect((await view(job)).plan?.plan.size).toBe('RW2-32');
    await good(undoLast(job, PLANNER, NOW));
    expect((await view(job)).plan).toBeNull();
  });

  it('refuses a misfit with its numbers, and what is not measured', async () => {
    const job = await makeJob();
    // The interval reaches 28.3 mm; RW2-25 ends at 24.2 mm
    expect(await refused(take(job, 'RW2-25'))).toMatch(
      /outer seal takes 17.6–24.2 mm, your outer sheath is 27.8–28.3 mm: 4.1 mm over/,
    );
    expect(await refused(takeSize(ref(job, 'K-2'), 'RW2-32', randomUUID(), PLANNER, NOW))).toMatch(
      /not measured/,
    );
    expect(await refused(take(job, 'XX9-99'))).toMatch(/not in the catalogue/);
    expect((await view(job)).plan).toBeNull();
  });

  it('takes a marginal size provisionally, and the bench then waits for a reading', async () => {
    const job = await makeJob();
    await good(
      addReading(
        ref(job),
        { quantity: 'outerSheath', method: 'caliper', text: '31.15', unit: 'mm', angleDeg: 45 },
        randomUUID(),
        FITTER,
        NOW,
      ),
    );
    expect(await good(take(job, 'RW2-32'))).toEqual({ provisional: true });
    expect((await view(job)).collar.arcs[1]?.state).toBe('provisional');
    expect(await refused(confirmNext(job))).toMatch(/provisional: a range is only marginally met/);
  });
});

describe('the bench', () => {
  it('goes through every step to the signature, in order, and the collar fills', async () => {
    const job = await makeJob();
    await good(take(job, 'RW2-32'));
    await workUntil(job, 'sign');
    await good(confirmNext(job));
    const v = await view(job);
    expect(v).toMatchObject({ nextStep: null, signedBy: 'fitter', chainFaults: [], loops: 0 });
    expect(v.events.map((e) => e.seq)).toEqual(v.steps.map((_, i) => i + 1));
    const summary = (await good(viewSummaries(job))).find((s) => s.cable === 'K-1' && s.end === 'A');
    expect(summary).toMatchObject({ arcs: 'd9d9d9d9n0d9d9', next: null });
    expect(await refused(undoLast(job, PLANNER, NOW))).toMatch(/work at the bench stands on this plan/);
  });

  it('stores a repeated send once', async () => {
    const job = await makeJob();
    await good(take(job, 'RW2-32'));
    const send = sent(asHeld(await nextStep(job)));
    expect(await good(work(subject(job), send, FITTER, WORKS, NOW))).toEqual({
      repeated: false,
      waste: null,
    });
    expect(await good(work(subject(job), send, FITTER, WORKS, NOW))).toEqual({ repeated: true, waste: null });
    expect((await view(job)).events).toHaveLength(1);
    const other = { ...send, command: { ...send.command, fingerprint: 'other' } };
    for (const [where, what] of [
      [subject(job, 'K-1', 'B'), send],
      [subject(job), other],
    ] as const)
      expect(await refused(work(where, what, FITTER, WORKS, NOW))).toMatch(/belongs to something else/);
  });

  it('lets an event id into one record only, also where the same step comes next in another', async () => {
    const [job, other] = [await makeJob(), await makeJob()];
    for (const one of [job, other]) await good(take(one, 'RW2-32'));
    const id = randomUUID();
    await good(work(subject(job), sent(asHeld(await nextStep(job)), NOW, id), FITTER, WORKS, NOW));
    const again = work(subject(other), sent(asHeld(await nextStep(other)), NOW, id), FITTER, WORKS, NOW);
    expect(await refused(again)).toMatch(/belongs to something else/);
    expect((await view(other)).events).toEqual([]);
    expect((await view(job)).events).toHaveLength(1);
  });

  it('lets one of two benches have the step when both confirm at once', async () => {
    const job = await makeJob();
    await good(take(job, 'RW2-32'));
    const results = await Promise.all(Array.from({ length: 6 }, () => confirmNext(job)));
    expect(results.filter((r) => r.ok).length).toBeGreaterThanOrEqual(1);
    const v = await view(job);
    expect(v.chainFaults).toEqual([]);
    expect(new Set(v.events.map((e) => e.stepId)).size).toBe(v.events.length);
  });

  it.each<[string, object, RegExp, Date?]>([
    ['a step out of turn', { stepId: 'sign' }, /comes later/],
    ['an old screen', { fingerprint: 'old' }, /changed since it was shown/],
    ['a decision without a look', { decision: 'clamped' }, /only a look/],
    ['a hold point with a check that nobody ticked', { checked: [0, 2] }, /not ticked yet: Proved dead/],
    ['a tick at a check that is not there', { checked: [0, 1, 2, 3] }, /not a check of this step/],
    ['a length that the step does not ask for', { measured: { armour: 24 } }, /does not ask for it/],
  ])('refuses %s', async (_, change, message) => {
    const job = await makeJob();
    await good(take(job, 'RW2-32'));
    expect(await refused(confirmNext(job, FITTER, 'clamped', NOW, 'A', change))).toMatch(message);
    expect((await view(job)).events).toEqual([]);
  });

  it.each([
    ['runs ahead', '2026-11-10T09:00:00.000Z', /runs ahead/],
    ['says noon', 'noon', /not a time/],
    ['says 1970', '1970-01-01T00:00:00.000Z', /lies before what it follows/],
    ['is three minutes ahead', new Date(NOW.getTime() + 181_000).toISOString(), /runs ahead/],
    ['is three minutes before the plan', new Date(NOW.getTime() - 181_000).toISOString(), /lies before/],
  ])('refuses a device whose clock %s', async (_, at, message) => {
    const job = await makeJob();
    await good(take(job, 'RW2-32'));
    const send = { ...sent(asHeld(await nextStep(job))), at };
    expect(await refused(work(subject(job), send, FITTER, WORKS, NOW))).toMatch(message);
    expect((await view(job)).events).toEqual([]);
  });

  it('writes down what was ticked, measured, and with what', async () => {
    const job = await makeJob();
    await good(take(job, 'RW2-32'));
    await workUntil(job, 'cut.armour');
    expect((await view(job)).events[0]?.body).toMatchObject({
      checked: [
        'Isolated and locked off',
        'Proved dead at the box',
        'Permit and gas test where the area is classified',
      ],
    });
    const measured = { measured: { armour: 24 }, instrument: ' rule 3 ' };
    await good(confirmNext(job, FITTER, 'clamped', NOW, 'A', measured));
    expect((await view(job)).events.slice(-1)[0]?.body).toMatchObject({
      measured: [{ key: 'armour', label: 'Armour laid bare', mm: 24 }],
      instrument: 'rule 3',
    });
  });

  it('takes back a step that was held by mistake, with its reason, and what stands on it', async () => {
    const job = await makeJob();
    await good(take(job, 'RW2-32'));
    await workUntil(job, 'sign');
    await good(confirmNext(job));
    expect(await refused(takeBack(job, 'ring', ' '))).toMatch(/say why/);
    await good(takeBack(job, 'ring', 'held for the other end'));
    const v = await view(job);
    expect(v).toMatchObject({ nextStep: 'ring', signedBy: null, chainFaults: [] });
    expect(v.done).toContain('spread');
    expect(v.done).not.toContain('stage.clamp');
    expect(v.events.slice(-1)[0]).toMatchObject({
      kind: 'correct',
      stepId: 'ring',
      body: { reason: 'held for the other end', redo: expect.arrayContaining(['ring', 'sign']) as unknown },
    });
    expect(await refused(takeBack(job, 'ring', 'once more'))).toMatch(/is not done/);
    await workUntil(job, 'sign');
    await good(confirmNext(job));
    expect((await view(job)).signedBy).toBe('fitter');
  });

  it('records the loop of the look', async () => {
    const job = await makeJob();
    await good(take(job, 'RW2-32'));
    await workUntil(job, 'look');
    await good(confirmNext(job, FITTER, 'spreadAgain'));
    expect(await view(job)).toMatchObject({ nextStep: 'spread', loops: 1 });
    await workUntil(job, 'look');
    await good(confirmNext(job, FITTER, 'trim'));
    expect(await view(job)).toMatchObject({ nextStep: 'stage.clamp', loops: 2 });
  });

  it('asks for a second person where the job does', async () => {
    const job = await makeJob(true);
    await good(take(job, 'RW2-32'));
    await workUntil(job, 'sign');
    expect(await refused(confirmNext(job, FITTER))).toMatch(/another person/);
    await good(confirmNext(job, { id: randomUUID(), name: 'inspector' }));
    expect((await view(job)).signedBy).toBe('inspector');
  });
});

describe('a plan that somebody changed behind the application’s back', () => {
  it('is named on the record, prints no signature, and lets nothing be confirmed', async () => {
    const job = await makeJob();
    await good(take(job, 'RW2-32'));
    await workUntil(job, 'slideOn');
    const owner = await mysql.createConnection({ uri: process.env.DATABASE_OWNER_URL ?? '' });
    // Of this job only: jobs of other tests that measure the same have plans with the same hash.
    await owner.query(
      `UPDATE plan p JOIN termination t ON t.id = p.termination_id JOIN cable c ON c.id = t.cable_id JOIN job j ON j.id = c.job_id
       SET p.body = JSON_SET(p.body, '$.cut.marks[0].atMm', 999) WHERE j.slug = ?`,
      [job],
    );
    await owner.end();
    expect((await view(job)).chainFaults).toEqual([
      { seq: 0, fault: 'the plan has been changed after it was made' },
    ]);
    expect(await refused(confirmNext(job, FITTER))).toMatch(
      /this record does not hold \(the plan has been changed/,
    );
    // Nor is anything else of the bench added to it.
    const before = (await view(job)).events.length;
    for (const tried of [recutEnd(job, '5 mm'), logTemperature(job, 20), takeBack(job, 'safe', 'by mistake')])
      expect(await refused(tried)).toMatch(/this record does not hold/);
    expect((await view(job)).events).toHaveLength(before);
    const card = await good(cutCard(ref(job), NOW));
    expect(Buffer.from(card).toString('latin1').startsWith('%PDF')).toBe(true);
  });
});

describe('a measurement that changes under the work', () => {
  it('makes the plan stale, blocks the bench, restamps what stays, and names what changes', async () => {
    const job = await makeJob();
    await good(take(job, 'RW2-32'));
    await workUntil(job, 'onThread');
    await good(
      addReading(
        ref(job),
        { quantity: 'outerSheath', method: 'caliper', text: '28.1', unit: 'mm', angleDeg: 45 },
        randomUUID(),
        FITTER,
        NOW,
      ),
    );
    expect((await view(job)).stale).toBe(false); // inside what was known: nothing has changed
    await good(
      addReading(
        ref(job),
        { quantity: 'outerSheath', method: 'caliper', text: '28.4', unit: 'mm', angleDeg: 135 },
        randomUUID(),
        FITTER,
        NOW,
      ),
    );
    const stale = await view(job);
    expect(stale).toMatchObject({ stale: true, review: { refusal: null, changed: [], redo: [] } });
    expect(stale.review?.restamped.length).toBe(stale.plan?.plan.decisions.length);
    expect(await refused(confirmNext(job))).toMatch(/has changed since this was planned/);
    await good(replan(ref(job), randomUUID(), PLANNER, NOW));
    const fresh = await view(job);
    expect(fresh).toMatchObject({ stale: false, nextStep: 'onThread', chainFaults: [] });
    expect(fresh.events[fresh.events.length - 1]).toMatchObject({
      kind: 'replan',
      body: { changed: [], redo: [] },
    });
  });

  it('sends the work back to the first step that changed', async () => {
    const job = await makeJob();
    await good(take(job, 'RW2-32'));
    await workUntil(job, 'onThread');
    const { rows } = await good(
      schedulePage(job, { filter: 'K-1', sort: 'tag', descending: false, offset: 0, limit: 10 }),
    );
    const row = rows[0];
    if (!row) throw new Error('row');
    await good(
      editCable(
        job,
        row.id,
        { cable: row.version, A: row.a.version, B: row.b.version },
        { aTail: '300' },
        PLANNER,
        NOW,
      ),
    );
    const stale = await view(job);
    expect(stale.review?.changed.map((c) => c.id)).toEqual([
      'mark.outerSheath',
      'mark.armour',
      'mark.innerSheath',
    ]);
    expect(stale.review?.redo.map((s) => s.id)).toEqual(['cut.outerSheath', 'cut.armour', 'cut.innerSheath']);
    await good(replan(ref(job), randomUUID(), PLANNER, NOW));
    expect(await view(job)).toMatchObject({ nextStep: 'cut.outerSheath', stale: false });
    expect(await refused(replan(ref(job), randomUUID(), PLANNER, NOW))).toMatch(/nothing to make again/);
  });

  it('refuses to keep a size that no longer fits, with the number', async () => {
    const job = await makeJob();
    await good(take(job, 'RW2-32'));
    await good(
      addReading(
        ref(job),
        { quantity: 'outerSheath', method: 'caliper', text: '33', unit: 'mm', angleDeg: 45 },
        randomUUID(),
        FITTER,
        NOW,
      ),
    );
    expect((await view(job)).review?.refusal).toMatch(/1.9 mm over/);
    expect(await refused(replan(ref(job), randomUUID(), PLANNER, NOW))).toMatch(/RW2-32 cannot be taken/);
  });
});

it('prints a card only of what is planned', async () => {
  const job = await makeJob();
  expect(await refused(cutCard(ref(job), NOW))).toMatch(/choose a gland first/);
  await good(take(job, 'RW2-32'));
  const pdf = await good(cutCard(ref(job), NOW));
  expect(Buffer.from(pdf.subarray(0, 5)).toString()).toBe('%PDF-');
});
