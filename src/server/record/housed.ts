import { group } from 'd3';
import { mateIn, RECORD_HALF, type JointLack } from '@/core/in-line';
import { terminationTag } from '@/core/schedule';
import { halvesInBoxes, type TerminationRow, type Tx } from '@/data';

/** The two rows of an in-line joint, or why they are none. */
export type Housed =
  { readonly keeper: TerminationRow; readonly mate: TerminationRow } | { readonly lack: JointLack };

const isHalf = ({ place }: TerminationRow): boolean => place?.entry.inLine !== undefined;

const halfOf = (row: TerminationRow) => ({
  row,
  tag: terminationTag(row.cable.tag, row.end),
  half: row.place?.entry.inLine ?? RECORD_HALF,
});

/** Each of these ends that is half of an in-line joint, with the other half of its housing. Asks the database only where there is such an end. */
export async function housedWith(
  tx: Tx,
  rows: readonly TerminationRow[],
): Promise<ReadonlyMap<number, Housed>> {
  const halves = rows.filter(isHalf);
  if (halves.length === 0) return new Map();
  const boxes = [...new Set(halves.flatMap((r) => r.place?.enclosureId ?? []))];
  const housed = group((await halvesInBoxes(tx, boxes)).map(halfOf), (h) => h.row.place?.enclosureId);
  return new Map(
    halves.map((row): [number, Housed] => {
      const own = halfOf(row);
      const box = row.place?.enclosure.tag ?? '';
      const found = mateIn(box, own, housed.get(row.place?.enclosureId) ?? []);
      if ('lack' in found) return [row.id, found];
      const [keeper, mate] = own.half === RECORD_HALF ? [row, found.mate.row] : [found.mate.row, row];
      return [row.id, { keeper, mate }];
    }),
  );
}

/** Into whose record the work at an end goes: its own, or that of the half of its joint that keeps it. */
export async function keeperOf(tx: Tx, row: TerminationRow): Promise<TerminationRow> {
  const found = (await housedWith(tx, [row])).get(row.id);
  return found === undefined || 'lack' in found ? row : found.keeper;
}
