import { randomUUID } from 'node:crypto';
import type { Contact, KeptBatch, Settle } from '@/core/kept-work';
import { asHeld, GENESIS, type WorkInput } from '@/core/record';
import { closeDatabase } from '@/data';
import { confirmNext, PACK, ref, sent, subject, take, view, workUntil, WORKS } from '../testing/bench';
import { FITTER, good, makeJob, makeSealedJob, NOW, PLANNER, refused } from '../testing/job';
import { addReading } from './cable-measurement';
import { workKept } from './kept-work';
import { work } from './work';

afterAll(closeDatabase);

const MINUTE = 60_000;
const later = (minutes: number): Date => new Date(NOW.getTime() + minutes * MINUTE);
const CONTACT: Contact = { server: NOW.toISOString(), device: NOW.toISOString() };

async function planned(): Promise<string> {
  const job = await makeJob();
  const fits = (await view(job)).choice?.candidates.find((c) => c.verdict === 'fits');
  await good(take(job, fits?.code ?? ''));
  return job;
}

/** What a device knows of an end, and the first `count` steps that it kept, one a minute from `from` on. */
async function kept(
  job: string,
  count: number,
  from = 1,
): Promise<{ base: KeptBatch['base']; inputs: WorkInput[] }> {
  const v = await view(job);
  const last = v.events.at(-1);
  const first = v.steps.findIndex((s) => s.id === v.nextStep);
  return {
    base: { seq: last?.seq ?? 0, hash: last?.hash ?? '', planHash: v.plan?.hash ?? '' },
    inputs: v.steps.slice(first, first + count).map((s, i) => sent(asHeld(s), later(from + i))),
  };
}

interface More {
  readonly at?: Date;
  readonly sentAt?: Date;
  readonly contact?: Contact;
  readonly settle?: Settle;
  readonly person?: typeof FITTER;
  readonly mine?: readonly string[];
}

function send(job: string, base: KeptBatch['base'], inputs: readonly WorkInput[], more: More = {}) {
  const { at = later(60), sentAt = at, contact = CONTACT, settle = null, person = FITTER, mine } = more;
  const items = inputs.map((input) => ({ input, contact }));
  const batch = { base, sentAt: sentAt.toISOString(), person: FITTER.id, items, settle, mine };
  return workKept(subject(job), batch, person, WORKS, at);
}

const ALL_IN = { stopped: null, conflict: null };

it('takes in what a device kept, in order, once, with its own times, and says so in every event', async () => {
  const job = await planned();
  const { base, inputs } = await kept(job, 6);
  expect(await good(send(job, base, inputs))).toMatchObject({ recorded: 6, ...ALL_IN });
  const after = await view(job);
  expect(after.chainFaults).toEqual([]);
  expect(after.events.map((e) => [e.at, e.receivedAt, e.kept])).toEqual(
    inputs.map((i) => [i.at, later(60).toISOString(), { contact: NOW.toISOString(), aheadMs: 0 }]),
  );
  // The answer was lost, and it is sent again: nothing is there twice.
  expect(await good(send(job, base, inputs, { at: later(61) }))).toMatchObject({ recorded: 6, ...ALL_IN });
  expect((await view(job)).events).toHaveLength(6);
});

it('whose first step had reached the server before the line broke goes on from there', async () => {
  const job = await planned();
  const { base, inputs } = await kept(job, 4);
  const [first] = inputs;
  if (first === undefined) throw new Error('no step');
  await good(work(subject(job), first, FITTER, WORKS, later(1)));
  expect(await good(send(job, base, inputs))).toMatchObject({ recorded: 4, ...ALL_IN });
  expect((await view(job)).events.map((e) => e.kept === null)).toEqual([true, false, false, false]);
});

it('cuts an end back only as far as its spare cable goes, however many times in one sending', async () => {
  const job = await planned();
  const { spareMm, events, plan } = await view(job);
  const base = { seq: events.length, hash: '', planHash: plan?.hash ?? '' };
  const cut = (n: number) => sent({ kind: 'recut', text: `${Math.floor(spareMm * 0.6)}` }, later(n));
  const done = await good(send(job, base, [cut(1), cut(2)]));
  expect(done).toMatchObject({
    recorded: 1,
    stopped: { message: expect.stringMatching(/spare/i) as string },
  });
  expect((await view(job)).spareMm).toBe(spareMm - Math.floor(spareMm * 0.6));
});

