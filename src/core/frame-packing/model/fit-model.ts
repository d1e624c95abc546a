import type { CableGroup } from './cable-groups';
import { frameModel, type FrameModel } from './frame-model';
import type { FrameRequest } from './frame-request';
import type { OpeningPatterns } from './row-patterns';

/**
 * The exact model for questions of fitting alone: cables that go into the same sizes are one group, whatever they cost there and whether they must
 * be measured again. Smaller, and as good for what it is asked.
 */
export interface FitModel {
  readonly model: FrameModel;
  /** Values of it as values of the exact model: whole ones stay whole. Cables that need no second measuring take a place first. */
  toExact: (values: readonly number[]) => readonly number[];
}

export function fitModel(
  request: FrameRequest,
  groups: readonly CableGroup[],
  types: readonly OpeningPatterns[],
  openingTypes: readonly (readonly number[])[],
  exact: FrameModel,
): FitModel {
  const merged = new Map<string, { parts: number[]; group: CableGroup }>();
  groups.forEach((group, g) => {
    const key = `${group.circuit ?? ''}|${group.options.map((o) => o.key).join(',')}`;
    const known = merged.get(key);
    if (!known) merged.set(key, { parts: [g], group });
    else {
      known.parts.push(g);
      known.group = { ...known.group, tags: [...known.group.tags, ...group.tags] };
    }
  });
  if (merged.size === groups.length) return { model: exact, toExact: (values) => values };
  const parts = [...merged.values()];
  const model = frameModel(
    request,
    parts.map((p) => p.group),
    types,
    openingTypes,
    'exact',
    exact.sets,
  );
  const columns = new Map(
    exact.cables.map((c) => [`${c.group} ${c.option.key} ${c.opening} ${c.row}`, c] as const),
  );
  const forCables = new Set(exact.cables.map((c) => c.column));
  return {
    model,
    toExact: (values) => {
      // Frames, patterns, rows and blocks are the same columns in both; only cables differ.
      const made = exact.columns.map((_, i) => (forCables.has(i) ? 0 : (values[i] ?? 0)));
      const left = groups.map((g) => g.tags.length);
      for (const { column, group, option, opening, row } of model.cables) {
        let value = values[column] ?? 0;
        const mine = (parts[group]?.parts ?? []).flatMap((g) => {
          const into = columns.get(`${g} ${option.key} ${opening} ${row}`);
          return into ? [into] : [];
        });
        for (const into of mine.sort((a, b) => Number(a.option.remeasure) - Number(b.option.remeasure))) {
          const taken = Math.min(value, left[into.group] ?? 0);
          made[into.column] = taken;
          left[into.group] = (left[into.group] ?? 0) - taken;
          value -= taken;
        }
      }
      return made;
    },
  };
}
