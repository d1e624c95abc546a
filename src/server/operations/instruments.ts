import {
  instrumentCheckSchema,
  instrumentSchema,
  openAgain,
  plainCode,
  standingOn,
  standingWords,
  unfitInstruments,
  type InUse,
} from '@/core/instrument';
import { ok, refuse, validate, type Result } from '@/core/kernel';
import type { InstrumentView, SetupOutcome } from '@/core/termination-view';
import {
  findAnyInstrument,
  insertCheck,
  insertInstrument,
  listInstruments,
  listUses,
  measuredWith,
  terminationIdsOfCables,
  writeInstrument,
  type InstrumentRow,
  type JobRow,
  type Tx,
} from '@/data';
import { madeBy, type Actor } from '../actor';
import { LateWrite } from '../transaction';
import { doIn, lookIn } from './in-job';
import { refreshSummaries, requireJob } from './load';

/** What was done: nothing else is to be told of it. */
type Done = Result<SetupOutcome>;
const DONE = ok({ touched: 0 });

/** The register of a job: each instrument as it stands today, and what was made with it while it was not good. */
export function viewInstruments(slug: string, now: Date): Promise<Result<readonly InstrumentView[]>> {
  return lookIn<readonly InstrumentView[]>(slug, async ({ tx, job }) => {
    const rows = await listInstruments(tx, job.id);
    const uses = rows.length === 0 ? [] : await listUses(tx, job.id);
    const today = now.toISOString().slice(0, 10);
    return ok(
      rows.map(({ version, facts, checks }) => {
        const registered = { code: facts.code, checks: checks.map((c) => c.check) };
        const standing = standingOn(registered.checks, today);
        return {
          version,
          instrument: facts,
          checks: checks.map(({ check, actor, at }) => ({ ...check, actor, at: at.toISOString() })),
          good: standing.good,
          until: standing.good ? standing.until : null,
          words: standingWords(facts.code, standing),
          openAgain: openAgain(registered, uses).map(({ kind, subject, at }) => ({ kind, subject, at })),
        };
      }),
    );
  });
}

async function requireInstrument(tx: Tx, job: JobRow, code: string): Promise<Result<InstrumentRow>> {
  const [row] = await listInstruments(tx, job.id, code);
  return row ? ok(row) : refuse('instrument', 'there is no such instrument in this job', code);
}

/** What an instrument may be off is in the interval of every reading that was taken with it: their ends are judged anew. */
async function judgeAnew(tx: Tx, slug: string, code: string): Promise<void> {
  const job = await requireJob(tx, slug);
  if (!job.ok) return;
  const mine = (await measuredWith(tx, job.value.id)).filter((m) => plainCode(m.code) === plainCode(code));
  const ends = await terminationIdsOfCables(
    tx,
    mine.map((m) => m.cableId),
  );
  await refreshSummaries(tx, job.value, ends);
}

/** Takes an instrument into the register; one of that name that was taken out comes back, with its checks. */
export function addInstrument(slug: string, given: unknown): Promise<Done> {
  return doIn<SetupOutcome>(slug, async ({ tx, job }) => {
    const read = validate(instrumentSchema, given, true);
    if (!read.ok) return read;
    const facts = { ...read.value, code: read.value.code.trim() };
    const there = await findAnyInstrument(tx, job.id, facts.code);
    if (there && !there.retired) return refuse('code', 'stands in the register already', facts.code);
    if (there) await writeInstrument(tx, there.id, null, { facts, retiredAt: null });
    else await insertInstrument(tx, job.id, facts);
    await judgeAnew(tx, job.slug, facts.code);
    return DONE;
  });
}

/** Who has it, and what its certificate says; its name stays: records speak of it. */
export function setInstrument(slug: string, code: string, version: number, given: unknown): Promise<Done> {
  return doIn<SetupOutcome>(slug, async ({ tx, job }) => {
    const read = validate(instrumentSchema, given, true);
    if (!read.ok) return read;
    const row = await requireInstrument(tx, job, code);
    if (!row.ok) return row;
    if (read.value.code !== row.value.facts.code)
      return refuse('code', 'stays as it is: records speak of it by this name', read.value.code);
    if (!(await writeInstrument(tx, row.value.id, version, { facts: read.value }))) throw new LateWrite();
    if (read.value.uncertainty !== row.value.facts.uncertainty) await judgeAnew(tx, job.slug, code);
    return DONE;
  });
}

/** What whoever calibrates it found. It is kept for good; one that was entered wrongly is corrected by the next. */
export function addInstrumentCheck(
  slug: string,
  code: string,
  given: unknown,
  actor: Actor,
  now: Date,
): Promise<Done> {
  return doIn<SetupOutcome>(slug, async ({ tx, job }) => {
    const read = validate(instrumentCheckSchema, given, true);
    if (!read.ok) return read;
    const row = await requireInstrument(tx, job, code);
    if (!row.ok) return row;
    if (read.value.on > now.toISOString().slice(0, 10))
      return refuse('on', 'is still to come', read.value.on);
    await insertCheck(tx, row.value.id, read.value, madeBy(actor), now);
    return DONE;
  });
}

export function takeOutInstrument(slug: string, code: string, version: number, now: Date): Promise<Done> {
  return doIn<SetupOutcome>(slug, async ({ tx, job }) => {
    const row = await requireInstrument(tx, job, code);
    if (!row.ok) return row;
    if (!(await writeInstrument(tx, row.value.id, version, { retiredAt: now }))) throw new LateWrite();
    return DONE;
  });
}

/** Why what was measured with these may not be signed, a sentence for each. */
export async function unfitFor(tx: Tx, jobId: number, used: readonly InUse[]): Promise<string[]> {
  const rows = await listInstruments(tx, jobId);
  return unfitInstruments(
    rows.map((r) => ({ code: r.facts.code, checks: r.checks.map((c) => c.check) })),
    used,
  );
}
