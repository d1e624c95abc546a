import { array, mixed, object, string } from 'yup';
import { ok, refuse, validate, type Result } from '@/core/kernel';
import {
  briefOf,
  fillOf,
  isCrossingKind,
  KINDS,
  readCrossingSetup,
  sheetOf,
  type AllSheets,
  type CrossingKind,
  type CrossingKindId,
  type CrossingLine,
  type CrossingPlanView,
  type CrossingSetup,
  type CrossingView,
  type Setups,
  type Sheets,
} from '@/core/crossing';
import { sheetsInForce } from '@/core/catalogue';
import { eventView, faultWords, formerNames, type CrossingRef } from '@/core/record';
import { verdictOf } from '@/core/soft-seal';
import {
  database,
  insertCrossing,
  loadCrossingSheets,
  updateCrossing,
  type CrossingRow,
  type StoredCrossingPlan,
} from '@/data';
import type { Actor } from '../actor';
import { guarded } from '../guard';
import { auditedRecords } from '../record/faults';
import { operation } from '../transaction';
import {
  askOf,
  assessed,
  assessedCrossings,
  crossingSubject,
  knownDiameters,
  onlyKnown,
  requireCrossing,
  type Assessed,
} from './crossing-assess';
import { measuringOf } from './measuring';
import { requireJob } from './load';

export function viewCrossings(slug: string): Promise<Result<readonly CrossingLine[]>> {
  return guarded<readonly CrossingLine[]>(async () => {
    const tx = database();
    const job = await requireJob(tx, slug);
    if (!job.ok) return job;
    const all = await assessedCrossings(tx, job.value);
    return all.ok ? ok(all.value.map(({ row, is }) => lineOf(row, is))) : all;
  });
}

function lineOf({ name, setup }: CrossingRow, found: Assessed<CrossingKindId>): CrossingLine {
  const [plan]: readonly StoredCrossingPlan[] = found.plans;
  return {
    name,
    kind: setup.kind,
    place: setup.place,
    cables: setup.members.length,
    state: found.state,
    provisional: found.asked.provisional.length > 0,
    fill: plan?.of === 'frames' ? fillOf(plan.request.modules, plan.plan) : null,
    brief: plan === undefined ? '' : briefOf<CrossingKindId>(plan),
    verdict: plan === undefined || plan.of === 'frames' ? null : verdictOf(plan.plan.findings),
    done: found.done,
    steps: found.steps.length,
    faults: found.faults.map(faultWords),
  };
}

export function viewCrossing(ref: CrossingRef): Promise<Result<CrossingView>> {
  return guarded<CrossingView>(async () => {
    const found = await assessed(database(), ref);
    if (!found.ok) return found;
    const { job, row, all, events, sheets, assessed: is } = found.value;
    const { kind, setup, sheet, asked, hash, plans, steps, acts, state, faults } = is;
    const view = {
      kind,
      job: ref.job,
      name: row.name,
      version: row.version,
      setup,
      state,
      asked,
      sheet,
      sheets: sheetsInForce<Sheets[CrossingKindId]>(KINDS[kind].sheets(sheets)),
      requestHash: hash,
      schedule: [...all].map(([tag, diameter]) => ({ tag, diameter })),
      plans: plans.map((p) => planView(p, hash)),
      steps,
      acts,
      measuring: measuringOf(job),
      events: events.map(eventView),
      faults: faults.map(faultWords),
      formerNames: formerNames(events, crossingSubject(job, row).name),
    };
    // All of it is of one kind: the types of its parts no longer say so when they stand side by side.
    return ok(view as unknown as CrossingView);
  });
}

const planView = (
  { intact: _, crossingId: _of, madeAt, requestHash, ...plan }: StoredCrossingPlan,
  hash: string,
): CrossingPlanView => ({ ...plan, madeAt: madeAt.toISOString(), stale: requestHash !== hash });

const NAME = /^[^/]{1,40}$/;

/**
 * Adds a crossing from a setup, or of a kind, frames where none is named: then it starts bare on the first sheet in force, and what nobody has said is
 * asked for.
 */
