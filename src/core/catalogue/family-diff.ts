import { canonicalJson } from '@/core/kernel';
import type { Family } from './family';

/** One figure that differs between two revisions of a sheet. `where` reads like a path: `YB2-100 · armourLengths[0].minMm`. */
export interface FamilyChange {
  readonly where: string;
  readonly before: string | null;
  readonly after: string | null;
}

export interface FamilyDiff {
  readonly sizesAdded: readonly string[];
  readonly sizesRemoved: readonly string[];
  readonly changes: readonly FamilyChange[];
}

/** What a new revision says otherwise than an old one: sizes by their code, parts and stages by their id, all else by its place. */
export function diffFamilies(before: Family, after: Family): FamilyDiff {
  const sizesOf = (family: Family) => new Map(family.sizes.map((s) => [s.code, s]));
  const [old, now] = [sizesOf(before), sizesOf(after)];
  const changes: FamilyChange[] = [];
  const compare = (prefix: string, a: unknown, b: unknown) => {
    const [was, is] = [leaves(a), leaves(b)];
    for (const path of new Set([...was.keys(), ...is.keys()])) {
      const [x, y] = [was.get(path) ?? null, is.get(path) ?? null];
      if (x !== y) changes.push({ where: prefix === '' ? path : `${prefix} · ${path}`, before: x, after: y });
    }
  };
  compare('', bare(before), bare(after));
  for (const [code, size] of now) {
    const was = old.get(code);
    if (was) compare(code, was, size);
  }
  return {
    sizesAdded: [...now.keys()].filter((c) => !old.has(c)),
    sizesRemoved: [...old.keys()].filter((c) => !now.has(c)),
    changes,
  };
}

/** A family without its sizes, its lists turned into records by id, so that a new part does not shift the others. */
function bare(family: Family): unknown {
  const { sizes: _sizes, sheet: _sheet, parts, stages, ...rest } = family;
  return {
    ...rest,
    parts: Object.fromEntries(parts.map((p) => [p.id, p])),
    stages: Object.fromEntries(stages.map((s) => [s.id, s])),
  };
}

function leaves(value: unknown, path = '', found = new Map<string, string>()): Map<string, string> {
  if (value === undefined) return found;
  if (value === null || typeof value !== 'object') {
    found.set(path, typeof value === 'string' ? value : canonicalJson(value));
    return found;
  }
  // Short lists of words read better whole: “roundWire, braid”.
  if (Array.isArray(value) && value.every((v) => typeof v !== 'object')) {
    found.set(path, value.join(', '));
    return found;
  }
  for (const [key, inner] of Object.entries(value))
    leaves(inner, Array.isArray(value) ? `${path}[${key}]` : path === '' ? key : `${path}.${key}`, found);
  return found;
}
