import { ok, type Result } from '@/core/kernel';
import { SUPERVISES, type ChargeView, type Role } from '@/core/people';
import { supervisionAt, supervisorsOf } from '@/data';
import type { Actor } from '../actor';
import { lookIn } from './in-job';

/** Under whom somebody works in a job, and who could say so; nobody is asked who works in their own name. */
export function viewCharge(
  slug: string,
  { id }: Actor,
  roles: readonly Role[],
  now: Date,
): Promise<Result<ChargeView>> {
  return lookIn<ChargeView>(slug, async ({ tx, job }) => {
    const asks = roles.includes('apprentice') && !roles.some((r) => SUPERVISES.includes(r));
    if (!asks || id === null) return ok({ asks: false, under: null, may: [] });
    const found = await supervisionAt(tx, job.id, id, now);
    return ok({
      asks: true,
      under: found === null ? null : { name: found.name, until: found.until.toISOString() },
      may: await supervisorsOf(tx, job.id),
    });
  });
}
