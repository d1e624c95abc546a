import type { CrossingRef } from '@/core/record';
import { ok, refuse, type Result } from '@/core/kernel';
import {
  KINDS,
  readCrossingSetup,
  withMembers,
  type CrossingKind,
  type CrossingKindId,
  type ReentryDraft,
  type Requests,
} from '@/core/crossing';
import { loadCrossingSheets, lockCrossing, updateCrossing } from '@/data';
import type { Actor } from '../actor';
import { operation } from '../transaction';
import { askOf, knownDiameters, onlyKnown, requireCrossing } from './crossing-assess';
import { storePlan } from './crossing-plan';

/**
 * Takes cables into a crossing, or out of it, together with what closes it as it is built then: both or neither. A frame that is opened again may
 * use its spares; that is what they were kept for.
 */
export function takeReentry(
  ref: CrossingRef,
  { id, knowing, version, cables, without, plan }: ReentryDraft,
  actor: Actor,
  now: Date,
): Promise<Result<{ planHash: string }>> {
  return operation<{ planHash: string }>(async (tx) => {
    const found = await requireCrossing(tx, ref);
    if (!found.ok) return found;
    const { job, row } = found.value;
    await lockCrossing(tx, row.id);
    if (cables.length + without.length === 0) return refuse('cables', 'there is no cable to take in or out');
    const inside = new Set(row.setup.members.map((m) => m.tag));
    const strange = without.find((tag) => !inside.has(tag));
    if (strange !== undefined) return refuse('without', 'does not go through', strange);
    const setup = readCrossingSetup(withMembers(row.setup, cables, without));
    if (!setup.ok) return setup;
    const known = onlyKnown(await knownDiameters(tx, job));
    const asked = askOf<CrossingKindId>(setup.value, known, await loadCrossingSheets(tx));
    if (!asked.ok) return asked;
    const { request } = asked.value;
    if (request === null) return refuse('plan', 'something is not said yet: nothing is planned');
    if (!(await updateCrossing(tx, row.id, version, setup.value)))
      return refuse('version', 'somebody else has changed this crossing: look again before you save');
    const kind = setup.value.kind;
    const hash = hashIn(kind, request);
    const note = [
      ...(cables.length > 0 ? [`with ${cables.map((c) => c.tag).join(', ')}`] : []),
      ...(without.length > 0 ? [`without ${without.join(', ')}`] : []),
    ].join('; ');
    const stored = await storePlan<CrossingKindId>(
      tx,
      { job, row, kind, setup: setup.value, request, hash },
      { id, knowing, kind: 'asBuilt', requestHash: hash, plan, note },
      actor,
      now,
    );
    return stored.ok ? ok(stored.value) : stored;
  });
}

const hashIn = <K extends CrossingKindId>(kind: K, request: Requests[K]): string =>
  (KINDS[kind] as CrossingKind<K>).hashOf(request);
