import { fail, ok, type Problem, type Result } from '@/core/kernel';
import { trimNumber, type LengthUnit } from '@/core/units';
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

/** Names that cores go by besides their numbers: phases, neutral and earth, direct current, winding ends, and colours (codes of IEC 60757). */
const NAMES: ReadonlySet<string> = new Set(
  [
    'L L1 L2 L3 N PE PEN E U V W U1 V1 W1 U2 V2 W2 L+ L- M + -',
    'BK BN RD OG YE GN BU VT GY WH PK GD TQ SR GNYE GN/YE GN-YE',
    'BLACK BROWN RED ORANGE YELLOW GREEN BLUE VIOLET GREY WHITE PINK TURQUOISE',
  ]
    .join(' ')
    .split(' '),
);

/** Is this the name of a core of a cable with so many? Case matters to nobody. */
export function isCoreOf(name: string, cores: number): boolean {
  if (/^\d+$/.test(name)) return Number(name) >= 1 && Number(name) <= cores;
  return NAMES.has(name.toUpperCase());
}

/**
 * The farthest terminal, mm. A listed terminal stands for its own core; every core that is not listed goes as far as the route. Errors: a
 * route that is needed and not known, more terminals than cores, a name that is no core of this cable, a core that stands twice, a terminal
 * farther than the route that was given as the farthest, a length that makes no sense. Paths: `routeMm`, `terminals[i].core|routeMm`.
 */
export function farthest(
  routeMm: number | null,
  terminals: readonly Terminal[],
  cores: number,
): Result<number> {
  const problems: Problem[] = [];
  const note = (i: number, key: 'core' | 'routeMm', message: string, value: unknown) =>
    problems.push({ path: `terminals[${i}].${key}`, message, value });
  const seen = new Set<string>();
  terminals.forEach(({ core, routeMm: mm }, i) => {
    const name = core.toUpperCase();
    if (!isCoreOf(core, cores)) note(i, 'core', `is no core of a cable with ${cores}`, core);
    if (seen.has(name)) note(i, 'core', `core ${core} stands twice`, core);
    seen.add(name);
    if (!(mm > 0) || mm > MOST_MM)
      note(i, 'routeMm', `the way to the terminal of ${core} makes no sense`, mm);
    else if (routeMm !== null && mm > routeMm)
      note(
        i,
        'routeMm',
        `the terminal of ${core} lies ${mm} mm away, but the farthest was given as ${routeMm} mm`,
        mm,
      );
  });
  if (terminals.length > cores)
    problems.push({
      path: 'terminals',
      message: `${terminals.length} terminals for ${cores} cores: ${terminals.length - cores} too many`,
    });
  if (routeMm === null && terminals.length < cores)
    problems.push({
      path: 'routeMm',
      message:
        terminals.length === 0
          ? 'the way from the wall to the farthest terminal is not known'
          : `the way of the ${cores - terminals.length} cores that are not listed is not known`,
    });
  if (problems.length > 0) return fail(problems);
  return ok(routeMm ?? Math.max(...terminals.map((t) => t.routeMm)));
}

/**
 * Each listed core's own length: shorter than the whole tail by what its terminal is nearer than the farthest, rounded up to the rule's
 * finest division so that it never ends short. `leastMm` is what a core needs for its bend and its bare end: a shorter one is refused.
 */
export function coreTails(
  terminals: readonly Terminal[],
  tails: { readonly mm: number; readonly farthestMm: number; readonly leastMm: number },
  unit: LengthUnit,
): Result<CoreTail[]> {
  const grids = GRIDS_MM[unit];
  const grid = grids[grids.length - 1] ?? 1;
  const problems: Problem[] = [];
  const cut = terminals.map(({ core, routeMm }, i) => {
    const exact = tails.mm - (tails.farthestMm - routeMm);
    if (exact < tails.leastMm - 1e-9)
      problems.push({
        path: `terminals[${i}].routeMm`,
        message: `leaves a tail of ${trimNumber(exact, 1)} mm for ${core}, ${trimNumber(tails.leastMm - exact, 1)} mm short of the ${trimNumber(tails.leastMm, 1)} mm that bend and strip need`,
        value: routeMm,
      });
    return { core, mm: Math.min(tails.mm, Math.ceil(exact / grid - 1e-9) * grid) };
  });
  return problems.length > 0 ? fail(problems) : ok(cut);
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
