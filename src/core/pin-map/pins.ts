import { array, object, string, type InferType } from 'yup';
import { fail, ok, own, refuse, type Problem, type Result } from '@/core/kernel';
import type { Insert, PositionUse } from './insert';
import { planPinMap } from './pin-map';
import { pinMapWords } from './words';

const word = () => string().trim().min(1).max(40).required();

/** A pin map as it is kept: pairs of a core and its position. */
export const pinsSchema = array()
  .of(object({ core: word(), position: word() }).noUnknown().required())
  .max(256)
  .required();

/** Which position a core goes to. */
export type Pin = Readonly<InferType<typeof pinsSchema>[number]>;

export interface NamedCore {
  readonly name: string;
  readonly use: PositionUse;
}

/** The pin map of one end, settled: every core of its cable at a position of its own kind. */
export interface PinsPlan {
  readonly positions: Insert['positions'];
  readonly cores: readonly NamedCore[];
  readonly map: readonly Pin[];
  /** Nobody typed it: cores of each kind in their order to positions of that kind in theirs. */
  readonly template: boolean;
}

/** Cores of each kind, in the cable's order, to the positions of that kind in the insert's; a core for which there is none is left out. */
export function templateOf(positions: Insert['positions'], cores: readonly NamedCore[]): Pin[] {
  const free = [...positions];
  return cores.flatMap(({ name, use }) => {
    const at = free.findIndex((p) => p.use === use);
    const [position] = at < 0 ? [] : free.splice(at, 1);
    return position === undefined ? [] : [{ core: name, position: position.id }];
  });
}

export interface PinsRequest {
  readonly tag: string;
  readonly sheet: string;
  readonly positions: Insert['positions'];
  /** Undefined where nobody said what the cores are called. */
  readonly cores: readonly NamedCore[] | undefined;
  /** As somebody typed it; empty for the template. */
  readonly pins: readonly Pin[];
}

/** The pin map of an end by its insert. Refused with every reason: cores that nobody named, one without a position or with two, a wrong kind, an earth that does not make first. */
export function planPins({ tag, sheet, positions, cores, pins }: PinsRequest): Result<PinsPlan> {
  if (cores === undefined)
    return refuse(
      'cableType.coreNames',
      'nobody said what its cores are called: they go to their pins by that',
    );
  const template = pins.length === 0;
  const map = template ? templateOf(positions, cores) : [...pins];
  const { findings } = planPinMap({
    end: { tag, insert: { code: tag, sheet, positions }, cores: [...cores], map },
    other: undefined,
  });
  const wrong = findings.filter((f) => f.verdict !== 'holds' && f.case.code !== 'askOther');
  return wrong.length > 0
    ? fail(wrong.map((f): Problem => ({ path: 'pins', message: pinMapWords(f) })))
    : ok({ positions, cores, map, template });
}

/** `BN 1, BK 2; GNYE E`: as a map is typed in one line. */
export const writePins = (pins: readonly Pin[]): string =>
  pins.map(({ core, position }) => `${core} ${position}`).join(', ');

const HEADER = /^"?(core|colour|color|wire|name)"?\s*[,;\t]/i;
const PAIR = /^"?([^\s",;=:\t]+)"?(?:\s*[,;\t=:]\s*|\s+)"?([^\s",;=:\t]+)"?$/;

/**
 * Reads a pin map: pairs in a line (`BN 1, BK 2`), or a table with a core and its position in each line, parted by comma, semicolon or tab, with
 * or without a heading. What is no pair is refused by its text.
 */
export function readPins(text: string): Result<Pin[]> {
  const problems: Problem[] = [];
  const pins: Pin[] = [];
  const lines = text
    .split(/\r?\n/)
    .map((l) => l.trim())
    .filter((l, i) => l !== '' && !(i === 0 && HEADER.test(l)));
  for (const line of lines) {
    const parts = PAIR.test(line) ? [line] : line.split(/[,;]/).map((p) => p.trim());
    for (const part of parts.filter((p) => p !== '')) {
      const [, core, position] = PAIR.exec(part) ?? [];
      if (core === undefined || position === undefined)
        problems.push({ path: 'pins', message: 'is no core and its position, such as “BN 1”', value: part });
      else pins.push({ core, position });
    }
  }
  return problems.length > 0 ? fail(problems) : ok(pins);
}

/** Cores that lie elsewhere than the map says, as one sentence; null where none does. */
export function pinsApart(map: readonly Pin[], lies: Readonly<Record<string, string>>): string | null {
  const apart = map.filter(({ core, position }) => ![undefined, position].includes(own(lies, core)));
  return apart.length === 0
    ? null
    : apart
        .map(
          ({ core, position }) =>
            `${core} lies on ${own(lies, core) ?? ''}, and the pin map says ${position}`,
        )
        .join('; ');
}
