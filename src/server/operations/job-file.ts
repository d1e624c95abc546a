import { fail, hashOf, ok, refuse, type Problem, type Result } from '@/core/kernel';
import { JOB_FILE_VERSION, readJobFile, slugOf, type JobFile } from '@/core/job';
import { readPlan } from '@/core/procedure';
import { ENDS } from '@/core/schedule';
import {
  currentPlans,
  database,
  findEntry,
  findRevision,
  insertCable,
  insertCableType,
  insertCrossing,
  insertEnclosure,
  insertEntry,
  insertJob,
  insertPlan,
  insertReadings,
  insertTermination,
  listBoxes,
  listCableTypes,
  listCrossings,
  listJobs,
  loadReadings,
  loadTerminations,
  plansOfTerminations,
  setRoles,
  terminationIdsOfJob,
  type Tx,
} from '@/data';
import { madeBy, type Actor } from '../actor';
import { guarded } from '../guard';
import { inBatches } from '../heavy';
import { operation } from '../transaction';
import { BATCH, refreshSummaries, requireJob } from './load';

/** A whole job as one file; see `jobFileSchema`. Written so that what is taken in comes out again sign for sign. */
export function exportJob(slug: string): Promise<Result<JobFile>> {
  return guarded<JobFile>(async () => {
    const tx = database();
    const job = await requireJob(tx, slug);
    if (!job.ok) return job;
    const { id, name, place, unit, secondPerson, families, profile } = job.value;
    return ok({
      format: 'amber-collar-job',
      version: JOB_FILE_VERSION,
      name,
      place,
      unit,
      secondPerson,
      families: families === null ? null : [...families],
      profile,
      types: (await listCableTypes(tx, id)).map((t) => t.facts),
      boxes: (await listBoxes(tx, id)).map((b) => ({
        area: b.area,
        box: b.facts,
        entries: b.entries.map((e) => e.facts),
      })),
      cables: await cablesOf(tx, id),
      crossings: (await listCrossings(tx, id)).map(({ name: title, setup }) => ({ name: title, setup })),
    });
  });
}

type Cable = JobFile['cables'][number];

async function cablesOf(tx: Tx, jobId: number): Promise<Cable[]> {
  const cables = new Map<number, Cable>();
  for await (const ids of inBatches(await terminationIdsOfJob(tx, jobId), BATCH)) {
    const rows = await loadTerminations(tx, ids);
    const byId = new Map(rows.map((r) => [r.id, r]));
    const readings = await loadReadings(tx, [...new Set(rows.map((r) => r.cable.id))]);
    const plans = new Map((await currentPlans(tx, ids)).map((p) => [p.terminationId, p]));
    // As it was hashed: a plan of before is read in today's shape, and that has another hash.
    const bodies = new Map(
      (await plansOfTerminations(tx, ids, true)).map((p) => [p.subjectId, p.body as object]),
    );
    for (const id of ids) {
      const row = byId.get(id);
      if (row === undefined) continue;
      const nowhere = {
        box: null,
        entry: null,
        tailMm: null,
        spareMm: 0,
        sizeLocked: false,
        compound: null,
        terminals: [],
      };
      const cable: Cable = cables.get(row.cable.id) ?? {
        tag: row.cable.tag,
        type: row.cableType.code,
        routeMm: row.cable.routeMm,
        note: row.cable.note,
        A: nowhere,
        B: nowhere,
        readings: readings
          .filter((r) => r.cableId === row.cable.id)
          .map(({ end, reading }) => ({ end, reading })),
        plans: [],
      };
      cables.set(row.cable.id, cable);
      cable[row.end] = {
        box: row.place?.enclosure.tag ?? null,
        entry: row.place?.entry.label ?? null,
        tailMm: row.tailMm,
        spareMm: row.spareMm,
        sizeLocked: row.sizeLocked,
        compound: row.compound,
        terminals: row.terminals.map(({ core, routeMm }) => ({ core, routeMm })),
        ...(row.pins.length === 0
          ? {}
          : { pins: row.pins.map(({ core, position }) => ({ core, position })) }),
      };
      const plan = plans.get(id);
      const body = bodies.get(id);
      if (plan && body)
        cable.plans.push({
          end: row.end,
          family: plan.plan.family.code,
          revision: plan.plan.family.revision,
          hash: plan.planHash,
          body,
        });
    }
  }
  return [...cables.values()];
}

