import type { FrameMultiset } from '../model/frame-multisets';
import type { FrameSetting } from '../model/frame-setting';

/**
 * Says of two multisets of frames whether everything that fits into the first also fits into the second: each opening of the first can be
 * given one of the second, its own or a larger one, that holds every pattern of rows it may have. What is refused to the second is then
 * refused to the first. False may mean that it could not be told.
 */
export function weakerThan(setting: FrameSetting): (weak: FrameMultiset, strong: FrameMultiset) => boolean {
  const { types, openingTypes } = setting;
  const rows = types.map(({ patterns }) => patterns.map((p) => [...p.rows]));
  const known = new Map<number, boolean>();
  const held = (small: number, large: number): boolean => {
    if (small === large) return true;
    const key = small * types.length + large;
    const before = known.get(key);
    if (before !== undefined) return before;
    const made = rows[small]!.every((p) =>
      types[large]!.patterns.some((q) => p.every(([kind, n]) => (q.rows.get(kind) ?? 0) >= n)),
    );
    known.set(key, made);
    return made;
  };
  const openings = ({ counts }: FrameMultiset): number[] =>
    counts.flatMap((n, f) => Array.from({ length: n }, () => openingTypes[f] ?? []).flat());
  return (weak, strong) => {
    const [few, many] = [openings(weak), openings(strong)];
    if (few.length > many.length) return false;
    const takenBy = new Map<number, number>();
    const place = (w: number, asked: Set<number>): boolean => {
      for (let s = 0; s < many.length; s += 1) {
        if (asked.has(s) || !held(few[w]!, many[s]!)) continue;
        asked.add(s);
        const other = takenBy.get(s);
        if (other !== undefined && !place(other, asked)) continue;
        takenBy.set(s, w);
        return true;
      }
      return false;
    };
    return few.every((_, w) => place(w, new Set()));
  };
}
