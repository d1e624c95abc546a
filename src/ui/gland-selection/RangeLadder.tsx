'use client';
import { useRef, type CSSProperties, type KeyboardEvent } from 'react';
import { trimNumber } from '@/core/units';
import type { Measurement } from '@/core/cable-measurement';
import type { IntervalMm } from '@/core/kernel';
import type { MeasuredEnd } from '@/core/gland-selection';
import type { CandidateView } from '@/core/termination-view';
import { diameterTexts, useUnit } from '../common/unit';
import { NutMark } from '../verdict/NutMark';
import { findingIn, ladderColumns, type LadderColumn } from './ladder-scale';
import { resultWords } from './result-words';
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

/** The measurement behind a column. Metal-clad armour is gripped on its outside, all other by its thickness. */
function measuredIn(column: LadderColumn, m: MeasuredEnd): Measurement | null {
  if (column.id === 'outerSeal') return m.outerSheath;
  if (column.id === 'innerSeal') return m.innerSheath;
  if (column.id === 'overCores') return m.laidUpCores;
  const close = (x: Measurement | null) => x !== null && x.interval.max === column.interval?.max;
  return close(m.overArmour) ? m.overArmour : m.armourWire;
}

const BARS = {
  fits: styles.fits,
  marginal: styles.marginal,
  unknown: styles.out,
  misfit: styles.out,
} as const;

interface CellProps {
  readonly column: LadderColumn;
  readonly candidate: CandidateView;
  readonly measured: Measurement | null;
}

/** One range against the measured interval: the band, what was read, the bar, and an arrow where the bar lies off the scale. */
function Cell({ column, candidate, measured }: CellProps) {
  const { scale, interval } = column;
  const finding = findingIn(candidate, column.id);
  const range = finding?.range;
  const off = range ? offScale(scale, range) : null;
  const span = ({ min, max }: IntervalMm) => ({
    x: `${scale(min).toFixed(2)}%`,
    width: `${Math.max(0.8, scale(max) - scale(min)).toFixed(2)}%`,
  });
  const whole = { y: '0', height: '100%' } as const;
  const bar = { y: '31%', height: '38%' } as const;
  const drawn = range !== undefined && off === null;
  return (
    <svg className={styles.cell} aria-hidden="true">
      {interval ? <rect className={styles.band} {...span(interval)} {...whole} /> : null}
      {finding && drawn ? <rect className={BARS[finding.verdict]} {...span(range)} {...bar} /> : null}
      {off === null ? null : (
        <svg x={off === 'left' ? '0' : '100%'} y="50%" overflow="visible">
          <path className={styles.off} d={off === 'left' ? 'M9 -5 L1 0 L9 5' : 'M-9 -5 L-1 0 L-9 5'} />
        </svg>
      )}
      {measured && interval ? <rect className={styles.read} {...span(measured)} {...whole} /> : null}
      {interval && drawn ? <rect className={styles.over} {...span(interval)} {...bar} /> : null}
    </svg>
  );
}

/** On which side a range lies off the scale; null where some of it is on it. */
const offScale = (scale: LadderColumn['scale'], range: IntervalMm): 'left' | 'right' | null =>
  scale(range.max) < 0 ? 'left' : scale(range.min) > 100 ? 'right' : null;

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
