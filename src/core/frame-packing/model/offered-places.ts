import { toUm } from '@/core/kernel';
import type { FrameCable, FrameModule, FrameOpening, FrameRequest, PressPlace } from './frame-request';
import { carries } from './peel';

/** A row that could stand in an opening: its height, sizes its blocks can be made of, the corner module at its ends. Micrometres. */
interface PossibleRow {
  readonly height: number;
  readonly sizes: readonly number[];
  readonly corner: FrameModule | null;
}

/**
 * The module in which a cable could stand in a frame that is offered and whose every opening can be packed; null when there is none. Whether
 * there is room beside the other cables is another question. Written for the check, from the rules alone.
 */
export function offeredModule(request: FrameRequest, { diameter }: FrameCable): FrameModule | null {
  const frames = request.frames.filter(
    (f) => (f.available ?? 1) > 0 && f.openings.every((o) => canHold(request, o, () => true)),
  );
  const openings = frames.flatMap((f) => [...f.openings]);
  const takes = (module: FrameModule) => (row: PossibleRow) =>
    module.corner ? row.corner?.id === module.id : row.sizes.includes(toUm(module.size));
  return (
    request.modules.find(
      (m) => carries(m, diameter) && openings.some((o) => canHold(request, o, takes(m))),
    ) ?? null
  );
}

/** Can an opening be packed with rows of which one is as wanted? */
function canHold(request: FrameRequest, spec: FrameOpening, wanted: (row: PossibleRow) => boolean): boolean {
  const width = toUm(spec.width);
  const all = [...new Set(request.modules.filter((m) => !m.corner).map((m) => toUm(m.size)))];
  const inside = (height: number) =>
    all.filter((size) => (spec.undivided ? size === height : height % size === 0));
  const plain = all
    .filter((size) => width % size === 0)
    .map((height): PossibleRow => ({ height, sizes: inside(height), corner: null }));
  if (spec.cornerModule === undefined)
    return spec.press.at.some((at) => at !== 'inside' && closes(spec, at, plain, [], wanted));
  const corner = request.modules.find((m) => m.corner && m.id === spec.cornerModule);
  const height = toUm(corner?.size ?? 0);
  if (!corner || height === 0 || width % height !== 0 || width / height < 2) return false;
  const between = width / height > 2;
  const row: PossibleRow = { height, sizes: between ? inside(height) : [], corner };
  if (between && row.sizes.length === 0) return false;
  return spec.press.at.some((at) => closes(spec, at, plain, at === 'inside' ? [row, row] : [row], wanted));
}

/** Rows beside those that stand there in any case, until what is left suits the press unit. */
function closes(
  spec: FrameOpening,
  at: PressPlace,
  plain: readonly PossibleRow[],
  given: readonly PossibleRow[],
  wanted: (row: PossibleRow) => boolean,
): boolean {
  const plate = toUm(spec.plate);
  const seen = new Set<string>();
  const walk = (used: number, rows: number, met: boolean): boolean => {
    const plates = at !== 'inside' && spec.plateAgainstPress ? rows : Math.max(0, rows - 1);
    const left = toUm(spec.height) - used - plates * plate;
    const key = `${left} ${rows > 0} ${met}`;
    if (left < toUm(spec.press.min) || seen.has(key)) return false;
    seen.add(key);
    if (rows > 0 && met && filled(spec, left, 0)) return true;
    return plain.some((row) => walk(used + row.height, rows + 1, met || wanted(row)));
  };
  return walk(
    given.reduce((sum, row) => sum + row.height, 0),
    given.length,
    given.some(wanted),
  );
}

function filled(spec: FrameOpening, left: number, from: number): boolean {
  if (left >= toUm(spec.press.min) && left <= toUm(spec.press.max)) return true;
  const filler = spec.fillers[from];
  if (filler === undefined || left < toUm(spec.press.min)) return false;
  return Array.from({ length: filler.max + 1 }, (_, n) => n).some((n) =>
    filled(spec, left - n * toUm(filler.thickness), from + 1),
  );
}