/** Every plan of a file must be whole, and stand on a sheet that is here. */
async function plansOf(tx: Tx, file: JobFile): Promise<Result<Map<string, number>>> {
  const problems: Problem[] = [];
  const sheets = new Map<string, number>();
  for (const [i, cable] of file.cables.entries())
    for (const { end, family, revision, hash, body } of cable.plans) {
      const path = `cables[${i}].plans`;
      const at = `${cable.tag}/${end}`;
      const plan = readPlan(body);
      if (!plan.ok || hashOf(body) !== hash)
        problems.push({ path, message: 'the plan has been changed after it was made', value: at });
      const sheet = `${family} ${revision}`;
      const id = sheets.get(sheet) ?? (await findRevision(tx, family, revision));
      if (id === null)
        problems.push({
          path,
          message: `stands on sheet ${family} revision ${revision}, which is not in the catalogue here: take it in first`,
          value: at,
        });
      else sheets.set(sheet, id);
    }
  return problems.length > 0 ? fail(problems) : ok(sheets);
}

/** Makes a job of a file. Whoever takes it in sets it up. */
export function importJob(text: string, who: Actor, now: Date): Promise<Result<{ slug: string }>> {
  return operation<{ slug: string }>(async (tx) => {
    let json: unknown;
    try {
      json = JSON.parse(text);
    } catch {
      return refuse('file', 'is not JSON');
    }
    const read = readJobFile(json);
    if (!read.ok) return read;
    const file = read.value;
    const sheets = await plansOf(tx, file);
    if (!sheets.ok) return sheets;
    const slug = slugOf(file.name, new Set((await listJobs(tx)).map((j) => j.slug)));
    const jobId = await insertJob(tx, {
      slug,
      name: file.name,
      place: file.place,
      unit: file.unit,
      secondPerson: file.secondPerson ? 1 : 0,
      families: file.families === null ? null : JSON.stringify(file.families),
      profile: JSON.stringify(file.profile),
    });
    const types = new Map<string, number>();
    for (const facts of file.types) types.set(facts.code, await insertCableType(tx, jobId, facts));
    for (const { area, box, entries } of file.boxes) {
      const id = await insertEnclosure(tx, jobId, area, box);
      for (const entry of entries) await insertEntry(tx, id, entry);
    }
    for (const cable of file.cables)
      await takeCable(tx, cable, { jobId, types, sheets: sheets.value, who, now });
    for (const { name, setup } of file.crossings) await insertCrossing(tx, jobId, name, setup);
    if (who.id !== null) await setRoles(tx, who.id, jobId, ['administrator', 'planner'], who.id, now);
    const job = await requireJob(tx, slug);
    if (!job.ok) throw new Error('the job was just made');
    await refreshSummaries(tx, job.value, await terminationIdsOfJob(tx, jobId));
    return ok({ slug });
  });
}

interface Into {
  readonly jobId: number;
  readonly types: ReadonlyMap<string, number>;
  readonly sheets: ReadonlyMap<string, number>;
  readonly who: Actor;
  readonly now: Date;
}

async function takeCable(tx: Tx, cable: Cable, { jobId, types, sheets, who, now }: Into): Promise<void> {
  const { tag, type, routeMm, note, readings, plans } = cable;
  const typeId = types.get(type);
  if (typeId === undefined) throw new Error(`${type} was found in the file before`);
  const cableId = await insertCable(tx, { jobId, tag, typeId, routeMm, note });
  for (const end of ENDS) {
    const { box, entry, terminals, pins = [], sizeLocked, ...rest } = cable[end];
    const id = await insertTermination(tx, {
      ...rest,
      cableId,
      end,
      entryId: box === null || entry === null ? null : await findEntry(tx, jobId, box, entry),
      sizeLocked: sizeLocked ? 1 : 0,
      terminals: terminals.length === 0 ? null : JSON.stringify(terminals),
      pins: pins.length === 0 ? null : JSON.stringify(pins),
    });
    for (const plan of plans.filter((p) => p.end === end)) {
      const body = readPlan(plan.body);
      const sheet = sheets.get(`${plan.family} ${plan.revision}`);
      if (!body.ok || sheet === undefined) throw new Error(`the plan of ${tag}/${end} was looked at before`);
      await insertPlan(tx, {
        terminationId: id,
        familyRevisionId: sheet,
        plan: body.value,
        planHash: plan.hash,
        ...madeBy(who),
        madeAt: now,
      });
    }
  }
  await insertReadings(
    tx,
    readings.map(({ end, reading }) => ({ cableId, end, reading })),
  );
}
