import type { ChainedEvent, EventKind } from '@/core/record';
import type { Base, KeptBatch } from './deed';

/** What changes nothing of the work: it stands in nobody's way. */
const ASIDE: ReadonlySet<string> = new Set<EventKind>(['note', 'leftOut', 'test']);

/** Events of the record that a device has made itself: those of the batch, and those that it says it has sent before, if they are by whoever sends. */
export const ownOf = (
  { items, mine = [] }: Pick<KeptBatch, 'items' | 'mine'>,
  events: readonly Pick<ChainedEvent, 'id' | 'person'>[],
  person: string | null,
): ReadonlySet<string> => {
  const said = new Set(mine);
  return new Set([
    ...items.map((i) => i.input.id),
    ...events.filter((e) => said.has(e.id) && e.person !== null && e.person === person).map((e) => e.id),
  ]);
};

/** How a device's work and a record meet. */
export interface Meeting<E> {
  /** What others recorded since, that the device did not know of. */
  readonly theirs: readonly E[];
  readonly planChanged: boolean;
}

/**
 * What happened to a record since a device knew it, apart from the device's own work (by `own` ids). Null where they simply go on from one another. A
 * record that does not hold the event that the device knew last is another one: all of it is theirs.
 */
export function meet<E extends Pick<ChainedEvent, 'id' | 'seq' | 'hash' | 'kind'>>(
  base: Base,
  events: readonly E[],
  planHash: string | null,
  own: ReadonlySet<string>,
): Meeting<E> | null {
  const known = base.seq === 0 || events.some((e) => e.seq === base.seq && e.hash === base.hash);
  const since = known ? events.filter((e) => e.seq > base.seq) : events;
  const theirs = since.filter((e) => !own.has(e.id) && !ASIDE.has(e.kind));
  const planChanged = planHash !== base.planHash;
  return theirs.length === 0 && !planChanged ? null : { theirs, planChanged };
}
