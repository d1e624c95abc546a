/** Whole numbers by row and column. A place outside the table is a fault of the program and throws. */
export class CountsTable {
  private readonly values: Int32Array;

  constructor(
    readonly rows: number,
    readonly columns: number,
  ) {
    this.values = new Int32Array(rows * columns);
  }

  /** A table with one number for each row and column. */
  static of<R, C>(
    rows: readonly R[],
    columns: readonly C[],
    value: (row: R, column: C) => number,
  ): CountsTable {
    const made = new CountsTable(rows.length, columns.length);
    rows.forEach((row, r) => {
      columns.forEach((column, c) => {
        made.add(r, c, value(row, column));
      });
    });
    return made;
  }

  at(row: number, column: number): number {
    const value = column < this.columns ? this.values[row * this.columns + column] : undefined;
    if (value === undefined)
      throw new RangeError(`no place ${row}, ${column} in ${this.rows} × ${this.columns}`);
    return value;
  }

  add(row: number, column: number, by: number): void {
    this.values[row * this.columns + column] = this.at(row, column) + by;
  }
}

/** The member of a list at a place that is known to be in it. */
export function inList<T>(list: readonly T[], at: number): T {
  const found = list[at];
  if (found === undefined) throw new RangeError(`no place ${at} in a list of ${list.length}`);
  return found;
}
