import { group } from 'd3';
import { ok, type Result } from '@/core/kernel';
import { armourQuantity, measureEnd } from '@/core/gland-selection';
import type { CatalogueCable } from '@/core/termination-view';
import { database, loadReadings, loadTerminations, terminationIdsOfJob } from '@/data';
import { guarded } from '../guard';
import { inBatches } from '../heavy';
import { rulesOf } from './measuring';
import { readingsOfEnd } from './assess';
import { requireJob } from './load';

/** The measured ends of a job as they are drawn on the range charts of the catalogue. An end whose readings cannot be read is left out. */
export function viewCatalogueCables(slug: string): Promise<Result<CatalogueCable[]>> {
  return guarded<CatalogueCable[]>(async () => {
    const tx = database();
    const job = await requireJob(tx, slug);
    if (!job.ok) return job;
    const rows = await loadTerminations(tx, await terminationIdsOfJob(tx, job.value.id));
    const readings = await loadReadings(tx, [...new Set(rows.map((r) => r.cable.id))]);
    const readingsOf = group(readings, (r) => r.cableId);
    const cables: CatalogueCable[] = [];
    for await (const batch of inBatches(rows, 500))
      for (const row of batch) {
        const { armour } = row.cableType;
        const own = readingsOfEnd(readingsOf.get(row.cable.id) ?? [], row.end).map((r) => r.reading);
        const measured = measureEnd(own, rulesOf(job.value));
        const outer = measured.ok ? measured.value.outerSheath : null;
        if (!measured.ok || outer === null) continue;
        cables.push({
          tag: `${row.cable.tag}/${row.end}`,
          armour,
          outer: outer.interval,
          inner: measured.value.innerSheath?.interval ?? null,
          armourMm: measured.value[armourQuantity(armour)]?.interval ?? null,
          cores: measured.value.laidUpCores?.interval ?? null,
          provisional: outer.provisional,
        });
      }
    return ok(cables);
  });
}
