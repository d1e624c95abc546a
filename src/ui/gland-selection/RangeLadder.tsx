'use client';
import { useRef, type CSSProperties, type KeyboardEvent } from 'react';
import { trimNumber } from '@/core/units';
import type { Measurement } from '@/core/cable-measurement';
import type { MeasuredEnd } from '@/core/gland-selection';
import type { CandidateView } from '@/core/termination-view';
import { diameterTexts, useUnit } from '../common/unit';
import { NutMark, VERDICT_WORDS } from '../verdict/NutMark';
import { findingIn, ladderColumns, type LadderColumn } from './ladder-scale';
import styles from './RangeLadder.module.css';

interface Props {
  readonly candidates: readonly CandidateView[];
  readonly selected: string;
  readonly taken: string | null;
  readonly provisional: boolean;
  readonly measured: MeasuredEnd;
  readonly onSelect: (code: string) => void;
  readonly onTake: (code: string) => void;
}

/** Every candidate's ranges as bars, with the measured interval as one amber band through all of them: fit and misfit are seen. */
export function RangeLadder({ candidates, selected, taken, provisional, measured, onSelect, onTake }: Props) {
  const { unit } = useUnit();
  const columns = ladderColumns(candidates);
  const body = useRef<HTMLDivElement>(null);
  const walk = (event: KeyboardEvent) => {
    const at = candidates.findIndex((c) => c.code === selected);
    const step = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
    const next = candidates[at + step];
    if (event.key === 'Enter') {
      event.preventDefault();
      onTake(selected);
      return;
    }
    if (step === 0 || !next) return;
    event.preventDefault();
    onSelect(next.code);
    body.current?.querySelector<HTMLElement>(`[data-code="${next.code}"]`)?.focus();
  };
  const template = {
    '--ladder': `104px ${columns.map((c) => (c.id === 'outerSeal' ? '1.5fr' : '1fr')).join(' ')} 112px`,
  } as CSSProperties;
  return (
    <div
      className={styles.ladder}
      role="radiogroup"
      aria-label="Gland sizes, ranges against the measured cable"
      ref={body}
      onKeyDown={walk}
    >
      <div className={styles.head} style={template} aria-hidden="true">
        <span />
        {columns.map((c) => (
          <span key={c.id}>
            <b>{c.title}</b>
            <span className={styles.interval}>
              {c.interval ? diameterTexts(c.interval.min, c.interval.max)[unit] : 'not measured'}
            </span>
          </span>
        ))}
        <span />
      </div>
      {candidates.map((candidate) => (
        <button
          key={candidate.code}
          type="button"
          role="radio"
          aria-checked={candidate.code === selected}
          tabIndex={candidate.code === selected ? 0 : -1}
          data-code={candidate.code}
          data-taken={candidate.code === taken ? 'yes' : undefined}
          className={styles.row}
          style={template}
          onClick={() => onSelect(candidate.code)}
          onDoubleClick={() => onTake(candidate.code)}
        >
          <span className={styles.name}>
            <NutMark verdict={candidate.verdict} provisional={provisional && candidate.verdict === 'fits'} />
            {candidate.code}
          </span>
          {columns.map((c) => (
            <span key={c.id} className={styles.bar} data-title={c.title}>
              <Cell column={c} candidate={candidate} measured={measuredIn(c, measured)} />
            </span>
          ))}
          <span className={styles.result} data-verdict={candidate.verdict}>
            {resultWords(candidate)}
          </span>
        </button>
      ))}
      <div className={styles.axis} style={template} aria-hidden="true">
        <span />
        {columns.map((c) => (
          <Axis key={c.id} column={c} />
        ))}
        <span />
      </div>
    </div>
  );
}

/** What decides this row, in a word or two: the margin, or what stands in the way. */
export function resultWords(candidate: CandidateView): string {
  if (candidate.verdict === 'unknown') return VERDICT_WORDS.unknown;
  const out = candidate.findings.find((f) => f.verdict === candidate.verdict && f.verdict !== 'fits');
  if (out) {
    const ranged = out.range !== undefined && out.margin !== null && out.interval;
    if (candidate.verdict === 'marginal') return 'measure again';
    if (ranged && out.range && out.interval) {
      const over = out.interval.max - out.range.max >= out.range.min - out.interval.min;
      return `${trimNumber(Math.abs(out.margin ?? 0), 1)} mm ${over ? 'over' : 'under'}`;
    }
    return SHORT[out.criterion] ?? 'does not fit';
  }
  if (candidate.notCalledFor !== null) return 'not called for';
  const seal = findingIn(candidate, 'outerSeal')?.margin ?? candidate.marginMm ?? 0;
  const inside = `${trimNumber(seal, 1)} mm inside`;
  return candidate.adaptor ? `adaptor, ${inside}` : inside;
}

