import { object, string } from 'yup';
import { ok, refuse, validate, type Result } from '@/core/kernel';
import { threadName } from '@/core/catalogue';
import { enclosureSchema, entrySchema, newEntrySchema, type Enclosure, type Entry } from '@/core/schedule';
import type { BoxView, SetupOutcome } from '@/core/termination-view';
import {
  listBoxes,
  listHeldEntries,
  loadTerminations,
  terminationIdsInEntries,
  type BoxRow,
  type JobRow,
  type Tx,
} from '@/data';
import type { Actor } from '../actor';
import { EditLog } from './edits';
import { doIn, lookIn } from './in-job';
import { assessMany, refreshSummaries } from './load';
import { makeBox, makeEntry } from './make-setup';

const areaSchema = string().max(80, 'has at most 80 characters').defined();
const boxSchema = object({ area: areaSchema, box: enclosureSchema }).noUnknown().required();

/** What is wrong in a box, without the shell of its form. */
const readBox = (given: unknown): Result<{ area: string; box: Enclosure }> => {
  const read = validate(boxSchema, given, true);
  return read.ok
    ? read
    : { ok: false, problems: read.problems.map((p) => ({ ...p, path: p.path.replace(/^box\./, '') })) };
};

/** The boxes of a job, with what each entry is and who has it. */
export function viewBoxes(slug: string): Promise<Result<readonly BoxView[]>> {
  return lookIn<readonly BoxView[]>(slug, async ({ tx, job }) => {
    const holders = new Map((await listHeldEntries(tx, job.id)).map((e) => [e.id, e.holder]));
    return ok(
      (await listBoxes(tx, job.id)).map(({ id, area, version, facts, entries }) => ({
        id,
        area,
        version,
        box: facts,
        entries: entries.map((e) => ({
          id: e.id,
          version: e.version,
          entry: e.facts,
          hole: e.facts.thread === null ? `hole ${e.facts.holeMm ?? '?'} mm` : threadName(e.facts.thread),
          holder: holders.get(e.id) ?? null,
        })),
      })),
    );
  });
}

/** Makes a box with its entries. */
export function addBox(
  slug: string,
  given: unknown,
  holes: unknown,
  actor: Actor,
  now: Date,
): Promise<Result<SetupOutcome>> {
  return doIn<SetupOutcome>(slug, async ({ tx, job }) => {
    const read = readBox(given);
    if (!read.ok) return read;
    const entries = readHoles(holes);
    if (!entries.ok) return entries;
    const log = new EditLog(tx);
    const making = { tx, job, log, now };
    const id = await makeBox(making, read.value.area, read.value.box);
    if (id === null) return refuse('tag', 'a box of this tag is there already', read.value.box.tag);
    for (const entry of entries.value)
      if ((await makeEntry(making, id, entry)) === null)
        return refuse('entries', 'stands there twice', entry.label);
    await log.save(job, `box ${read.value.box.tag}`, actor, now);
    return ok({ touched: 0 });
  });
}

function readHoles(given: unknown): Result<Entry[]> {
  if (!Array.isArray(given) || given.length > 500) return refuse('entries', 'are not entries of a box');
  const read: Entry[] = [];
  for (const hole of given as unknown[]) {
    const entry = validate(newEntrySchema, hole, true);
    if (!entry.ok) return entry;
    read.push(entry.value);
  }
  return ok(read);
}

async function requireBox(tx: Tx, job: JobRow, tag: string): Promise<Result<BoxRow>> {
  const [box] = await listBoxes(tx, job.id, tag);
  return box ? ok(box) : refuse('box', 'there is no such box in this job', tag);
}

/** Does something with a box of the job, all of it or nothing; what it changes is one edit. */
const doInBox = (
  slug: string,
  tag: string,
  work: (at: {
    readonly tx: Tx;
    readonly job: JobRow;
    readonly log: EditLog;
    readonly box: BoxRow;
  }) => Promise<Result<SetupOutcome>>,
): Promise<Result<SetupOutcome>> =>
  doIn(slug, async ({ tx, job }) => {
    const box = await requireBox(tx, job, tag);
    return box.ok ? work({ tx, job, log: new EditLog(tx), box: box.value }) : box;
  });

/** Ends that go into a box: only they hang on it. */
const endsIn = (tx: Tx, box: BoxRow): Promise<number[]> =>
  terminationIdsInEntries(
    tx,
    box.entries.map((e) => e.id),
  );

