import { fail, ok, refuse, type Problem, type Result } from '@/core/kernel';
import type { LengthUnit } from '@/core/units';
import { GRIDS_MM } from './round-marks';

/** The way from the inside of the wall to the terminal of one core, along its route. mm. */
export interface Terminal {
  readonly core: string;
  readonly routeMm: number;
}

/** Length of one core from where the inner sheath ends. mm. */
export interface CoreTail {
  readonly core: string;
  readonly mm: number;
}

/** A route of over this many mm inside a box is a slip of the pen. */
const MOST_MM = 20_000;

/**
 * The farthest terminal, mm. Where terminals are listed one by one, the farthest of them counts; one that lies farther than the route
 * that was given, a core that stands twice or a length that makes no sense is an error.
 */
export function farthest(routeMm: number | null, terminals: readonly Terminal[]): Result<number> {
  if (terminals.length === 0)
    return routeMm === null
      ? refuse('routeMm', 'the way from the wall to the farthest terminal is not known')
      : ok(routeMm);
  const problems: Problem[] = [];
  const seen = new Set<string>();
  for (const { core, routeMm: mm } of terminals) {
    if (seen.has(core)) problems.push({ path: 'terminals', message: `core ${core} stands twice` });
    seen.add(core);
    if (!(mm > 0) || mm > MOST_MM)
      problems.push({
        path: 'terminals',
        message: `the way to the terminal of ${core} makes no sense`,
        value: mm,
      });
    else if (routeMm !== null && mm > routeMm)
      problems.push({
        path: 'terminals',
        message: `the terminal of ${core} lies ${mm} mm away, but the farthest was given as ${routeMm} mm`,
        value: mm,
      });
  }
  return problems.length > 0 ? fail(problems) : ok(Math.max(...terminals.map((t) => t.routeMm)));
}

/**
 * Each core's own length: the farthest takes the whole tail, a nearer one is shorter by what its terminal is nearer, rounded up to the
 * rule's finest division so that it never ends short.
 */
export function coreTails(terminals: readonly Terminal[], tailsMm: number, unit: LengthUnit): CoreTail[] {
  const most = Math.max(0, ...terminals.map((t) => t.routeMm));
  const grids = GRIDS_MM[unit];
  const grid = grids[grids.length - 1] ?? 1;
  return terminals.map(({ core, routeMm }) => ({
    core,
    mm: Math.min(tailsMm, Math.ceil((tailsMm - (most - routeMm)) / grid - 1e-9) * grid),
  }));
}

/** Reads `L1 220, L2 240; PE 300` in the unit given: a core and its way, separated by commas, semicolons or lines. */
export function readTerminals(text: string, toMm: (length: string) => number | null): Result<Terminal[]> {
  const problems: Problem[] = [];
  const terminals: Terminal[] = [];
  // A comma between digits is a decimal comma, not the end of an item.
  for (const item of text
    .split(/;|\n|,(?!\d)/)
    .map((s) => s.trim())
    .filter(Boolean)) {
    const found = /^(\S+)[\s:=]+(.+)$/.exec(item);
    const mm = found?.[2] === undefined ? null : toMm(found[2]);
    if (!found?.[1] || mm === null)
      problems.push({
        path: 'terminals',
        message: 'is not a core and its length, such as “L1 220”',
        value: item,
      });
    else terminals.push({ core: found[1].replace(/[:=]+$/, ''), routeMm: mm });
  }
  return problems.length > 0 ? fail(problems) : ok(terminals);
}
