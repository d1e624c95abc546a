'use client';
import { extent, scaleLinear } from 'd3';
import type { IntervalMm } from '@/core/kernel';
import { trimNumber } from '@/core/units';
import { useWidth } from '../common/use-width';
import styles from './RangeChart.module.css';

export interface ChartRow {
  readonly code: string;
  readonly range: IntervalMm;
  /** What the bar is labelled with besides its bounds, such as a groove. */
  readonly note?: string;
}

export interface ChartMark {
  readonly tag: string;
  readonly interval: IntervalMm;
  readonly provisional: boolean;
}

interface Props {
  readonly title: string;
  readonly rows: readonly ChartRow[];
  /** Null where it is not known which cables there are: then nothing is said of them. */
  readonly marks: readonly ChartMark[] | null;
  readonly decimals: number;
}

const USUAL_WIDTH = 620;
const LEFT = 86;
const RIGHT = 96;
const ROW = 24;
const TOP = 22;

const endsWords = (ends: number, off: number): string => {
  if (ends === 0) return 'no cable of this job is measured for it';
  return `${ends} measured ${ends === 1 ? 'end' : 'ends'}${off > 0 ? `, ${off} off the scale` : ''}`;
};

/** The ranges of all sizes as bars on one scale, with every measured cable of the job as a line through them. */
export function RangeChart({ title, rows, marks: given, decimals }: Props) {
  const marks = given ?? [];
  const [ref, width] = useWidth(USUAL_WIDTH);
  const ticks = Math.max(2, Math.min(6, Math.floor((width - LEFT - RIGHT) / 60)));
  const [low = 0, high = 1] = extent(rows.flatMap((r) => [r.range.min, r.range.max]));
  const scale = scaleLinear()
    .domain([low, high])
    .nice(ticks)
    .range([LEFT, width - RIGHT]);
  const height = TOP + rows.length * ROW + 30;
  const [from = 0, to = 0] = scale.domain();
  const inside = marks.filter((m) => m.interval.max >= from && m.interval.min <= to);
  const middle = (i: IntervalMm) => (i.min + i.max) / 2;
  const takes = (row: ChartRow) =>
    marks.filter((m) => m.interval.min >= row.range.min && m.interval.max <= row.range.max).length;
  return (
    <figure className={styles.figure}>
      <figcaption className={styles.caption}>
        <b>{title}</b>{' '}
        <span>{given === null ? null : endsWords(given.length, given.length - inside.length)}</span>
      </figcaption>
      <svg
        ref={ref}
        viewBox={`0 0 ${width} ${height}`}
        height={height}
        className={styles.chart}
        role="img"
        aria-label={`${title}: ${rows.map((r) => `${r.code} ${r.range.min} to ${r.range.max} mm${given === null ? '' : `, takes ${takes(r)}`}`).join('; ')}`}
      >
        {scale.ticks(ticks).map((t) => (
          <g key={t}>
            <line x1={scale(t)} x2={scale(t)} y1={TOP - 6} y2={height - 24} className={styles.grid} />
            <text x={scale(t)} y={height - 8} className={styles.tick}>
              {trimNumber(t, 2)}
            </text>
          </g>
        ))}
        {inside.map((m) => (
          <line
            key={m.tag}
            x1={scale(middle(m.interval))}
            x2={scale(middle(m.interval))}
            y1={TOP - 10}
            y2={height - 24}
            className={styles.cable}
            strokeDasharray={m.provisional ? '4 3' : undefined}
          >
            <title>{`${m.tag} ${trimNumber(m.interval.min, 2)}–${trimNumber(m.interval.max, 2)} mm${m.provisional ? ', datasheet' : ''}`}</title>
          </line>
        ))}
        {rows.map((row, i) => {
          const y = TOP + i * ROW;
          const count = takes(row);
          return (
            <g key={`${row.code} ${row.note ?? ''}`}>
              <text x={0} y={y + 15} className={styles.code}>
                {row.code}
              </text>
              <rect
                x={scale(row.range.min)}
                width={Math.max(2, scale(row.range.max) - scale(row.range.min))}
                y={y + 5}
                height={12}
                className={count > 0 ? styles.used : styles.bar}
              />
              <text x={width} y={y + 15} className={styles.bounds}>
                {row.range.min.toFixed(decimals)}–{row.range.max.toFixed(decimals)}
                {row.note === undefined ? '' : ` ${row.note}`}
              </text>
              {count > 0 ? (
                <text x={scale(row.range.max) + 6} y={y + 15} className={styles.count}>
                  {count}
                </text>
              ) : null}
            </g>
          );
        })}
      </svg>
    </figure>
  );
}
