'use client';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { useMemo, useRef, useState, type KeyboardEvent } from 'react';
import { CRITERION_TITLES, type CriterionId, type FindingView } from '@/core/gland-selection';
import type { CandidateView } from '@/core/termination-view';
import { trimNumber } from '@/core/units';
import { NutMark, VERDICT_WORDS } from '../verdict/NutMark';
import styles from './DecisionTable.module.css';

interface Props {
  readonly candidates: readonly CandidateView[];
  readonly selected: string;
  readonly taken: string | null;
  readonly onSelect: (code: string) => void;
  readonly onTake: (code: string) => void;
}

/** Candidates × criteria: a nut and a number in each place. Arrows walk, Enter takes, a click on a head sorts by that margin. */
export function DecisionTable({ candidates, selected, taken, onSelect, onTake }: Props) {
  const [sort, setSort] = useState<CriterionId | null>(null);
  const [column, setColumn] = useState(0);
  const body = useRef<HTMLTableSectionElement>(null);
  const { columns, alike } = useMemo(() => columnsOf(candidates), [candidates]);
  const rows = useMemo(() => sorted(candidates, sort), [candidates, sort]);
  const criterion = columns[Math.min(column, columns.length - 1)];
  const at = rows.findIndex((c) => c.code === selected);
  const focus = (row: number, col: number) => {
    const code = rows[row]?.code;
    if (code === undefined) return;
    setColumn(col);
    onSelect(code);
    body.current?.querySelector<HTMLElement>(`[data-cell="${code} ${columns[col] ?? ''}"]`)?.focus();
  };
  const walk = (event: KeyboardEvent) => {
    const col = Math.min(column, columns.length - 1);
    const moves: Readonly<Record<string, readonly [number, number]>> = {
      ArrowDown: [Math.min(at + 1, rows.length - 1), col],
      ArrowUp: [Math.max(at - 1, 0), col],
      ArrowRight: [at, Math.min(col + 1, columns.length - 1)],
      ArrowLeft: [at, Math.max(col - 1, 0)],
      Home: [at, 0],
      End: [at, columns.length - 1],
      PageUp: [0, col],
      PageDown: [rows.length - 1, col],
    };
    if (event.key === 'Enter') {
      event.preventDefault();
      onTake(selected);
      return;
    }
    const to = moves[event.key];
    if (!to) return;
    event.preventDefault();
    focus(...to);
  };
  const here = rows[at]?.findings.find((f) => f.criterion === criterion);
  return (
    <div className={styles.wrap}>
      <Table
        size="small"
        className={styles.table}
        role="grid"
        aria-label="Candidates by criteria"
        onKeyDown={walk}
      >
        <TableHead>
          <TableRow>
            <TableCell scope="col" className={styles.corner}>
              <button
                type="button"
                className={styles.merit}
                onClick={() => setSort(null)}
                aria-pressed={sort === null}
              >
                by merit
              </button>
            </TableCell>
            {columns.map((id) => (
              <TableCell key={id} scope="col" aria-sort={sort === id ? 'descending' : undefined}>
                <button
                  type="button"
                  className={styles.head}
                  aria-pressed={sort === id}
                  onClick={() => setSort(sort === id ? null : id)}
                >
                  <span>{CRITERION_TITLES[id]}</span>
                </button>
              </TableCell>
            ))}
          </TableRow>
        </TableHead>
        <TableBody ref={body}>
          {rows.map((candidate) => (
            <TableRow
              key={candidate.code}
              aria-selected={candidate.code === selected}
              className={styles.row}
              data-quiet={candidate.notCalledFor === null ? undefined : 'yes'}
            >
              <TableCell
                component="th"
                scope="row"
                className={styles.name}
                onClick={() => onSelect(candidate.code)}
              >
                <NutMark verdict={candidate.verdict} size={16} /> {candidate.code}
                {candidate.code === taken ? <span className={styles.taken}>taken</span> : null}
              </TableCell>
              {columns.map((id, i) => {
                const finding = candidate.findings.find((f) => f.criterion === id);
                const current = candidate.code === selected && i === column;
                return (
                  <TableCell key={id} role="gridcell">
                    <button
                      type="button"
                      className={styles.cell}
                      data-cell={`${candidate.code} ${id}`}
                      data-verdict={finding?.verdict}
                      tabIndex={current ? 0 : -1}
                      aria-label={
                        finding
                          ? `${candidate.code}, ${CRITERION_TITLES[id]}: ${VERDICT_WORDS[finding.verdict]}, ${finding.reason}${marginWords(finding)}`
                          : candidate.code
                      }
                      onClick={() => focus(rows.indexOf(candidate), i)}
                    >
                      {finding ? <Mark finding={finding} /> : null}
                    </button>
                  </TableCell>
                );
              })}
            </TableRow>
          ))}
        </TableBody>
      </Table>
      {alike.length > 0 ? (
        <p className={styles.alike}>
          <NutMark verdict="fits" size={14} /> All of these fit in{' '}
          {alike.map((id) => CRITERION_TITLES[id].toLowerCase()).join(', ')}.
        </p>
      ) : null}
      <p className={styles.here} aria-live="polite">
        {here && criterion ? (
          <>
            <b>
              {selected} · {CRITERION_TITLES[criterion]}:
            </b>{' '}
            {here.reason} <span className={styles.source}>({here.source})</span>
          </>
        ) : (
          'Walk through the table with the arrow keys.'
        )}
      </p>
    </div>
  );
}

/** The figure that stands in the cell, so that who speaks to the page can say what he sees. */
const marginWords = ({ margin, code }: FindingView): string =>
  margin === null || code === 'absent' ? '' : `, margin ${trimNumber(margin, 1)}`;

function Mark({ finding }: { readonly finding: FindingView }) {
  // What is not asked of this kind of gland stays quiet, so that what was judged stands out.
  if (finding.code === 'absent') return <span className={styles.nothing}>·</span>;
  return (
    <>
      <NutMark verdict={finding.verdict} size={15} />
      {finding.margin === null ? null : (
        <span className={styles.margin}>{trimNumber(finding.margin, 1)}</span>
      )}
    </>
  );
}

/**
 * Criteria with something to compare, and those that every candidate meets without a number: a column of equal nuts would only push the others
 * out of sight, so that these are named in a line.
 */
function columnsOf(candidates: readonly CandidateView[]): { columns: CriterionId[]; alike: CriterionId[] } {
  const told = new Map<CriterionId, { speaks: boolean; differs: boolean }>();
  for (const { findings } of candidates)
    for (const f of findings) {
      const known = told.get(f.criterion) ?? { speaks: false, differs: false };
      told.set(f.criterion, {
        speaks: known.speaks || f.verdict !== 'fits' || f.code !== 'absent',
        differs: known.differs || f.verdict !== 'fits' || f.margin !== null,
      });
    }
  const which = (keep: (t: { speaks: boolean; differs: boolean }) => boolean) =>
    [...told].filter(([, t]) => keep(t)).map(([id]) => id);
  return { columns: which((t) => t.differs), alike: which((t) => t.speaks && !t.differs) };
}

const marginOf = (candidate: CandidateView, id: CriterionId): number => {
  const finding = candidate.findings.find((f) => f.criterion === id);
  if (finding === undefined) return -Infinity;
  if (finding.margin !== null) return finding.margin;
  return finding.verdict === 'fits' ? Number.MAX_VALUE : -Number.MAX_VALUE;
};

const sorted = (candidates: readonly CandidateView[], by: CriterionId | null): readonly CandidateView[] =>
  by === null ? candidates : [...candidates].sort((a, b) => marginOf(b, by) - marginOf(a, by));
