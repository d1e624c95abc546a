import { ok, refuse, validate, type Result } from '@/core/kernel';
import { cableTypeSchema, type CableType } from '@/core/schedule';
import type { SetupOutcome, TypeView } from '@/core/termination-view';
import { cablesByType, findAnyType, listCableTypes, terminationIdsOfType } from '@/data';
import type { Actor } from '../actor';
import { EditLog } from './edits';
import { doIn, lookIn } from './in-job';
import { refreshSummaries } from './load';
import { makeType } from './make-setup';

/** The cable types of a job, with how many cables are of each. */
export function viewTypes(slug: string): Promise<Result<readonly TypeView[]>> {
  return lookIn<readonly TypeView[]>(slug, async ({ tx, job }) => {
    const cables = await cablesByType(tx, job.id);
    return ok(
      (await listCableTypes(tx, job.id)).map(({ id, facts, version }) => ({
        type: facts,
        cables: cables.get(id) ?? 0,
        version,
      })),
    );
  });
}

/** Makes a cable type. */
export function addType(
  slug: string,
  given: unknown,
  actor: Actor,
  now: Date,
): Promise<Result<SetupOutcome>> {
  return doIn<SetupOutcome>(slug, async ({ tx, job }) => {
    const facts = validate(cableTypeSchema, given, true);
    if (!facts.ok) return facts;
    const log = new EditLog(tx);
    if ((await makeType({ tx, job, log, now }, facts.value)) === null)
      return refuse('code', 'a type of this code is there already', facts.value.code);
    await log.save(job, `cable type ${facts.value.code}`, actor, now);
    return ok({ touched: 0 });
  });
}

/** Changes what is said of a cable type: every end of its cables is judged anew. */
export function setType(
  slug: string,
  code: string,
  version: number,
  given: unknown,
  actor: Actor,
  now: Date,
): Promise<Result<SetupOutcome>> {
  return doIn<SetupOutcome>(slug, async ({ tx, job }) => {
    const there = await findAnyType(tx, job.id, code);
    if (!there || there.retired) return refuse('type', 'is not a cable type of this job', code);
    const facts = validate<typeof cableTypeSchema>(cableTypeSchema, given, true);
    if (!facts.ok) return facts;
    const changed: CableType = facts.value;
    if (changed.code !== code)
      return refuse('code', 'cannot be changed: cables name the type by it. Make another type', changed.code);
    const log = new EditLog(tx);
    await log.write('cableType', there.id, { facts: JSON.stringify(changed) }, version);
    await log.save(job, `cable type ${code}`, actor, now);
    const ids = await terminationIdsOfType(tx, there.id);
    await refreshSummaries(tx, job, ids);
    return ok({ touched: ids.length });
  });
}

/** Takes a type out that no cable is of. */
export function takeOutType(
  slug: string,
  code: string,
  version: number,
  actor: Actor,
  now: Date,
): Promise<Result<SetupOutcome>> {
  return doIn<SetupOutcome>(slug, async ({ tx, job }) => {
    const there = await findAnyType(tx, job.id, code);
    if (!there || there.retired) return refuse('type', 'is not a cable type of this job', code);
    const used = (await cablesByType(tx, job.id)).get(there.id) ?? 0;
    if (used > 0)
      return refuse('type', `${used} ${used === 1 ? 'cable is' : 'cables are'} of this type`, code);
    const log = new EditLog(tx);
    await log.write('cableType', there.id, { retiredAt: now.toISOString() }, version);
    await log.save(job, `cable type ${code} taken out`, actor, now);
    return ok({ touched: 0 });
  });
}
