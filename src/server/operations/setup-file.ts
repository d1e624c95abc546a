import { canonicalJson, hashOf, ok, refuse, validate, type Result } from '@/core/kernel';
import type { CableType, CellChange } from '@/core/schedule';
import {
  BOX_COLUMNS,
  boxTable,
  ENTRY_COLUMNS,
  typeColumns,
  typeTable,
  type FactColumn,
} from '@/core/setup-table';
import type { SetupLine, SetupOutcome, SetupPreview } from '@/core/termination-view';
import {
  listBoxes,
  listCableTypes,
  loadTerminations,
  terminationIdsInEntries,
  terminationIdsOfType,
  type BoxRow,
  type JobRow,
  type TerminationRow,
  type Tx,
} from '@/data';
import type { Actor } from '../actor';
import { inBatches } from '../heavy';
import { LateWrite } from '../transaction';
import { EditLog } from './edits';
import { doIn, lookIn } from './in-job';
import { assessMany, BATCH, refreshSummaries } from './load';
import { makeBox, makeEntry, makeType, setupSchema, type Making, type Setup } from './make-setup';
import { isTableFormat, tableFile, type TableFile } from './table-file';

interface TypeRow {
  readonly id: number;
  readonly version: number;
  readonly facts: CableType;
}

/** What there is of it in the job. */
interface There {
  readonly types: ReadonlyMap<string, TypeRow>;
  readonly boxes: ReadonlyMap<string, BoxRow>;
}

interface Judged {
  readonly setup: Setup;
  readonly there: There;
  readonly lines: readonly SetupLine[];
  readonly hash: string;
}

/** By the columns of the table: what it would be shown as before and after. */
const changesOf = <T>(columns: readonly FactColumn<T>[], was: T | null, is: T): CellChange[] =>
  columns.flatMap((c) => {
    const [before, after] = [was === null ? '' : c.write(was), c.write(is)];
    return before === after ? [] : [{ column: c.column, before, after }];
  });

function line<T>(
  what: SetupLine['what'],
  name: string,
  columns: readonly FactColumn<T>[],
  was: T | null,
  is: T,
): SetupLine {
  if (was === null) return { what, name, status: 'new', changes: changesOf(columns, null, is) };
  const same = canonicalJson(was) === canonicalJson(is);
  return { what, name, status: same ? 'same' : 'changed', changes: same ? [] : changesOf(columns, was, is) };
}

const twice = (names: readonly string[]): string | undefined =>
  names.find((name, i) => names.indexOf(name) !== i);

async function judge(tx: Tx, job: JobRow, given: unknown): Promise<Result<Judged>> {
  const read = validate(setupSchema, given, true);
  if (!read.ok) return read;
  const setup = read.value;
  const again = twice([
    ...setup.types.map((t) => `type ${t.code}`),
    ...setup.boxes.flatMap(({ box, entries }) => [
      `box ${box.tag}`,
      ...entries.map((e) => `entry ${box.tag}/${e.label}`),
    ]),
  ]);
  if (again !== undefined) return refuse('file', `says ${again} twice`);
  const there: There = {
    types: new Map((await listCableTypes(tx, job.id)).map((t) => [t.code, t])),
    boxes: new Map((await listBoxes(tx, job.id)).map((b) => [b.facts.tag, b])),
  };
  const lines = [
    ...setup.types.map((t) => line('type', t.code, typeColumns(), there.types.get(t.code)?.facts ?? null, t)),
    ...setup.boxes.flatMap(({ area, box, entries }) => {
      const was = there.boxes.get(box.tag);
      const holes = new Map(was?.entries.map((e) => [e.facts.label, e.facts]));
      return [
        line('box', box.tag, BOX_COLUMNS, was ? { ...was.facts, area: was.area } : null, { ...box, area }),
        ...entries.map((e) =>
          line('entry', `${box.tag}/${e.label}`, ENTRY_COLUMNS, holes.get(e.label) ?? null, e),
        ),
      ];
    }),
  ];
  return ok({ setup, there, lines, hash: hashOf([job.id, lines, setup]) });
}

/** Ends that hang on what is there and would change. */
async function endsOn(tx: Tx, { setup, there }: Judged): Promise<number[]> {
  const ids: number[] = [];
  for (const type of setup.types) {
    const was = there.types.get(type.code);
    if (was && canonicalJson(was.facts) !== canonicalJson(type))
      ids.push(...(await terminationIdsOfType(tx, was.id)));
  }
  const entries = setup.boxes.flatMap(({ box, entries: holes }) => {
    const was = there.boxes.get(box.tag);
    if (was === undefined) return [];
    // What is said of the box is said of all its ends; of a hole only of the one that goes in there.
    const whole = canonicalJson(was.facts) !== canonicalJson(box);
    const changed = new Set(
      holes.flatMap((h) => {
        const known = was.entries.find((e) => e.facts.label === h.label);
        return known !== undefined && canonicalJson(known.facts) !== canonicalJson(h) ? [known.id] : [];
      }),
    );
    return was.entries.flatMap((e) => (whole || changed.has(e.id) ? [e.id] : []));
  });
  ids.push(...(await terminationIdsInEntries(tx, entries)));
  return [...new Set(ids)];
}

