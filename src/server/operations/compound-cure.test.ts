import { randomUUID } from 'node:crypto';
import { asHeld, type ConfirmCommand } from '@/core/record';
import { closeDatabase } from '@/data';
import * as bench from '../testing/bench';
import { FITTER, good, makeJob, makeSealedJob, NOW, PLANNER, refused } from '../testing/job';
import { replan, takeSize } from './gland-selection';
import { viewCompound } from './compound-cure';
import { drawingFile } from './drawing-file';
import { undoLast } from './edits';
import { setCompound, setTerminals } from './end-facts';
import { viewKit } from './kit';
import { viewTermination } from './view';
import { work } from './work';
import { labelSheet, workPack } from './work-pack';

afterAll(closeDatabase);

const ref = (job: string, cable = 'K-1', end = 'A') => ({ job, cable, end });
const view = (job: string) => good(viewTermination(ref(job)));
/** The version of the end as a person has it on the screen. */
const seen = async (job: string) => (await view(job)).versions.A;
const later = (minutes: number) => new Date(NOW.getTime() + minutes * 60_000);
const { PACK } = bench;

const confirm = (job: string, minutes: number, more: Partial<ConfirmCommand> = {}) =>
  bench.confirmNext(job, FITTER, undefined, later(minutes), 'A', more);
const workUntil = (job: string, id: string, minutes = 0) => bench.workUntil(job, id, later(minutes));
const read = (job: string, minutes: number, tempC: number) =>
  bench.logTemperature(job, tempC, later(minutes));
const take = (job: string, size = 'WC4-32') => good(takeSize(ref(job), size, randomUUID(), PLANNER, NOW));

describe('a barrier gland from the plan to the signature', () => {
  it('mixes, fills, cures by the log, looks for voids, and closes', async () => {
    const job = await makeSealedJob();
    await take(job);
    expect((await view(job)).plan?.plan.seal).toMatchObject({ product: 'resin QR-7' });
    expect((await view(job)).collar.arcs[4]).toMatchObject({ station: 'seal', state: 'todo' });
    await workUntil(job, 'mix');
    expect(await refused(confirm(job, 0, { mix: { ...PACK, expiry: '2026-01-01' } }))).toMatch(
      /expired on 2026-01-01/,
    );
    expect(await refused(confirm(job, 0, { mix: { ...PACK, tempC: 40 } }))).toMatch(/5 °C too hot/);
    await good(confirm(job, 0));
    await good(confirm(job, 10));
    expect((await good(viewCompound(job, later(11)))).ends).toMatchObject([
      { tag: 'K-1/A', state: 'curing' },
    ]);
    await good(confirm(job, 12));
    expect((await view(job)).collar.arcs[4]?.state).toBe('waiting');
    expect(await refused(confirm(job, 20))).toMatch(/6 % cured: hard in about 140 min/);
    for (let m = 35; m <= 160; m += 25) await good(read(job, m, 20));
    await good(confirm(job, 160));
    await good(confirm(job, 165));
    await workUntil(job, 'sign', 170);
    await good(confirm(job, 200));
    const v = await view(job);
    expect(v.signedBy).toBe('fitter');
    expect(v.chainFaults).toEqual([]);
    expect(v.events.filter((e) => e.kind === 'temperature')).toHaveLength(6);
    expect(v.events.find((e) => e.kind === 'mix')?.body).toMatchObject({ mix: PACK });
    expect((await good(viewCompound(job, later(201)))).ends).toMatchObject([{ state: 'done' }]);
  });

  it('refuses a late filling, records the waste, and asks for a fresh mix', async () => {
    const job = await makeSealedJob();
    await take(job);
    await workUntil(job, 'mix');
    await good(confirm(job, 0));
    const pour = bench.sent(asHeld(await bench.nextStep(job)), later(21));
    const send = () => good(work(bench.subject(job), pour, FITTER, bench.WORKS, later(21)));
    const late = await send();
    expect(late.waste).toMatch(/this mix is waste/);
    // An answer that was lost on the way is given again, with its words.
    expect(await send()).toEqual({ repeated: true, waste: late.waste });
    const v = await view(job);
    expect(v.nextStep).toBe('mix');
    expect(v.events[v.events.length - 1]).toMatchObject({ kind: 'waste', stepId: 'fill' });
    expect(v.chainFaults).toEqual([]);
    await good(confirm(job, 30));
    expect((await good(confirm(job, 45))).waste).toBeNull();
  });

  it('mixes anew where the mixing was held by mistake, and keeps the pot life where only the filling was', async () => {
    const job = await makeSealedJob();
    await take(job);
    await workUntil(job, 'mix');
    await good(confirm(job, 0));
    await good(confirm(job, 10));
    await good(bench.takeBack(job, 'fill', 'nothing was in yet', FITTER, later(11)));
    expect((await view(job)).nextStep).toBe('fill');
    expect(await refused(read(job, 12, 20))).toMatch(/nothing is curing/);
    expect((await good(confirm(job, 21))).waste).toMatch(/this mix is waste/);
    await good(confirm(job, 22));
    await good(bench.takeBack(job, 'mix', 'the wrong pack', FITTER, later(23)));
    expect((await view(job)).nextStep).toBe('mix');
  });

  it('takes temperatures only while something cures, in order, and each once', async () => {
    const job = await makeSealedJob();
    expect(await refused(read(job, 0, 20))).toMatch(/no gland has been chosen yet/);
    await take(job);
    await workUntil(job, 'mix');
    await good(confirm(job, 0));
    expect(await refused(read(job, 1, 20))).toMatch(/nothing is curing/);
    await good(confirm(job, 5));
    const id = randomUUID();
    await good(bench.logTemperature(job, 20, later(20), id));
    expect(await good(bench.logTemperature(job, 20, later(20), id))).toMatchObject({ repeated: true });
    expect(await refused(bench.logTemperature(job, 21, later(20), id))).toMatch(/something else/);
    expect((await view(job)).events.filter((e) => e.kind === 'temperature')).toHaveLength(1);
    expect(await refused(read(job, 15, 20))).toMatch(/lies before what it follows/);
    expect(await refused(read(job, 25, 200))).toMatch(/not a temperature/);
  });
});