export function addCrossing(
  slug: string,
  name: string,
  from: unknown = 'frames',
): Promise<Result<{ name: string }>> {
  return operation(async (tx) => {
    const job = await requireJob(tx, slug);
    if (!job.ok) return job;
    const trimmed = name.trim();
    if (!NAME.test(trimmed)) return refuse('name', 'needs 1 to 40 characters without a slash', name);
    if (typeof from === 'string' && !isCrossingKind(from))
      return refuse('kind', 'is no kind of crossing', from);
    const sheets = await loadCrossingSheets(tx);
    const read = readCrossingSetup(isCrossingKind(from) ? bareSetup(from, sheets) : from);
    if (!read.ok) return read;
    const sheet = sheetOf<CrossingKindId>(read.value, sheets);
    if (!sheet.ok) return sheet;
    await insertCrossing(tx, job.value.id, trimmed, read.value);
    return ok({ name: trimmed });
  });
}

/** The setup of a crossing that has just been added, on the first sheet in force. */
function bareSetup<K extends CrossingKindId>(id: K, all: AllSheets): Setups[K] {
  const kind: CrossingKind<K> = KINDS[id];
  const [sheet] = sheetsInForce<Sheets[K]>(kind.sheets(all));
  return kind.bare(sheet);
}

/**
 * Writes what goes through a crossing. Refused when somebody else has written since it was read, and when it would become another kind while
 * its building is on record.
 */
export function setCrossing(
  ref: CrossingRef,
  version: number,
  setup: unknown,
  _actor: Actor,
): Promise<Result<{ version: number }>> {
  return operation(async (tx) => {
    const found = await requireCrossing(tx, ref);
    if (!found.ok) return found;
    const { job, row } = found.value;
    const read = readCrossingSetup(setup);
    if (!read.ok) return read;
    if (read.value.kind !== row.setup.kind) {
      const record = (await auditedRecords(tx, job, 'crossing', [row]))(row.id);
      if (record.events.length > 0)
        return refuse(
          'kind',
          `it is on record as ${KINDS[row.setup.kind].words}: add another crossing for ${KINDS[read.value.kind].words}`,
        );
    }
    const known = onlyKnown(await knownDiameters(tx, job));
    const asked = askOf<CrossingKindId>(read.value, known, await loadCrossingSheets(tx));
    if (!asked.ok) return asked;
    const written = await updateCrossing(tx, row.id, version, read.value);
    return written
      ? ok({ version: version + 1 })
      : refuse('version', 'somebody else has changed this crossing: look again before you save');
  });
}

/** A part that a crossing is divided into. */
const partsSchema = array()
  .of(
    object({ name: string().max(200).required(), setup: mixed().required() })
      .noUnknown()
      .required(),
  )
  .min(2, 'are fewer than two: there is nothing to divide')
  .max(60)
  .required();

/**
 * Divides a crossing: it keeps its name with the first part, the others are added beside it. Every cable of it is in one of them and in one only. All of
 * it or nothing; refused once its building is on record.
 */
export function splitCrossing(
  ref: CrossingRef,
  version: number,
  parts: unknown,
): Promise<Result<{ names: readonly string[] }>> {
  return operation<{ names: readonly string[] }>(async (tx) => {
    const found = await requireCrossing(tx, ref);
    if (!found.ok) return found;
    const { job, row } = found.value;
    const read = validate(partsSchema, parts);
    if (!read.ok) return read;
    const record = (await auditedRecords(tx, job, 'crossing', [row]))(row.id);
    if (record.events.length > 0)
      return refuse('parts', 'its building is on record: it is not divided any more');
    const setups: CrossingSetup[] = [];
    for (const [i, part] of read.value.entries()) {
      const setup = readCrossingSetup(part.setup);
      if (!setup.ok)
        return { ok: false, problems: setup.problems.map((p) => ({ ...p, path: `parts[${i}].${p.path}` })) };
      if (i > 0 && !NAME.test(part.name.trim()))
        return refuse(`parts[${i}].name`, 'needs 1 to 40 characters without a slash', part.name);
      setups.push(setup.value);
    }
    const tags = (members: readonly { readonly tag: string }[]) =>
      members
        .map((m) => m.tag)
        .sort()
        .join('\n');
    if (
      tags(setups.flatMap((s): readonly { readonly tag: string }[] => s.members)) !== tags(row.setup.members)
    )
      return refuse('parts', 'do not hold every cable of it once');
    const [first, ...others] = setups;
    if (first === undefined || !(await updateCrossing(tx, row.id, version, first)))
      return refuse('version', 'somebody else has changed this crossing: look again before you save');
    const names = [row.name];
    for (const [i, setup] of others.entries()) {
      const name = read.value[i + 1]?.name.trim() ?? '';
      await insertCrossing(tx, job.id, name, setup);
      names.push(name);
    }
    return ok({ names });
  });
}