it('is not in its own way: what it sent in two parts goes on from itself, and only for who did it', async () => {
  const job = await planned();
  const { base, inputs } = await kept(job, 5);
  const [first, second] = [inputs.slice(0, 2), inputs.slice(2)];
  expect(await good(send(job, base, first))).toMatchObject({ recorded: 2, ...ALL_IN });
  // Kept while the first part was on its way: by the record that was known then.
  const mine = first.map((i) => i.id);
  expect(await good(send(job, base, second, { at: later(61) }))).toMatchObject({
    recorded: 0,
    stopped: null,
  });
  expect(await good(send(job, base, second, { at: later(62), mine }))).toMatchObject({
    recorded: 3,
    ...ALL_IN,
  });
  const after = await view(job);
  expect(after.events).toHaveLength(5);
  expect(after.chainFaults).toEqual([]);
  // What somebody else did is theirs, whatever a device says.
  const next = await kept(job, 1, 90);
  await good(confirmNext(job, PLANNER, undefined, later(80)));
  const theirs = (await view(job)).events.at(-1)?.id ?? '';
  const met = await good(send(job, next.base, next.inputs, { at: later(95), mine: [theirs] }));
  expect(met.conflict?.theirs.map((e) => e.actor)).toEqual(['planner']);
});

it('meets what another device did as a conflict: both sides told, nothing written, and not decided by time', async () => {
  const job = await planned();
  const { base, inputs } = await kept(job, 3);
  await good(confirmNext(job, PLANNER, undefined, later(20)));
  const met = await good(send(job, base, inputs));
  expect(met).toMatchObject({ recorded: 0, stopped: null, conflict: { planChanged: false } });
  expect(met.conflict?.theirs.map((e) => [e.actor, e.kind])).toEqual([['planner', 'confirm']]);
  expect((await view(job)).events).toHaveLength(1);
});

describe('a conflict', () => {
  async function met() {
    const job = await planned();
    const { base, inputs } = await kept(job, 3);
    await good(confirmNext(job, PLANNER, undefined, later(20)));
    await good(confirmNext(job, PLANNER, undefined, later(21)));
    const seen = (await view(job)).events.at(-1)?.hash ?? GENESIS;
    return { job, base, inputs, seen };
  }
  const reason = 'only one of us stood there';

  it('settled for the record leaves the device’s work out, and tells it with the reason', async () => {
    const { job, base, inputs, seen } = await met();
    await good(send(job, base, inputs, { settle: { stands: 'record', reason, seen } }));
    const after = await view(job);
    expect(after.done).toHaveLength(2);
    expect(after.events.at(-1)).toMatchObject({
      kind: 'leftOut',
      body: {
        title: 'Left out: 3 steps that a device kept',
        reason,
        left: inputs.map((i) => ({ at: i.at })),
      },
    });
    expect(after.chainFaults).toEqual([]);
  });

  it('settled for the device takes back what was recorded meanwhile, with the reason, and puts its own in', async () => {
    const { job, base, inputs, seen } = await met();
    const done = await good(send(job, base, inputs, { settle: { stands: 'device', reason, seen } }));
    expect(done).toMatchObject({ recorded: 3, ...ALL_IN });
    const after = await view(job);
    expect(after.done).toHaveLength(3);
    expect(after.events.slice(2).map((e) => [e.kind, e.actor])).toEqual(
      expect.arrayContaining([
        ['correct', 'fitter'],
        ['confirm', 'fitter'],
      ]),
    );
    expect(after.events.at(-1)?.kept).not.toBeNull();
    expect(after.chainFaults).toEqual([]);
  });

  it.each([
    ['by somebody who has not seen the last event', { seen: 'f'.repeat(64) }, /has gone on since/],
    ['without a reason', { reason: ' ' }, /say why/],
  ])('is not settled %s', async (_, less, words) => {
    const { job, base, inputs, seen } = await met();
    const settle = { stands: 'device', reason, seen, ...less } as const;
    expect(await refused(send(job, base, inputs, { settle }))).toMatch(words);
    expect((await view(job)).events).toHaveLength(2);
  });

  it('settled for a device whose work does not go in changes nothing at all', async () => {
    const { job, base, inputs, seen } = await met();
    const settle = { stands: 'device', reason, seen } as const;
    expect(await refused(send(job, base, inputs.slice(1), { settle }))).toMatch(/does not go in either/);
    expect((await view(job)).done).toHaveLength(2);
  });
});

it('asks a person where the plan is another one, though nobody has worked', async () => {
  const job = await planned();
  const { base, inputs } = await kept(job, 2);
  const other = { ...base, planHash: 'e'.repeat(64) };
  expect(await good(send(job, other, inputs))).toMatchObject({
    recorded: 0,
    conflict: { theirs: [], planChanged: true },
  });
});