const SHORT: Readonly<Record<string, string>> = {
  construction: 'wrong cable',
  innerSeal: 'no inner sheath',
  armourRing: 'wrong armour',
  entryThread: 'wrong entry',
  engagement: 'thread short',
  concept: 'not certified',
  group: 'wrong group',
  ip: 'IP too low',
  temperature: 'too hot or cold',
  ovality: 'too oval',
  filling: 'no barrier',
  cableListing: 'cable not listed',
  coldFlow: 'sheath creeps',
  endStop: 'end stop open',
  coreCount: 'too many cores',
  freeArea: 'no room',
  compound: 'no compound',
  corrosion: 'corrodes',
  singleCore: 'single core',
};

/** The measurement behind a column. Metal-clad armour is gripped on its outside, all other by its thickness. */
function measuredIn(column: LadderColumn, m: MeasuredEnd): Measurement | null {
  if (column.id === 'outerSeal') return m.outerSheath;
  if (column.id === 'innerSeal') return m.innerSheath;
  if (column.id === 'overCores') return m.laidUpCores;
  const close = (x: Measurement | null) => x !== null && x.interval.max === column.interval?.max;
  return close(m.overArmour) ? m.overArmour : m.armourWire;
}

function Cell({
  column,
  candidate,
  measured,
}: {
  readonly column: LadderColumn;
  readonly candidate: CandidateView;
  readonly measured: Measurement | null;
}) {
  const finding = findingIn(candidate, column.id);
  const { scale, interval } = column;
  const x = (mm: number) => `${scale(mm).toFixed(2)}%`;
  const width = (a: number, b: number) => `${Math.max(0.8, scale(b) - scale(a)).toFixed(2)}%`;
  const off = finding?.range
    ? scale(finding.range.max) < 0
      ? 'left'
      : scale(finding.range.min) > 100
        ? 'right'
        : null
    : null;
  return (
    <svg className={styles.cell} aria-hidden="true">
      {interval ? (
        <rect
          className={styles.band}
          x={x(interval.min)}
          width={width(interval.min, interval.max)}
          y="0"
          height="100%"
        />
      ) : null}
      {finding?.range && off === null ? (
        <rect
          className={
            finding.verdict === 'fits'
              ? styles.fits
              : finding.verdict === 'marginal'
                ? styles.marginal
                : styles.out
          }
          x={x(finding.range.min)}
          width={width(finding.range.min, finding.range.max)}
          y="31%"
          height="38%"
        />
      ) : null}
      {off === null ? null : (
        <svg x={off === 'left' ? '0' : '100%'} y="50%" overflow="visible">
          <path className={styles.off} d={off === 'left' ? 'M9 -5 L1 0 L9 5' : 'M-9 -5 L-1 0 L-9 5'} />
        </svg>
      )}
      {measured && interval ? (
        <rect
          className={styles.read}
          x={x(measured.min)}
          width={width(measured.min, measured.max)}
          y="0"
          height="100%"
        />
      ) : null}
      {interval && finding?.range && off === null ? (
        <rect
          className={styles.over}
          x={x(interval.min)}
          width={width(interval.min, interval.max)}
          y="31%"
          height="38%"
        />
      ) : null}
    </svg>
  );
}

function Axis({ column }: { readonly column: LadderColumn }) {
  return (
    <svg className={styles.ticks}>
      <line x1="0" x2="100%" y1="1" y2="1" className={styles.tick} />
      {column.scale.ticks(5).map((t) => (
        <g key={t}>
          <line x1={`${column.scale(t)}%`} x2={`${column.scale(t)}%`} y1="1" y2="6" className={styles.tick} />
          <text x={`${column.scale(t)}%`} y="19" className={styles.label}>
            {trimNumber(t, 1)}
          </text>
        </g>
      ))}
    </svg>
  );
}