/** What types and boxes of a table would do to the job, one by one, and which plans would become stale. Nothing is written. */
export function previewSetup(slug: string, given: unknown): Promise<Result<SetupPreview>> {
  return lookIn<SetupPreview>(slug, async ({ tx, job }) => {
    const judged = await judge(tx, job, given);
    if (!judged.ok) return judged;
    const { setup, lines, hash } = judged.value;
    const types = new Map(setup.types.map((t) => [t.code, t]));
    const boxes = new Map(setup.boxes.map((b) => [b.box.tag, b]));
    const changed = (row: TerminationRow): TerminationRow => {
      const box = row.place === null ? undefined : boxes.get(row.place.enclosure.tag);
      const cableType = types.get(row.cableType.code) ?? row.cableType;
      if (row.place === null || box === undefined) return { ...row, cableType };
      const { label } = row.place.entry;
      const entry = box.entries.find((e) => e.label === label) ?? row.place.entry;
      return { ...row, cableType, place: { ...row.place, enclosure: box.box, entry } };
    };
    const staleOf = async (rows: readonly TerminationRow[]) =>
      new Set((await assessMany(tx, job, rows)).filter((a) => a.stale).map((a) => a.tag));
    const stale: string[] = [];
    for await (const ids of inBatches(await endsOn(tx, judged.value), BATCH)) {
      const rows = await loadTerminations(tx, ids);
      const before = await staleOf(rows);
      stale.push(...[...(await staleOf(rows.map(changed)))].filter((t) => !before.has(t)));
    }
    return ok({ lines, stale, hash });
  });
}

/** Takes types and boxes of a table in, as one edit: what is new is made, what is there becomes what the table says, and what it does not name stays. */
export function importSetup(
  slug: string,
  given: unknown,
  hash: string,
  actor: Actor,
  now: Date,
): Promise<Result<SetupOutcome>> {
  return doIn<SetupOutcome>(slug, async ({ tx, job }) => {
    const judged = await judge(tx, job, given);
    if (!judged.ok) return judged;
    if (judged.value.hash !== hash)
      return refuse('file', 'the job has changed since this was shown: look again');
    const { lines } = judged.value;
    const ends = await endsOn(tx, judged.value);
    const log = new EditLog(tx);
    await write({ tx, job, log, now }, judged.value);
    const touched = lines.filter((l) => l.status !== 'same').length;
    await log.save(job, `${touched} of a table of ${labelOf(lines)}`, actor, now);
    await refreshSummaries(tx, job, ends);
    return ok({ touched });
  });
}

const labelOf = (lines: readonly SetupLine[]): string =>
  lines.every((l) => l.what === 'type') ? 'cable types' : 'boxes';

/** What was not there when it was judged, and is now: somebody else was faster. */
function made(id: number | null): number {
  if (id === null) throw new LateWrite();
  return id;
}

async function write(making: Making, { setup, there }: Judged): Promise<void> {
  const { log } = making;
  for (const type of setup.types) {
    const was = there.types.get(type.code);
    if (was === undefined) made(await makeType(making, type));
    else if (canonicalJson(was.facts) !== canonicalJson(type))
      await log.write('cableType', was.id, { facts: JSON.stringify(type) }, was.version);
  }
  for (const { area, box, entries } of setup.boxes) {
    const was = there.boxes.get(box.tag);
    const id = was?.id ?? made(await makeBox(making, area, box));
    if (was && (was.area !== area || canonicalJson(was.facts) !== canonicalJson(box)))
      await log.write('enclosure', id, { area, facts: JSON.stringify(box) }, was.version);
    for (const entry of entries) {
      const hole = was?.entries.find((e) => e.facts.label === entry.label);
      if (hole === undefined) made(await makeEntry(making, id, entry));
      else if (canonicalJson(hole.facts) !== canonicalJson(entry))
        await log.write('entry', hole.id, { facts: JSON.stringify(entry) }, hole.version);
    }
  }
}

/** The types or the boxes of a job, `types.csv` or `boxes.xlsx`, as a file that reads back identical. */
export function setupFile(slug: string, file: string): Promise<Result<TableFile>> {
  return lookIn<TableFile>(slug, async ({ tx, job }) => {
    const [what, format = ''] = file.split('.');
    if ((what !== 'types' && what !== 'boxes') || !isTableFormat(format))
      return refuse('file', 'is no file of a job’s types or boxes', file);
    const table =
      what === 'types'
        ? typeTable((await listCableTypes(tx, job.id)).map((t) => t.facts))
        : boxTable(
            (await listBoxes(tx, job.id)).map(({ area, facts, entries }) => ({
              area,
              box: facts,
              entries: entries.map((e) => e.facts),
            })),
          );
    const sheet = what === 'types' ? 'Cable types' : 'Boxes';
    return ok(await tableFile(table, { format, sheet, name: `${slug}-${what}` }));
  });
}