/** Which plans a changed box would make stale, by the tags of their ends; nothing is written. */
export function previewBox(slug: string, tag: string, given: unknown): Promise<Result<readonly string[]>> {
  return lookIn<readonly string[]>(slug, async ({ tx, job }) => {
    const box = await requireBox(tx, job, tag);
    if (!box.ok) return box;
    const read = readBox(given);
    if (!read.ok) return read;
    const ids = await endsIn(tx, box.value);
    const rows = await loadTerminations(tx, ids);
    const changed = rows.map((row) =>
      row.place === null ? row : { ...row, place: { ...row.place, enclosure: read.value.box } },
    );
    const stale = (all: Awaited<ReturnType<typeof assessMany>>) =>
      new Set(all.filter((a) => a.stale).map((a) => a.tag));
    const before = stale(await assessMany(tx, job, rows));
    return ok([...stale(await assessMany(tx, job, changed))].filter((t) => !before.has(t)));
  });
}

/** Changes what is said of a box. Only plans of ends in it are judged anew. */
export function setBox(
  slug: string,
  tag: string,
  version: number,
  given: unknown,
  actor: Actor,
  now: Date,
): Promise<Result<SetupOutcome>> {
  return doInBox(slug, tag, async ({ tx, job, log, box }) => {
    const read = readBox(given);
    if (!read.ok) return read;
    if (read.value.box.tag !== tag)
      return refuse(
        'tag',
        'cannot be changed: cables and records name the box by it. Make another box',
        read.value.box.tag,
      );
    await log.write(
      'enclosure',
      box.id,
      { area: read.value.area, facts: JSON.stringify(read.value.box) },
      version,
    );
    await log.save(job, `box ${tag}`, actor, now);
    const ids = await endsIn(tx, box);
    await refreshSummaries(tx, job, ids);
    return ok({ touched: ids.length });
  });
}

/** Adds entries to a box. */
export function addEntries(
  slug: string,
  tag: string,
  holes: unknown,
  actor: Actor,
  now: Date,
): Promise<Result<SetupOutcome>> {
  return doInBox(slug, tag, async ({ tx, job, log, box }) => {
    const entries = readHoles(holes);
    if (!entries.ok) return entries;
    if (entries.value.length === 0) return refuse('entries', 'names no entry');
    for (const entry of entries.value)
      if ((await makeEntry({ tx, job, log, now }, box.id, entry)) === null)
        return refuse('entries', `${entry.label} is there already`, entry.label);
    await log.save(job, `${entries.value.length} entries of box ${tag}`, actor, now);
    return ok({ touched: entries.value.length });
  });
}

/** Changes a hole. A plan that stands on it becomes stale. */
export function setEntry(
  slug: string,
  tag: string,
  { label, version }: { readonly label: string; readonly version: number },
  given: unknown,
  actor: Actor,
  now: Date,
): Promise<Result<SetupOutcome>> {
  return doInBox(slug, tag, async ({ tx, job, log, box }) => {
    const found = box.entries.find((e) => e.facts.label === label);
    if (!found) return refuse('entry', `is not an entry of ${tag}`, label);
    const entry = validate(entrySchema, given, true);
    if (!entry.ok) return entry;
    if (entry.value.label !== label)
      return refuse('label', 'cannot be changed: cables name the entry by it', label);
    await log.write('entry', found.id, { facts: JSON.stringify(entry.value) }, version);
    await log.save(job, `entry ${tag}/${label}`, actor, now);
    const ids = await terminationIdsInEntries(tx, [found.id]);
    await refreshSummaries(tx, job, ids);
    return ok({ touched: ids.length });
  });
}

/** Takes a box out with its entries, or (`label`) one entry. Refused while a cable goes into what would go. */
export function takeOutBox(
  slug: string,
  tag: string,
  version: number,
  label: string | null,
  actor: Actor,
  now: Date,
): Promise<Result<SetupOutcome>> {
  return doInBox(slug, tag, async ({ tx, job, log, box }) => {
    const going = box.entries.filter((e) => label === null || e.facts.label === label);
    if (label !== null && going.length === 0) return refuse('entry', `is not an entry of ${tag}`, label);
    const held = (await listHeldEntries(tx, job.id)).find(
      (e) => e.holder !== null && going.some((g) => g.id === e.id),
    );
    if (held)
      return refuse(
        'entry',
        `${held.holder ?? ''} goes into ${tag}/${held.label}: give it another entry first`,
      );
    const at = now.toISOString();
    if (label === null) await log.write('enclosure', box.id, { retiredAt: at }, version);
    for (const e of going)
      await log.write('entry', e.id, { retiredAt: at }, label === null ? e.version : version);
    await log.save(
      job,
      label === null ? `box ${tag} taken out` : `entry ${tag}/${label} taken out`,
      actor,
      now,
    );
    return ok({ touched: 0 });
  });
}
