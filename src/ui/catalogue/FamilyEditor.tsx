'use client';
import { DataTable } from '../kit-of-parts/DataTable';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Button from '@mui/material/Button';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import {
  CATALOGUE_FORMAT,
  diffFamilies,
  missingForProcedure,
  readCatalogue,
  type Family,
  type Size,
} from '@/core/catalogue';
import type { Problem } from '@/core/kernel';
import { Problems } from '../kit-of-parts/Problems';
import { withValue } from '../common/with-value';
import { useRun } from '../termination/use-run';
import { pathName, sizeColumns, valueAt, type Path } from './editor-columns';
import { StageFields } from './StageFields';
import styles from './FamilyEditor.module.css';
import { useSend } from '../data/use-send';

interface Props {
  readonly family: Family;
  readonly today: string;
}

/** What a field shows of a value in a family; lists and objects have fields of their own. */
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

const fileOf = (family: Family, today: string) => ({
  format: CATALOGUE_FORMAT,
  name: `${family.code} typed in`,
  issued: today,
  families: [family],
  adaptors: [],
  accessories: [],
});

/** The sheet in hand typed over the one in force: every figure judged while it is typed, nothing stored before it all holds. */
export function FamilyEditor({ family, today }: Props) {
  const send = useSend();
  const [history, setHistory] = useState<readonly Family[]>([family]);
  const [texts, setTexts] = useState<Readonly<Record<string, string>>>({});
  const { run, busy, problems: refused } = useRun();
  const router = useRouter();
  const draft = history[history.length - 1] ?? family;
  const problems = useMemo(() => problemsOf(draft, family, today), [draft, family, today]);
  const diff = useMemo(() => diffFamilies(family, draft), [family, draft]);
  const columns = useMemo(() => sizeColumns(draft), [draft]);
  const missing = problems.length > 0 ? [] : missingForProcedure(draft);
  const wrong = useMemo(() => new Set(problems.map((p) => p.path)), [problems]);

  const put = (path: Path, value: unknown) => setHistory([...history, withValue(draft, path, value)]);
  const type = (path: Path, text: string, isText: boolean) => {
    setTexts({ ...texts, [pathName(path)]: text });
    const number = Number(text.replace(',', '.'));
    // What is no number is kept as typed: the check names it with its path.
    put(path, isText ? text : text.trim() === '' ? undefined : Number.isFinite(number) ? number : text);
  };
  const undo = () => {
    setTexts({});
    if (history.length > 1) setHistory(history.slice(0, -1));
  };
  const addSize = () => {
    const last = draft.sizes[draft.sizes.length - 1];
    if (!last) return;
    const code = `${draft.code}-NEW`;
    const copy: Size = { ...structuredClone(last), code, partNumber: code };
    setHistory([...history, { ...draft, sizes: [...draft.sizes, copy] }]);
  };
  const dropSize = (index: number) => {
    setTexts({});
    setHistory([...history, { ...draft, sizes: draft.sizes.filter((_, i) => i !== index) }]);
  };
  const field = (path: Path, label: string, isText = true, wide = false) => {
    const id = pathName(path);
    const value = valueAt(draft, path);
    return (
      <label className={wide ? styles.wide : styles.field} key={id}>
        <span>{label}</span>
        <input
          name={id}
          className={styles.input}
          value={texts[id] ?? plainText(value)}
          inputMode={isText ? 'text' : 'decimal'}
          aria-invalid={wrong.has(`families[0].${id}`)}
          onChange={(e) => type(path, e.target.value, isText)}
        />
      </label>
    );
  };
  const save = () =>
    void run(
      () => send('importCatalogue', JSON.stringify(fileOf(draft, today))),
      `${draft.code} revision ${draft.sheet.revision} is in the catalogue.`,
    ).then((r) => r.ok && router.push(`/catalogue?family=${draft.code}`));
  const isNew = draft.code !== family.code;
  const changes = diff.changes.length + diff.sizesAdded.length + diff.sizesRemoved.length;
  return (
    <main className={styles.main}>
      <div className={styles.title}>
        <h1>{family.code}: type in the sheet in hand</h1>
        <Button size="small" variant="text" onClick={undo} disabled={history.length < 2} data-shortcut="z">
          Undo
        </Button>
        <Link className={styles.back} href={`/catalogue?family=${family.code}`}>
          Back without saving
        </Link>
      </div>
      <p className={styles.lead}>
        It begins with the figures of revision {family.sheet.revision} in force. Change what the paper in your
        hand says otherwise; lengths in mm, inches exactly as printed. It is saved as a revision of its own.
      </p>
      <div className={styles.fields}>
        <label className={styles.field}>
          <span>Family code</span>
          <input
            name="code"
            className={styles.input}
            value={draft.code}
            aria-invalid={wrong.has('families[0].code')}
            onChange={(e) => setHistory([...history, renamed(draft, e.target.value.toUpperCase())])}
          />
        </label>
        {field(['sheet', 'revision'], 'Revision on the sheet')}
        {field(['sheet', 'issued'], 'Issued, such as 2026-11')}
        {field(['sheet', 'title'], 'Title of the sheet', true, true)}
        {field(['title'], 'Family', true, true)}
        {field(['emergenceMm'], 'Inner sheath inside the box, mm', false)}
        {field(['maxOvality'], 'Largest ovality, share', false)}
        {field(['certificate', 'serviceMinC'], 'Coldest, °C', false)}
        {field(['certificate', 'serviceMaxC'], 'Hottest, °C', false)}
      </div>
      <h2 className={styles.sub}>Sizes</h2>
      <div className={styles.scroll}>
        <DataTable className={styles.sizes}>
          <TableHead>
            <TableRow>
              <TableCell rowSpan={2}>Size</TableCell>
              {groupsOf(columns).map(([group, n], i) => (
                <TableCell key={`${group} ${i}`} colSpan={n} className={styles.group}>
                  {group}
                </TableCell>
              ))}
              <TableCell rowSpan={2} />
            </TableRow>
            <TableRow>
              {columns.map((c, i) => (
                <TableCell
                  key={pathName(c.path)}
                  data-first={columns[i - 1]?.group === c.group ? undefined : 'yes'}
                >
                  {c.title}
                </TableCell>
              ))}
            </TableRow>
          </TableHead>
          <TableBody>
            {draft.sizes.map((size, row) => (
              <TableRow key={row}>
                <TableCell component="th" scope="row">
                  <input
                    className={styles.code}
                    aria-label={`Code of size ${row + 1}`}
                    name={`sizes[${row}].code`}
                    value={size.code}
                    aria-invalid={wrong.has(`families[0].sizes[${row}].code`)}
                    onChange={(e) => {
                      const code = e.target.value.toUpperCase();
                      setHistory([
                        ...history,
                        withValue(
                          withValue(draft, ['sizes', row, 'code'], code),
                          ['sizes', row, 'partNumber'],
                          size.partNumber.startsWith(size.code)
                            ? size.partNumber.replace(size.code, code)
                            : size.partNumber,
                        ),
                      ]);
                    }}
                  />
                </TableCell>
                {columns.map((c, i) => {
                  const path: Path = ['sizes', row, ...c.path];
                  const id = pathName(path);
                  const there = valueAt(draft, path.slice(0, -1)) !== undefined;
                  const value = valueAt(draft, path);
                  return (
                    <TableCell key={id} data-first={columns[i - 1]?.group === c.group ? undefined : 'yes'}>
                      {there ? (
                        <input
                          className={styles.cell}
                          name={id}
                          aria-label={`${size.code} ${c.group} ${c.title}`}
                          inputMode={c.text ? 'text' : 'decimal'}
                          value={texts[id] ?? plainText(value)}
                          aria-invalid={wrong.has(`families[0].${id}`)}
                          onChange={(e) => type(path, e.target.value, c.text)}
                        />
                      ) : (
                        '–'
                      )}
                    </TableCell>
                  );
                })}
                <TableCell>
                  <button
                    type="button"
                    className={styles.drop}
                    aria-label={`Take ${size.code} out`}
                    title={`Take ${size.code} out`}
                    onClick={() => dropSize(row)}
                  >
                    ×
                  </button>
                </TableCell>
              </TableRow>
            ))}
          </TableBody>
        </DataTable>
      </div>
      <Button size="small" variant="outlined" onClick={addSize}>
        Add a size
      </Button>
      <h2 className={styles.sub}>Stages</h2>
      <StageFields
        family={draft}
        wrong={wrong}
        texts={texts}
        onType={type}
        onKind={(path, method) => put(path, method)}
      />
      <section className={styles.foot} aria-live="polite">
        <div>
          <b>
            {isNew
              ? `A family of its own, ${draft.code}, begun from ${family.code}.`
              : changes === 0
                ? 'No figure differs from the revision in force yet.'
                : `${changes} ${changes === 1 ? 'difference' : 'differences'} from revision ${family.sheet.revision}.`}
          </b>{' '}
          {missing.length > 0 ? `Plan only: ${missing.map((m) => m.message).join('; ')}.` : ''}
          <Problems problems={[...problems.slice(0, 12).map(short), ...refused]} />
        </div>
        <Button
          variant="contained"
          color="secondary"
          disabled={busy || problems.length > 0 || changes === 0}
          onClick={save}
        >
          Save {isNew ? `${draft.code} ` : ''}as revision {draft.sheet.revision}
        </Button>
      </section>
    </main>
  );
}

/** A problem with its place in front, as the fields are named. */
const short = (p: Problem): Problem => {
  const path = p.path.replace('families[0].', '');
  return {
    ...p,
    path,
    message: `${path}: ${p.message}${p.value === undefined ? '' : `, got ${JSON.stringify(p.value)}`}`,
  };
};

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

function groupsOf(columns: readonly { readonly group: string }[]): [string, number][] {
  const groups: [string, number][] = [];
  for (const { group } of columns) {
    const last = groups[groups.length - 1];
    if (last?.[0] === group) last[1] += 1;
    else groups.push([group, 1]);
  }
  return groups;
}
