import { ok, refuse, type Result } from '@/core/kernel';
import { nearestView } from '@/core/gland-selection';
import { wantedFor } from '@/core/kit';
import { compareTags } from '@/core/schedule';
import type { WantedView } from '@/core/termination-view';
import { currentPlans, loadTerminations, terminationIdsOfJob } from '@/data';
import { writeCsv } from '@/formats/csv/write';
import { inBatches } from '../heavy';
import { lookIn } from './in-job';
import { assessMany, BATCH } from './load';

/** Ends for which nothing in the catalogue fits: what a supplier has to be asked for, which size comes nearest, and what would help. */
export function viewWanted(slug: string): Promise<Result<readonly WantedView[]>> {
  return lookIn<readonly WantedView[]>(slug, async ({ tx, job }) => {
    const all = await terminationIdsOfJob(tx, job.id);
    const planned = new Set((await currentPlans(tx, all)).map((p) => p.terminationId));
    const wanted: WantedView[] = [];
    for await (const ids of inBatches(
      all.filter((id) => !planned.has(id)),
      BATCH,
    )) {
      for (const { tag, row, request, choice } of await assessMany(
        tx,
        job,
        await loadTerminations(tx, ids),
      )) {
        if (request === null || choice?.candidates[0]?.verdict !== 'misfit') continue;
        const nearest = choice.nearest === null ? null : nearestView(choice.nearest);
        wanted.push({
          tag,
          area: row.place?.area ?? '',
          ...wantedFor(request.input, choice.barrier.outcome),
          nearest:
            nearest === null
              ? null
              : {
                  size: nearest.size,
                  reasons: nearest.reasons,
                  remedies: nearest.remedies.map((r) => r.words),
                },
        });
      }
    }
    return ok(wanted.sort((a, b) => compareTags(a.tag, b.tag)));
  });
}

/** The same as a table that goes to a supplier. */
export async function wantedFile(slug: string): Promise<Result<string>> {
  const wanted = await viewWanted(slug);
  if (!wanted.ok) return wanted;
  if (wanted.value.length === 0)
    return refuse('file', 'nothing has to be asked for: every measured end has a size');
  const columns = [...new Set(wanted.value.flatMap((w) => w.needs.map(([what]) => what)))];
  return ok(
    writeCsv(
      [
        'end',
        'area',
        'pieces',
        ...columns,
        'nearest in the catalogue',
        'why it does not fit',
        'what would help',
      ],
      wanted.value.map((w) => ({
        ...Object.fromEntries(w.needs),
        end: w.tag,
        area: w.area,
        pieces: '1',
        'nearest in the catalogue': w.nearest?.size ?? '',
        'why it does not fit': w.nearest?.reasons.join('; ') ?? '',
        'what would help': w.nearest?.remedies.join('; ') ?? '',
      })),
    ),
  );
}
