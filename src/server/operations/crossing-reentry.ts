import type { CrossingRef } from '@/core/record';
import { ok, refuse, validate, type Result } from '@/core/kernel';
import {
  crossingRequest,
  crossingSetupSchema,
  requestHash,
  sheetOf,
  withMembers,
  type ReentryDraft,
} from '@/core/crossing';
import { loadFrameSheets, lockCrossing, updateCrossing } from '@/data';
import type { Actor } from '../actor';
import { operation } from '../transaction';
import { knownDiameters, onlyKnown, requireCrossing } from './crossing';
import { storePlan } from './crossing-plan';

/**
 * Takes new cables into a crossing together with the frame as it is built with them: both or neither. A frame that is opened again may use
 * its spares; that is what they were kept for.
 */
export function takeReentry(
  ref: CrossingRef,
  { id, knowing, version, cables, plan }: ReentryDraft,
  actor: Actor,
  now: Date,
): Promise<Result<{ planHash: string }>> {
  return operation<{ planHash: string }>(async (tx) => {
    const found = await requireCrossing(tx, ref);
    if (!found.ok) return found;
    const { job, row } = found.value;
    await lockCrossing(tx, row.id);
    if (cables.length === 0) return refuse('cables', 'there is no cable to take in');
    const setup = validate(crossingSetupSchema, withMembers(row.setup, cables));
    if (!setup.ok) return setup;
    const sheet = sheetOf(setup.value, await loadFrameSheets(tx));
    if (!sheet.ok) return sheet;
    const asked = crossingRequest(setup.value, onlyKnown(await knownDiameters(tx, job)), sheet.value);
    if (!asked.ok) return asked;
    if (!(await updateCrossing(tx, row.id, version, setup.value)))
      return refuse('version', 'somebody else has changed this crossing: look again before you save');
    const hash = requestHash(asked.value.request);
    const note = `with ${cables.map((c) => c.tag).join(', ')}`;
    const stored = await storePlan(
      tx,
      { job, row, request: asked.value.request, hash },
      { id, knowing, kind: 'asBuilt', requestHash: hash, plan, note },
      actor,
      now,
    );
    return stored.ok ? ok(stored.value) : stored;
  });
}
