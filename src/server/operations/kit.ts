import { ok, type Result } from '@/core/kernel';
import { partsOf, type CrossingKindId } from '@/core/crossing';
import { sameThread, threadName, type Accessory } from '@/core/catalogue';
import { crossingDemand, kitOf, type Kit, type KitDemand, type SpareRule } from '@/core/kit';
import { coversConcept, coversGroup, coversIp, temperatureMarginC } from '@/core/gland-selection';
import type { CodeProfile, Enclosure } from '@/core/schedule';
import {
  currentPlans,
  doneTerminationIds,
  database,
  listUnusedEntries,
  loadCatalogue,
  loadTerminations,
  terminationIdsOfJob,
  type StoredCrossingPlan,
} from '@/data';
import { guarded } from '../guard';
import { assessedCrossings } from './crossing-assess';
import { requireJob } from './load';

export interface KitAnswer {
  readonly kit: Kit;
  /** Ends that are made off and crossings that are built, and signed: their parts are in place and not in the kit. */
  readonly fitted: readonly string[];
  /** Terminations and crossings without a plan: their parts are not in the kit. */
  readonly unplanned: readonly string[];
  /** Entries that nobody uses and for which the catalogue has no plug. */
  readonly unplugged: readonly string[];
}

/** The plug that closes an entry: the thread's own, certified for the place; never through an adaptor. */
function plugFor(
  thread: Accessory['thread'],
  enclosure: Enclosure,
  profile: CodeProfile,
  parts: readonly Accessory[],
) {
  return parts.find(
    (a) =>
      a.kind === 'blankingPlug' &&
      sameThread(a.thread, thread) &&
      a.certificate !== undefined &&
      coversConcept(a.certificate, enclosure, profile.system) &&
      coversGroup(a.certificate, enclosure, profile.system) &&
      coversIp(a.certificate, enclosure) &&
      temperatureMarginC(a.certificate, enclosure) >= 0,
  );
}

/** Everything that the plans of a job take from the store, and plugs for the threaded entries that nobody uses. */
export function viewKit(
  slug: string,
  rule: SpareRule,
  stock: ReadonlyMap<string, number> | null,
): Promise<Result<KitAnswer>> {
  return guarded<KitAnswer>(async () => {
    const tx = database();
    const job = await requireJob(tx, slug);
    if (!job.ok) return job;
    const rows = await loadTerminations(tx, await terminationIdsOfJob(tx, job.value.id));
    const plans = new Map(
      (
        await currentPlans(
          tx,
          rows.map((r) => r.id),
        )
      ).map((p) => [p.terminationId, p.plan]),
    );
    const demands: KitDemand[] = [];
    const unplanned: string[] = [];
    const done = await doneTerminationIds(tx, job.value.id);
    const fitted: string[] = [];
    for (const row of rows) {
      const plan = plans.get(row.id);
      const tag = `${row.cable.tag}/${row.end}`;
      if (done.has(row.id)) {
        fitted.push(tag);
        continue;
      }
      if (plan) demands.push({ area: row.place?.area ?? 'no place', user: tag, parts: plan.parts });
      else unplanned.push(tag);
    }
    const { accessories } = await loadCatalogue(tx);
    const unplugged: string[] = [];
    for (const { area, enclosure, entry } of await listUnusedEntries(tx, job.value.id)) {
      if (entry.thread === null) continue;
      const name = `${enclosure.tag}/${entry.label}`;
      const plug = plugFor(entry.thread, enclosure, job.value.profile, accessories);
      if (!plug) unplugged.push(`${name} (${threadName(entry.thread)})`);
      else
        demands.push({
          area,
          user: name,
          parts: [
            { part: plug.partNumber, kind: 'blankingPlug', name: `blanking plug ${threadName(plug.thread)}` },
          ],
        });
    }
    const crossings = await assessedCrossings(tx, job.value);
    if (!crossings.ok) return crossings;
    for (const { row, is } of crossings.value) {
      const name = `crossing ${row.name}`;
      const [plan]: readonly StoredCrossingPlan[] = is.plans;
      if (is.state === 'built') fitted.push(name);
      else if (plan === undefined) unplanned.push(name);
      else demands.push(crossingDemand(name, partsOf<CrossingKindId>(plan)));
    }
    return ok({
      kit: kitOf(demands, rule, stock),
      fitted: fitted.sort(),
      unplanned: unplanned.sort(),
      unplugged,
    });
  });
}
