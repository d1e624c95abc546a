'use client';
import { DataTable } from '../kit-of-parts/DataTable';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Button from '@mui/material/Button';
import Link from 'next/link';
import { useRef, useState } from 'react';
import type { Problem } from '@/core/kernel';
import { DEFAULT_SPARES, KIND_WORDS, type SpareRule } from '@/core/kit';
import type { KitView } from '@/core/termination-view';
import { Problems } from '../kit-of-parts/Problems';
import { saveFile } from '../common/save-file';
import styles from './KitPage.module.css';
import { look } from '../data/send';

interface Props {
  readonly job: string;
  readonly first: KitView;
}

/** What the job takes from the store: parts, spares, what is short. */
export function KitPage({ job, first }: Props) {
  const [view, setView] = useState(first);
  const [rule, setRule] = useState({
    percent: String(DEFAULT_SPARES.percent),
    minimum: String(DEFAULT_SPARES.minimum),
  });
  const [stock, setStock] = useState<{ readonly name: string; readonly text: string } | null>(null);
  const [area, setArea] = useState<string | null>(null);
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const picker = useRef<HTMLInputElement>(null);
  const asked = useRef(0);

  const numbers = (r: typeof rule): SpareRule => ({
    percent: r.percent.trim() === '' ? NaN : Number(r.percent.replace(',', '.')),
    minimum: r.minimum.trim() === '' ? NaN : Number(r.minimum),
  });
  const work = async (r: typeof rule, s: typeof stock) => {
    const mine = (asked.current += 1);
    const result = await look(['kitAgainst', job, numbers(r), s?.text ?? '']);
    // A later question overtakes this answer.
    if (mine !== asked.current) return false;
    if (result.ok) setView(result.value);
    setProblems(result.ok ? [] : result.problems);
    return result.ok;
  };
  const change = (r: typeof rule) => {
    setRule(r);
    void work(r, stock);
  };
  const load = async (file: File | undefined) => {
    if (!file) return;
    const next = { name: file.name, text: await file.text() };
    if (await work(rule, next)) setStock(next);
    if (picker.current) picker.current.value = '';
  };
  const download = async (format: 'csv' | 'xlsx') => {
    const query = new URLSearchParams({
      percent: String(numbers(rule).percent),
      minimum: String(numbers(rule).minimum),
    });
    const address = `/api/job/${encodeURIComponent(job)}/kit/${format}?${query.toString()}`;
    setProblems(await saveFile(address, stock?.text ?? null));
  };
  const { kit } = view;
  const at = area === null ? -1 : kit.areas.indexOf(area);
  const lines = at < 0 ? kit.lines : kit.lines.filter((l) => (l.byArea[at] ?? 0) > 0);
  const short = kit.lines.filter((l) => (l.short ?? 0) > 0).length;
  return (
    <main className={styles.main}>
      <div className={styles.title}>
        <h1>Kit</h1>
      </div>
      <p className={styles.lead}>
        {kit.lines.length} parts for what is planned, with spares
        {stock === null
          ? '.'
          : short === 0
            ? '; nothing is short.'
            : `; ${short} are short against ${stock.name}.`}{' '}
        {view.unplanned.length > 0
          ? `${view.unplanned.length} terminations are not planned and not in it. `
          : ''}
        {view.fitted.length > 0
          ? `${view.fitted.length} are made off and signed: what they took is not counted again.`
          : ''}
      </p>
      <div className={styles.acts}>
        <label>
          Spares{' '}
          <input
            className={styles.small}
            inputMode="decimal"
            value={rule.percent}
            onChange={(e) => change({ ...rule, percent: e.target.value })}
          />{' '}
          %
        </label>
        <label>
          at least{' '}
          <input
            className={styles.small}
            inputMode="numeric"
            value={rule.minimum}
            onChange={(e) => change({ ...rule, minimum: e.target.value })}
          />{' '}
          of each
        </label>
        <input
          ref={picker}
          id="stock-file"
          type="file"
          accept=".csv,text/csv"
          className="ac-visually-hidden"
          tabIndex={-1}
          aria-label="Stock file, CSV with the columns part and quantity"
          onChange={(e) => void load(e.target.files?.[0])}
        />
        <Button variant="outlined" size="small" onClick={() => picker.current?.click()}>
          {stock === null ? 'Compare with a stock file' : 'Another stock file'}
        </Button>
        {stock === null ? null : (
          <Button
            variant="text"
            size="small"
            onClick={() => {
              setStock(null);
              void work(rule, null);
            }}
          >
            Without stock
          </Button>
        )}
        <span className={styles.push} />
        <Button variant="outlined" size="small" onClick={() => void download('csv')}>
          CSV
        </Button>
        <Button variant="outlined" size="small" onClick={() => void download('xlsx')}>
          Spreadsheet
        </Button>
        <Button variant="outlined" size="small" onClick={() => window.print()}>
          Print
        </Button>
      </div>
      <Problems problems={problems} />
      <div className={styles.areas} role="group" aria-label="Area">
        {[null, ...kit.areas].map((name) => (
          <button
            key={name ?? ''}
            type="button"
            className={styles.area}
            aria-pressed={area === name}
            onClick={() => setArea(name)}
          >
            {name ?? 'All areas'}
          </button>
        ))}
      </div>
      {lines.length === 0 ? (
        <p>
          Nothing is planned here yet. Choose sizes one by one, or{' '}
          <Link className={styles.link} href={`/job/${encodeURIComponent(job)}/whole-job`}>
            for the whole job
          </Link>
          .
        </p>
      ) : (
        <DataTable className={styles.table}>
          <TableHead>
            <TableRow>
              <TableCell scope="col">Part</TableCell>
              <TableCell scope="col">What</TableCell>
              <TableCell scope="col" className={styles.number}>
                {area === null ? 'Needed' : 'Here'}
              </TableCell>
              <TableCell scope="col" className={styles.number}>
                Spare
              </TableCell>
              <TableCell scope="col" className={styles.number}>
                Total
              </TableCell>
              {stock === null ? null : (
                <>
                  <TableCell scope="col" className={styles.number}>
                    Stock
                  </TableCell>
                  <TableCell scope="col" className={styles.number}>
                    Short
                  </TableCell>
                </>
              )}
              <TableCell scope="col">For</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {lines.map((l, i) => (
              <TableRow key={l.part} data-first={lines[i - 1]?.kind === l.kind ? undefined : 'yes'}>
                <TableCell component="th" scope="row">
                  {l.part}
                </TableCell>
                <TableCell>
                  {l.name}
                  {l.kind === 'gland' || l.kind === 'accessory' ? '' : ` (${KIND_WORDS[l.kind]})`}
                </TableCell>
                <TableCell className={styles.number}>{at < 0 ? l.needed : l.byArea[at]}</TableCell>
                <TableCell className={styles.number}>{l.spare}</TableCell>
                <TableCell className={styles.number}>
                  <b>{l.total}</b>
                </TableCell>
                {stock === null ? null : (
                  <>
                    <TableCell className={styles.number}>{l.stock}</TableCell>
                    <TableCell className={styles.number} data-short={(l.short ?? 0) > 0 ? 'yes' : undefined}>
                      {l.short === 0 ? '–' : l.short}
                    </TableCell>
                  </>
                )}
                <TableCell className={styles.users} title={l.users.join(', ')}>
                  {l.users.slice(0, 4).join(', ')}
                  {l.users.length > 4 ? ` and ${l.users.length - 4} more` : ''}
                </TableCell>
              </TableRow>
            ))}
          </TableBody>
        </DataTable>
      )}
      {view.unplugged.length > 0 ? (
        <p className={styles.lead}>
          No certified plug in the catalogue for: {view.unplugged.join(', ')}. These entries stay open until
          one is found.
        </p>
      ) : null}
    </main>
  );
}
