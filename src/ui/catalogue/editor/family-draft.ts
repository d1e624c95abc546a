import { CATALOGUE_FIELDS, CATALOGUE_FORMAT, readCatalogue, type Family, type Size } from '@/core/catalogue';
import { placedProblem, problemWords, type Problem } from '@/core/kernel';

/** The catalogue file that holds just this family. */
export const fileOf = (family: Family, today: string) => ({
  format: CATALOGUE_FORMAT,
  name: `${family.code} typed in`,
  issued: today,
  families: [family],
  adaptors: [],
  accessories: [],
});

const IN_FILE = 'families[0].';

/** All that keeps a typed sheet from being taken in over the one in force, by the paths of the family. */
export function problemsOf(draft: Family, before: Family, today: string): Problem[] {
  const read = readCatalogue(JSON.parse(JSON.stringify(fileOf(draft, today))));
  const own: Problem[] = [];
  if (draft.code === before.code && draft.sheet.revision === before.sheet.revision)
    own.push({
      path: 'sheet.revision',
      message: `is the revision in force; type the one on the sheet in hand`,
      value: draft.sheet.revision,
    });
  return [
    ...own,
    ...(read.ok ? [] : read.problems.map((p) => ({ ...p, path: p.path.replace(IN_FILE, '') }))),
  ];
}

/** A problem with its place in front, as a person would call it, sizes and stages by their names, and what was found there behind. */
export const placed = (p: Problem, draft: Family): Problem =>
  placedProblem(
    { ...p, message: typeof p.value === 'object' ? p.message : problemWords(p) },
    CATALOGUE_FIELDS,
    (at) => {
      const [, list, index] = /^(sizes|stages)\[(\d+)\]$/.exec(at) ?? [];
      return list === 'sizes' ? draft.sizes[Number(index)]?.code : draft.stages[Number(index)]?.title;
    },
  );

/** A name that began as another one did, after that one has changed. */
export const following = (name: string, before: string, after: string): string =>
  name.startsWith(before) ? after + name.slice(before.length) : name;

/** A size to begin a new one with: the last of the family, under a code that nobody will take for its own. */
export function nextSize(family: Family): Size | null {
  const last = family.sizes[family.sizes.length - 1];
  const code = `${family.code}-NEW`;
  return last ? { ...structuredClone(last), code, partNumber: code } : null;
}
