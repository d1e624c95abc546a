/** One line of the table: what was measured, and the bar it should stay under. */
export interface Row {
  readonly what: string;
  readonly value: number;
  readonly unit: string;
  readonly bar: number;
}

/** Median time of several runs in ms, after one to warm up. */
export function median(runs: number, work: () => unknown): number {
  work();
  const times = Array.from({ length: runs }, () => {
    const from = performance.now();
    work();
    return performance.now() - from;
  }).sort((a, b) => a - b);
  return times[Math.floor(runs / 2)] ?? NaN;
}

export async function medianAsync(runs: number, work: () => Promise<unknown>): Promise<number> {
  await work();
  const times: number[] = [];
  for (let i = 0; i < runs; i += 1) {
    const from = performance.now();
    await work();
    times.push(performance.now() - from);
  }
  times.sort((a, b) => a - b);
  return times[Math.floor(runs / 2)] ?? NaN;
}

export function printTable(rows: readonly Row[]): void {
  const number = (r: Row) =>
    r.unit === 'pairs' ? String(r.value) : r.value.toFixed(r.unit === '%' ? 2 : r.value < 10 ? 1 : 0);
  const widths = Math.max(...rows.map((r) => r.what.length));
  for (const r of rows) {
    console.log(
      `${r.value <= r.bar ? 'ok  ' : 'OVER'} ${r.what.padEnd(widths)} ${number(r).padStart(7)} ${r.unit.padEnd(5)} (bar ${r.bar})`,
    );
  }
}
