import { buildRows, type BuiltRows, type RowStock } from './build-rows';
import { CountsTable, inList } from './counts-table';
import { carriedBy, type Assignment, type Demand } from './demand';
import type { OpeningFiller } from './fill-openings';

/** What the hand rules work with for one multiset of frames. */
export interface Bench {
  readonly demand: Demand;
  readonly stock: RowStock;
  readonly filler: OpeningFiller;
  /** Types of the openings, and for each its bay by the set of circuits that it holds; −1 where it must not hold that set. */
  readonly openings: readonly number[];
  readonly bayOf: readonly (readonly number[])[];
}

const baysOf = ({ bayOf }: Bench, { sets }: Assignment): number[] =>
  bayOf.map((bays, o) => inList(bays, inList(sets, o)));

/** The rows of an assignment; null when some size has no row in its bay, or an opening holds what it must not. */
export function rowsOf(bench: Bench, assignment: Assignment): BuiltRows | null {
  const { demand, stock, filler } = bench;
  const bays = baysOf(bench, assignment);
  if (bays.includes(-1)) return null;
  const given = filler.given(bays, demand.bays.length);
  return buildRows(demand, stock, carriedBy(demand, assignment.cables).carried, given, assignment.tallest);
}

/** Rows by bay × kind. */
function byBay({ demand, stock }: Bench, built: BuiltRows): CountsTable {
  const rows = new CountsTable(demand.bays.length, stock.kinds.length);
  for (let place = 0; place < built.rows.rows; place += 1) {
    const bay = demand.homes[place]?.bay ?? place - demand.homes.length;
    for (let k = 0; k < stock.kinds.length; k += 1) rows.add(bay, k, built.rows.at(place, k));
  }
  return rows;
}

export const fillFrom = (bench: Bench, assignment: Assignment, built: BuiltRows) =>
  bench.filler.fill(byBay(bench, built), baysOf(bench, assignment));
