'use client';
import { useMemo, useState } from 'react';
import { CATALOGUE_FORMAT, readCatalogue, type Family, type Size } from '@/core/catalogue';
import type { Problem } from '@/core/kernel';
import { readNumber } from '../../common/read-number';
import { withValue } from '../../common/with-value';
import { pathName, valueAt, type Path } from './editor-columns';

const plainText = (value: unknown): string =>
  typeof value === 'string' || typeof value === 'number' || typeof value === 'boolean' ? String(value) : '';

/** A family under another code: its sizes and their part numbers follow. So a new family begins as a copy of one like it. */
function renamed(family: Family, code: string): Family {
  const follow = (text: string) =>
    text.startsWith(family.code) ? code + text.slice(family.code.length) : text;
  return {
    ...family,
    code,
    sizes: family.sizes.map((s) => ({ ...s, code: follow(s.code), partNumber: follow(s.partNumber) })),
  };
}

function recoded(family: Family, row: number, code: string): Family {
  const size = family.sizes[row];
  if (!size) return family;
  const partNumber = size.partNumber.startsWith(size.code)
    ? size.partNumber.replace(size.code, code)
    : size.partNumber;
  return withValue(family, ['sizes', row], { ...size, code, partNumber });
}

/** The catalogue file that holds just this family. */
export const fileOf = (family: Family, today: string) => ({
  format: CATALOGUE_FORMAT,
  name: `${family.code} typed in`,
  issued: today,
  families: [family],
  adaptors: [],
  accessories: [],
});

function problemsOf(draft: Family, before: Family, today: string): Problem[] {
  const read = readCatalogue(JSON.parse(JSON.stringify(fileOf(draft, today))));
  const own: Problem[] = [];
  if (draft.code === before.code && draft.sheet.revision === before.sheet.revision)
    own.push({
      path: 'families[0].sheet.revision',
      message: `is the revision in force; type the one on the sheet in hand`,
      value: draft.sheet.revision,
    });
  return [...own, ...(read.ok ? [] : read.problems)];
}

/**
 * A sheet that is typed over another: every figure as it was typed and as it is read, judged at every stroke, each stroke taken back by undo.
 * What is no number is kept as typed: the check names it with its path.
 */
export function useFamilyDraft(family: Family, today: string) {
  const [history, setHistory] = useState<readonly Family[]>([family]);
  const [texts, setTexts] = useState<Readonly<Record<string, string>>>({});
  const draft = history[history.length - 1] ?? family;
  const problems = useMemo(() => problemsOf(draft, family, today), [draft, family, today]);
  const wrong = useMemo(() => new Set(problems.map((p) => p.path)), [problems]);
  const put = (next: Family) => setHistory([...history, next]);
  return {
    draft,
    problems,
    /** Whether a stroke can be taken back. */
    touched: history.length > 1,
    isWrong: (path: Path): boolean => wrong.has(`families[0].${pathName(path)}`),
    textAt: (path: Path): string => texts[pathName(path)] ?? plainText(valueAt(draft, path)),
    isThere: (path: Path): boolean =>
      valueAt(draft, path) !== undefined || texts[pathName(path)] !== undefined,
    type: (path: Path, text: string, isText: boolean) => {
      setTexts({ ...texts, [pathName(path)]: text });
      const number = readNumber(text);
      const value = isText ? text : text.trim() === '' ? undefined : Number.isNaN(number) ? text : number;
      put(withValue(draft, path, value));
    },
    set: (path: Path, value: unknown) => put(withValue(draft, path, value)),
    rename: (code: string) => put(renamed(draft, code)),
    recode: (row: number, code: string) => put(recoded(draft, row, code)),
    addSize: () => {
      const last = draft.sizes[draft.sizes.length - 1];
      if (!last) return;
      const code = `${draft.code}-NEW`;
      const copy: Size = { ...structuredClone(last), code, partNumber: code };
      put({ ...draft, sizes: [...draft.sizes, copy] });
    },
    dropSize: (row: number) => {
      setTexts({});
      put({ ...draft, sizes: draft.sizes.filter((_, i) => i !== row) });
    },
    undo: () => {
      setTexts({});
      if (history.length > 1) setHistory(history.slice(0, -1));
    },
  };
}

export type FamilyDraft = ReturnType<typeof useFamilyDraft>;