it('ends at the first step that may not be done, keeps those before it, and says which and why', async () => {
  const job = await planned();
  const { base, inputs } = await kept(job, 5);
  const skipping = inputs.filter((_, i) => i !== 2);
  const done = await good(send(job, base, skipping));
  expect(done).toMatchObject({ recorded: 2, stopped: { path: 'stepId' }, conflict: null });
  expect(done.stopped?.message).toMatch(/comes later; first:/);
  expect((await view(job)).events).toHaveLength(2);
});

it('is not in the way of a note: a reading that others took beside the work', async () => {
  const job = await planned();
  await good(confirmNext(job));
  const { base, inputs } = await kept(job, 2);
  const reading = { quantity: 'outerSheath', method: 'datasheet', text: '29', unit: 'mm' };
  await good(addReading(ref(job), reading, randomUUID(), PLANNER, later(10)));
  const done = await good(send(job, base, inputs));
  expect(done).toMatchObject({ recorded: 2, ...ALL_IN });
});

describe('a compound that no server saw', () => {
  /** A barrier end at its mixing, then on a device: mixed a minute after the last contact, filled `minutes` after that. */
  async function filledAfter(minutes: number) {
    const job = await makeSealedJob();
    await good(take(job, 'WC4-32'));
    await workUntil(job, 'mix');
    const { base } = await kept(job, 0);
    const { steps } = await view(job);
    const mix = steps.findIndex((s) => s.kind === 'mix');
    const inputs = steps
      .slice(mix, steps.findIndex((s) => s.id === 'fill') + 1)
      .map((s, i) => sent(asHeld(s, s.kind === 'mix' ? PACK : null), later(1 + i * minutes)));
    return { job, done: await good(send(job, base, inputs, { at: later(600) })) };
  }

  it('is judged by the device’s own clock: in time it is in, late it is waste', async () => {
    expect((await filledAfter(10)).done).toMatchObject({ recorded: 2, waste: null, ...ALL_IN });
    const late = await filledAfter(90);
    expect(late.done.waste).toMatch(/pot life/);
    expect((await view(late.job)).events.at(-1)).toMatchObject({ kind: 'waste' });
  });

  it('asks an inspector to look at each of its times before the signature', async () => {
    const { job } = await filledAfter(10);
    const { steps } = await view(job);
    const asked = steps.find((s) => s.kind === 'sign')?.checks?.filter((c) => /clock of a device/.test(c));
    expect(asked).toHaveLength(2);
    expect(asked?.[0]).toMatch(/By the clock of a device only: .*, 2026-11-10 08:01 UTC/);
  });
});

it('keeps no signature', async () => {
  const job = await planned();
  await workUntil(job, 'sign');
  const { base, inputs } = await kept(job, 1);
  expect((await good(send(job, base, inputs))).stopped?.message).toMatch(/a signature is not kept/);
  expect((await view(job)).signedBy).toBeNull();
});

it('sends nobody’s work but his own', async () => {
  const job = await planned();
  const { base, inputs } = await kept(job, 2);
  expect(await refused(send(job, base, inputs, { person: PLANNER }))).toMatch(/done by somebody else/);
});

it.each<[string, More, RegExp]>([
  ['was set while it was away', { sentAt: later(80) }, /was set by 20 min while it was away/],
  [
    'was wrong at the last contact',
    { contact: { server: NOW.toISOString(), device: later(7).toISOString() }, sentAt: later(67) },
    /was 7 min ahead/,
  ],
  [
    'says it was done before the last contact',
    { contact: { server: later(30).toISOString(), device: later(30).toISOString() } },
    /lies 29 min before the last contact/,
  ],
  [
    'says it was done after it was received',
    { at: later(2), sentAt: later(2) },
    /ahead of the server’s clock/,
  ],
  [
    'claims a last contact before what it has seen',
    { contact: { server: later(-60).toISOString(), device: later(-60).toISOString() } },
    /before what it says it has seen/,
  ],
])('takes nothing by a clock that %s, and says by how much', async (_, more, words) => {
  const job = await planned();
  const { base, inputs } = await kept(job, 6);
  const done = await good(send(job, base, inputs, more));
  expect(done.recorded).toBe(0);
  expect(done.stopped?.message).toMatch(words);
  expect((await view(job)).events).toEqual([]);
});

it('times that go back are refused, whatever order they come in', async () => {
  const job = await planned();
  const { base, inputs } = await kept(job, 2);
  const turned = inputs.map((input, i) => ({ ...input, at: later(9 - 4 * i).toISOString() }));
  expect((await good(send(job, base, turned))).stopped?.message).toMatch(
    /lies 4 min before what was done first/,
  );
});