describe('the compound', () => {
  it('is asked for from the approval list only, makes the plan stale, and undoes', async () => {
    const job = await makeSealedJob();
    expect(await refused(setCompound(ref(job), await seen(job), 'putty CP-5', PLANNER, NOW))).toMatch(
      /choose a gland first/,
    );
    await take(job);
    expect(await refused(setCompound(ref(job), await seen(job), 'candle wax', PLANNER, NOW))).toMatch(
      /not on the approval list of WC4-32/,
    );
    await good(setCompound(ref(job), await seen(job), 'putty CP-5', PLANNER, NOW));
    expect((await view(job)).stale).toBe(true);
    await good(replan(ref(job), randomUUID(), PLANNER, NOW));
    const putty = await view(job);
    expect(putty.plan?.plan.seal).toMatchObject({ product: 'putty CP-5' });
    expect(putty.plan?.plan.seal?.stickMm).toBeGreaterThan(0);
    expect(putty.steps.map((s) => s.id)).not.toContain('dam');
    await good(undoLast(job, PLANNER, NOW));
    await good(undoLast(job, PLANNER, NOW));
    expect((await view(job)).compound).toBeNull();
    expect((await view(job)).stale).toBe(false);
  });

  it('is counted in the kit by its packs', async () => {
    const job = await makeSealedJob();
    await take(job);
    const { kit } = await good(viewKit(job, { percent: 0, minimum: 0 }, null));
    const packs = (await view(job)).plan?.plan.seal?.packs.packs ?? [];
    for (const p of packs)
      expect(kit.lines.find((l) => l.part === p.part)).toMatchObject({ kind: 'compound', needed: p.count });
    expect(packs.length).toBeGreaterThan(0);
  });
});

describe('the clock of a device', () => {
  const sent = async (job: string, at: Date, now: Date) =>
    work(bench.subject(job), bench.sent(asHeld(await bench.nextStep(job)), at), FITTER, bench.WORKS, now);

  it('saves no mix: a pour that says it was before its own mixing, or in time, is judged by the server', async () => {
    const job = await makeSealedJob();
    await good(takeSize(ref(job), 'WC4-32', randomUUID(), PLANNER, NOW));
    await workUntil(job, 'mix');
    await good(confirm(job, 1));
    expect(await refused(sent(job, later(-344), later(2)))).toMatch(/lies before what it follows/);
    // Says one minute after the mixing, arrives an hour later: the pot life is over.
    expect((await good(sent(job, later(2), later(61)))).waste).toMatch(/pot life ended/);
  });

  it('hardens nothing: temperatures of hours that arrive within a second cure a second', async () => {
    const job = await makeSealedJob();
    await good(takeSize(ref(job), 'WC4-32', randomUUID(), PLANNER, NOW));
    await workUntil(job, 'mix');
    await good(confirm(job, 1));
    await workUntil(job, 'cure', 2);
    for (let n = 1; n <= 14; n += 1)
      await good(
        work(
          bench.subject(job),
          bench.sent({ kind: 'temperature', tempC: 20 }, later(2)),
          FITTER,
          bench.WORKS,
          new Date(later(2).getTime() + n * 50),
        ),
      );
    expect(await refused(sent(job, later(3), later(3)))).toMatch(/0 % cured/);
  });
});

