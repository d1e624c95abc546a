import { ok, type Result } from '@/core/kernel';
import { armourQuantity } from '@/core/gland-selection';
import type { CatalogueCable } from '@/core/termination-view';
import { database, loadTerminations, terminationIdsOfJob } from '@/data';
import { guarded } from '../guard';
import { assessMany, requireJob } from './load';

/** The measured ends of a job as they are drawn on the range charts of the catalogue. */
export function viewCatalogueCables(slug: string): Promise<Result<CatalogueCable[]>> {
  return guarded<CatalogueCable[]>(async () => {
    const job = await requireJob(database(), slug);
    if (!job.ok) return job;
    const rows = await loadTerminations(database(), await terminationIdsOfJob(database(), job.value.id));
    const assessments = await assessMany(database(), job.value, rows);
    return ok(
      assessments.flatMap((a) => {
        const { armour } = a.row.cableType;
        const { outerSheath, innerSheath, laidUpCores } = a.measured;
        if (outerSheath === null) return [];
        return [
          {
            tag: a.tag,
            armour,
            outer: outerSheath.interval,
            inner: innerSheath?.interval ?? null,
            armourMm: a.measured[armourQuantity(armour)]?.interval ?? null,
            cores: laidUpCores?.interval ?? null,
            provisional: outerSheath.provisional,
          },
        ];
      }),
    );
  });
}
