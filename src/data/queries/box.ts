import { and, eq, isNull, sql } from 'drizzle-orm';
import type { Enclosure, Entry } from '@/core/schedule';
import type { Tx } from '../connection';
import { ENCLOSURE, ENTRY } from '../stored-kinds';
import { enclosure, entry } from '../schema';

export interface BoxEntryRow {
  readonly id: number;
  readonly version: number;
  readonly facts: Entry;
}

export interface BoxRow {
  readonly id: number;
  readonly area: string;
  readonly version: number;
  readonly facts: Enclosure;
  readonly entries: readonly BoxEntryRow[];
}

/** The boxes of a job with their entries, as people read tags. */
export async function listBoxes(tx: Tx, jobId: number, tag?: string): Promise<BoxRow[]> {
  const mine = and(
    eq(enclosure.jobId, jobId),
    isNull(enclosure.retiredAt),
    ...(tag === undefined ? [] : [eq(enclosure.tag, tag)]),
  );
  const boxes = await tx
    .select()
    .from(enclosure)
    .where(mine)
    .orderBy(sql`NATURAL_SORT_KEY(${enclosure.tag})`);
  const holes = await tx
    .select({ id: entry.id, enclosureId: entry.enclosureId, version: entry.version, facts: entry.facts })
    .from(entry)
    .innerJoin(enclosure, eq(entry.enclosureId, enclosure.id))
    .where(and(mine, isNull(entry.retiredAt)))
    .orderBy(sql`NATURAL_SORT_KEY(${entry.label})`);
  const of = new Map<number, BoxEntryRow[]>();
  for (const { enclosureId, facts, ...rest } of holes)
    of.set(enclosureId, [...(of.get(enclosureId) ?? []), { ...rest, facts: ENTRY.parse(facts, rest.id) }]);
  return boxes.map((b) => ({
    id: b.id,
    area: b.area,
    version: b.version,
    facts: ENCLOSURE.parse(b.facts, b.tag),
    entries: of.get(b.id) ?? [],
  }));
}
