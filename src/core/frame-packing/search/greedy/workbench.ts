import { buildRows, type BuiltRows, type RowStock } from './build-rows';
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

const baysOf = ({ bayOf }: Bench, { sets }: Assignment): number[] => bayOf.map((bays, o) => bays[sets[o]!]!);

/** The rows of an assignment; null when some size has no row in its bay, or an opening holds what it must not. */
export function rowsOf(bench: Bench, assignment: Assignment): BuiltRows | null {
  const { demand, stock, filler } = bench;
  const bays = baysOf(bench, assignment);
  if (bays.includes(-1)) return null;
  const given = filler.given(bays, demand.bays.length);
  return buildRows(demand, stock, carriedBy(demand, assignment.cables).carried, given, assignment.tallest);
}

/** Rows of each bay by kind. */
function byBay({ demand, stock }: Bench, built: BuiltRows): Int32Array[] {
  const rows = demand.bays.map(() => new Int32Array(stock.kinds.length));
  built.rows.forEach((of, h) => {
    const sum = rows[demand.homes[h]?.bay ?? h - demand.homes.length]!;
    for (let k = 0; k < of.length; k += 1) sum[k] = sum[k]! + of[k]!;
  });
  return rows;
}

export const fillFrom = (bench: Bench, assignment: Assignment, built: BuiltRows) =>
  bench.filler.fill(byBay(bench, built), baysOf(bench, assignment));
