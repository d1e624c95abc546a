import {
  placesOf,
  restatePlan,
  type FramePlan,
  type FrameRequest,
  type Place,
  type PlannedFrame,
  type PressPlace,
} from '@/core/frame-packing';
import { openingName } from '@/core/frame-building';
import { fail, ok, type Problem, type Result } from '@/core/kernel';

export const PLACE_COLUMNS = [
  'frame',
  'kind',
  'opening',
  'press',
  'fillers',
  'row',
  'height',
  'module',
  'x',
  'y',
  'cable',
  'peel',
  'gap',
] as const;

interface ReadFrame {
  frame: string;
  readonly openings: {
    press: PressPlace;
    fillers: number[];
    readonly rows: { height: number; readonly places: Place[] }[];
  }[];
}

/** One line for every place, in building order. What is read back is the first eleven columns; peel and gap follow from them. */
export function placeRows(plan: FramePlan): Record<(typeof PLACE_COLUMNS)[number], string>[] {
  return placesOf(plan.frames).map(({ ref, place }) => {
    const frame = plan.frames[ref.frame];
    const opening = frame?.openings[ref.opening];
    return {
      frame: String(ref.frame + 1),
      kind: frame?.frame ?? '',
      opening: openingName(ref.frame, ref.opening),
      press: opening?.press ?? '',
      fillers: (opening?.fillers ?? []).join(' '),
      row: String(ref.row + 1),
      height: String(opening?.rows[ref.row]?.height ?? ''),
      module: place.module,
      x: String(place.x),
      y: String(place.y),
      cable: place.cable ?? '',
      peel: place.peel ? `${place.peel[0]}+${place.peel[1]}` : '',
      gap: place.gap ? `${place.gap.min}–${place.gap.max}` : '',
    };
  });
}

/** A frame as it was found or built, from a table of places. Every cell that cannot be read is named; the frames' rules are checked apart. */
export function readPlaces(
  request: FrameRequest,
  columns: readonly string[],
  rows: readonly Readonly<Record<string, string>>[],
): Result<FramePlan> {
  const problems: Problem[] = [];
  const column = new Map(columns.map((h) => [h.trim().toLowerCase(), h]));
  for (const name of PLACE_COLUMNS.slice(0, 11))
    if (!column.has(name)) problems.push({ path: name, message: 'this column is missing' });
  if (problems.length > 0) return fail(problems);
  const frames: ReadFrame[] = [];
  // What a frame, an opening or a row is stands in each of its lines: two that say otherwise are not guessed between.
  const said = new Map<string, { readonly text: string; readonly line: number }>();
  rows.forEach((row, line) => {
    const cell = (name: (typeof PLACE_COLUMNS)[number]) => (row[column.get(name) ?? ''] ?? '').trim();
    const say = (name: string, message: string, value: string) =>
      problems.push({ path: `line ${line + 2}, ${name}`, message, value });
    const number = (name: (typeof PLACE_COLUMNS)[number]): number => {
      const text = cell(name);
      const value = Number(text.replace(',', '.'));
      if (text === '' || !Number.isFinite(value) || value < 0) say(name, 'is no length or number', text);
      return value;
    };
    const [f, r] = [number('frame'), number('row')];
    const o =
      cell('opening')
        .toUpperCase()
        .charCodeAt(cell('opening').length - 1) - 65;
    const press = cell('press');
    if (!Number.isInteger(f) || f < 1 || f > 60) say('frame', 'must be 1 to 60', cell('frame'));
    if (!Number.isInteger(r) || r < 1 || r > 100) say('row', 'must be 1 to 100', cell('row'));
    if (!(o >= 0 && o < 12)) say('opening', 'must end in a letter A to L', cell('opening'));
    if (press !== 'top' && press !== 'bottom' && press !== 'inside') {
      say('press', 'must be top, bottom or inside', press);
      return;
    }
    const height = number('height');
    const fillers = cell('fillers') === '' ? [] : cell('fillers').split(/\s+/).map(Number);
    if (fillers.some((x) => !Number.isFinite(x)))
      say('fillers', 'must be lengths with spaces between', cell('fillers'));
    const module_ = cell('module');
    if (!request.modules.some((m) => m.id === module_)) say('module', 'is not in the catalogue', module_);
    const [x, y] = [number('x'), number('y')];
    const agrees = (of: string, name: (typeof PLACE_COLUMNS)[number]) => {
      const before = said.get(`${name} of ${of}`);
      if (before === undefined) said.set(`${name} of ${of}`, { text: cell(name), line: line + 2 });
      else if (before.text !== cell(name))
        say(name, `differs from line ${before.line}, which has ${before.text || 'nothing'}`, cell(name));
    };
    agrees(`frame ${f}`, 'kind');
    agrees(`opening ${f} ${o}`, 'press');
    agrees(`opening ${f} ${o}`, 'fillers');
    agrees(`row ${f} ${o} ${r}`, 'height');
    if (problems.length > 0) return;
    while (frames.length < f) frames.push({ frame: cell('kind'), openings: [] });
    const frame = frames[f - 1];
    if (!frame) return;
    frame.frame = cell('kind');
    while (frame.openings.length <= o) frame.openings.push({ press, fillers, rows: [] });
    const opening = frame.openings[o];
    if (!opening) return;
    opening.press = press;
    opening.fillers = fillers;
    while (opening.rows.length < r) opening.rows.push({ height, places: [] });
    const into = opening.rows[r - 1];
    if (!into) return;
    into.height = height;
    into.places.push({ module: module_, x, y, ...(cell('cable') === '' ? {} : { cable: cell('cable') }) });
  });
  if (rows.length === 0) problems.push({ path: 'file', message: 'has no places' });
  if (problems.length > 0) return fail(problems);
  return ok(asPlan(request, frames));
}

function asPlan(request: FrameRequest, frames: readonly ReadFrame[]): FramePlan {
  const closed: PlannedFrame[] = frames.map((frame) => ({
    frame: frame.frame,
    openings: frame.openings.map((opening, o) => {
      const spec = request.frames.find((k) => k.id === frame.frame)?.openings[o];
      const n = opening.rows.length;
      const plates = opening.press !== 'inside' && spec?.plateAgainstPress ? n : n - 1;
      const used =
        opening.rows.reduce((sum, row) => sum + row.height, 0) +
        Math.max(0, plates) * (spec?.plate ?? 0) +
        opening.fillers.reduce((sum, filler) => sum + filler, 0);
      return { ...opening, closure: Number(((spec?.height ?? 0) - used).toFixed(3)) };
    }),
  }));
  const placed = new Set(placesOf(closed).flatMap(({ place }) => place.cable ?? []));
  const bare: FramePlan = {
    status: 'gap',
    cost: 0,
    bound: 0,
    frames: [],
    unplaced: request.cables
      .filter((c) => !placed.has(c.tag))
      .map((c) => ({ tag: c.tag, reason: 'is not in this frame as built' })),
    crossings: { front: 0, back: 0 },
    parts: [],
    remeasure: null,
  };
  return { ...restatePlan(request, bare, closed), bound: 0 };
}