describe('a damaged end', () => {
  it('is cut back at the cost of its spare, restates the marks and begins again', async () => {
    const job = await makeJob();
    await take(job, 'RW2-32');
    await workUntil(job, 'cut.innerSheath');
    const cutBack = (text: string) => bench.recutEnd(job, text);
    expect(await refused(cutBack('31'))).toMatch(/1 mm out of reach: this end has 30 mm to spare/);
    expect(await refused(cutBack('far'))).toMatch(/not a length/);
    const before = (await view(job)).plan?.plan.cut?.consumedMm ?? 0;
    await good(cutBack('20'));
    const v = await view(job);
    expect([v.spareMm, v.stale]).toEqual([10, true]);
    await good(replan(ref(job), randomUUID(), FITTER, NOW));
    const after = await view(job);
    expect(after.nextStep).toBe('cut.outerSheath');
    expect(after.plan?.plan.cut?.consumedMm).toBe(before - 20);
    expect(after.chainFaults).toEqual([]);
    // Cable that is cut off does not come back by undo.
    expect(await refused(undoLast(job, PLANNER, NOW))).toMatch(/cannot be undone/);
    expect((await view(job)).spareMm).toBe(10);
  });

  it('checks a length that was measured at the bench', async () => {
    const job = await makeJob();
    await take(job, 'RW2-32');
    await workUntil(job, 'cut.armour');
    const measuring = (armour: number) => confirm(job, 0, { measured: { armour } });
    expect(await refused(measuring(27))).toMatch(/21–25 mm asked for: 2 mm too long/);
    expect(await refused(measuring(NaN))).toMatch(/not a length/);
    await good(measuring(24));
  });
});

describe('terminals that differ', () => {
  it('give each core its own tail, refuse what is too far, and undo', async () => {
    const job = await makeJob();
    await take(job, 'RW2-32');
    expect(await refused(setTerminals(ref(job), await seen(job), 'L1 900', PLANNER, NOW))).toMatch(
      /farthest was given as 240 mm/,
    );
    expect(await refused(setTerminals(ref(job), await seen(job), 'L1', PLANNER, NOW))).toMatch(
      /such as “L1 220”/,
    );
    await good(setTerminals(ref(job), await seen(job), 'L1 200; L2 220; L3 240; PE 180', PLANNER, NOW));
    await good(replan(ref(job), randomUUID(), PLANNER, NOW));
    const tails = (await view(job)).plan?.plan.cut?.coreTails ?? [];
    const most = (await view(job)).plan?.plan.cut?.tails.mm ?? 0;
    expect(tails.map((t) => [t.core, most - t.mm])).toEqual([
      ['L1', 40],
      ['L2', 20],
      ['L3', 0],
      ['PE', 60],
    ]);
    await good(undoLast(job, PLANNER, NOW));
    await good(undoLast(job, PLANNER, NOW));
    expect((await view(job)).terminals).toEqual([]);
  });
});

describe('prints and drawings', () => {
  const never = () => false;
  it('refuse by name what is not planned or not there', async () => {
    const job = await makeJob();
    const pack = (tags: string[]) => workPack({ job, tags, paper: 'A4' }, NOW, () => undefined, never);
    expect(await refused(pack([]))).toMatch(/nothing is selected/);
    expect(await refused(pack(['K-1/A']))).toMatch(/nothing is chosen yet for K-1\/A/);
    expect(await refused(pack(['K-99/A']))).toMatch(/not in this job: K-99\/A/);
    expect(await refused(drawingFile(ref(job), 'stripped.svg'))).toMatch(/choose a gland first/);
  });

  it('give a pack in the order asked for, labels, and drawings by their file names', async () => {
    const job = await makeJob();
    await take(job, 'RW2-32');
    await good(takeSize(ref(job, 'K-1', 'B'), 'AY3-32', randomUUID(), PLANNER, NOW));
    const seen: number[] = [];
    const pdf = await good(
      workPack({ job, tags: ['K-1/B', 'K-1/A'], paper: 'LETTER' }, NOW, (done) => seen.push(done), never),
    );
    expect(seen).toEqual([1, 2]);
    expect(
      Buffer.from(pdf ?? [])
        .subarray(0, 5)
        .toString(),
    ).toBe('%PDF-');
    const labels = await good(
      labelSheet({ job, tags: ['K-1/A'], paper: 'A4' }, 'http://127.0.0.1:3210', NOW),
    );
    expect(Buffer.from(labels).subarray(0, 5).toString()).toBe('%PDF-');
    expect((await good(drawingFile(ref(job), 'stripped.svg'))).text).toContain('<svg');
    expect((await good(drawingFile(ref(job), 'closed.dxf'))).name).toBe('K-1-A-closed.dxf');
    for (const file of ['stripped.pdf', 'naked.svg', '../x.svg', ''])
      expect(await refused(drawingFile(ref(job), file))).toMatch(/must be one of/);
  });

  it('end when they are cancelled', async () => {
    const job = await makeJob();
    await take(job, 'RW2-32');
    expect(
      await good(
        workPack(
          { job, tags: ['K-1/A'], paper: 'A4' },
          NOW,
          () => undefined,
          () => true,
        ),
      ),
    ).toBeNull();
  });
});
