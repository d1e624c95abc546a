import { ok, refuse, validate, type Result } from '@/core/kernel';
import type { MissingField } from '@/core/gland-selection';
import { cableTypeSchema, enclosureSchema } from '@/core/schedule';
import { findCableTypeId, findEnclosureId, terminationIdsOfJob } from '@/data';
import type { Actor } from '../actor';
import { operation } from '../transaction';
import { EditLog } from './edits';
import { refreshSummaries, requireTermination } from './load';
import type { TerminationRef } from '@/core/record';

type Facts = Readonly<Record<string, unknown>>;

/** What an answer writes: into the type of the cable, the box, or the cable itself. */
const TARGET: Readonly<Record<Exclude<MissingField, 'profile'>, 'cableType' | 'enclosure' | 'cable'>> = {
  compact: 'cableType',
  listings: 'cableType',
  ignitionSource: 'enclosure',
  gasGroup: 'enclosure',
  dustGroup: 'enclosure',
  classGroup: 'enclosure',
  temperatureClass: 'enclosure',
  wet: 'enclosure',
  armourMaterial: 'cableType',
  singleCoreAc: 'cableType',
  zone: 'enclosure',
  place: 'enclosure',
  length: 'cable',
};

/** Class, division and group of an answer, and nothing else that it may hold. */
const placeOf = (value: unknown): Facts =>
  typeof value === 'object' && value !== null
    ? Object.fromEntries(
        Object.entries(value).filter(([key]) => ['hazardClass', 'division', 'classGroup'].includes(key)),
      )
    : { hazardClass: value };

/**
 * Answers a question that a decision was waiting for. `value` is a fact in the shape of its record; for `place` it is class,
 * division and group together, for `length` metres. The answer holds for every cable of the type, or every entry of the box.
 */
export function answerFact(
  ref: TerminationRef,
  field: MissingField,
  value: unknown,
  actor: Actor,
  now: Date,
): Promise<Result<null>> {
  return operation(async (tx) => {
    const found = await requireTermination(tx, ref);
    if (!found.ok) return found;
    const { job, row } = found.value;
    if (field === 'profile') return refuse('field', 'belongs to the profile of the job', field);
    const target = TARGET[field];
    const log = new EditLog(tx);
    if (target === 'cable') {
      if (typeof value !== 'number' || !(value > 0) || value > 100_000)
        return refuse('length', 'is not a length in metres', value);
      await log.write('cable', row.cable.id, { routeMm: Math.round(value * 1000) });
    } else if (target === 'cableType') {
      const id = await findCableTypeId(tx, job.id, row.cableType.code);
      const facts: Facts = { ...row.cableType, [field]: value };
      const valid = validate(cableTypeSchema, facts);
      if (!valid.ok) return valid;
      await log.write('cableType', id, { facts: JSON.stringify(facts) });
    } else {
      if (row.place === null) return refuse('entry', 'this end has no entry yet');
      const id = await findEnclosureId(tx, job.id, row.place.enclosure.tag);
      const facts: Facts = {
        ...row.place.enclosure,
        ...(field === 'place' ? placeOf(value) : { [field]: value }),
      };
      const valid = validate(enclosureSchema, facts);
      if (!valid.ok) return valid;
      await log.write('enclosure', id, { facts: JSON.stringify(facts) });
    }
    await log.save(job, `${field} answered at ${ref.cable}/${ref.end}`, actor, now);
    await refreshSummaries(tx, job, await terminationIdsOfJob(tx, job.id));
    return ok(null);
  });
}
