import { line, scaleLinear, scaleLog } from 'd3';
import type { InsulationReading } from '@/core/procedure';
import { trimNumber } from '@/core/units';
import { hoursBelow } from '../compound-cure/station/clock-words';
import { apart, useWidth } from '../common/use-width';
import styles from '../compound-cure/station/Charts.module.css';

const USUAL_WIDTH = 600;
const HEIGHT = 200;
const LEFT = 64;
const RIGHT = 46;
const TOP = 22;
const BOTTOM = 26;
/** Decades about what was read and what is asked for. */
const LEAST = 0.01;
/** An hour below, with its day where another one begins, has so many pixels to the next. */
const HOURS_WIDE = 64;

interface Props {
  readonly readings: readonly InsulationReading[];
  readonly leastMohm: number;
}

/** What was read of an insulation one time after another, against what it must reach: does it dry? */
export function DryingChart({ readings, leastMohm }: Props) {
  const [ref, width] = useWidth(USUAL_WIDTH);
  const [first, last] = [readings[0], readings.at(-1)];
  if (first === undefined || last === undefined) return null;
  const shown = readings.map((r) => Math.max(LEAST, r.mohm));
  const x = scaleLinear()
    .domain([first.atMs, Math.max(last.atMs, first.atMs + 60_000)])
    .range([LEFT, width - RIGHT]);
  const y = scaleLog()
    .domain([Math.min(leastMohm, ...shown) / 3, Math.max(leastMohm, ...shown) * 3])
    .range([HEIGHT - BOTTOM, TOP]);
  const path = line<InsulationReading>()
    .x((r) => x(r.atMs))
    .y((r) => y(Math.max(LEAST, r.mohm)));
  const said = apart(readings, (r) => x(r.atMs), HOURS_WIDE);
  const hours = hoursBelow(said.map((r) => r.atMs));
  return (
    <svg
      className={styles.chart}
      ref={ref}
      viewBox={`0 0 ${width} ${HEIGHT}`}
      height={HEIGHT}
      role="img"
      aria-label={`Insulation read ${readings.length} times, last ${trimNumber(last.mohm, 1)} megohms of ${trimNumber(leastMohm, 0)} asked for`}
    >
      <line x1={LEFT} x2={width - RIGHT} y1={y(leastMohm)} y2={y(leastMohm)} className={styles.grid} />
      <text x={LEFT - 8} y={y(leastMohm) + 4} className={styles.tickEnd}>
        {trimNumber(leastMohm, 0)} MΩ
      </text>
      <path d={path([...readings]) ?? ''} className={styles.cure} />
      {readings.map((r) => (
        <circle
          key={r.atMs}
          cx={x(r.atMs)}
          cy={y(Math.max(LEAST, r.mohm))}
          r="4"
          className={styles.temperature}
        />
      ))}
      {said.map((r, i) => (
        <g key={r.atMs}>
          <text x={x(r.atMs)} y={y(Math.max(LEAST, r.mohm)) - 9} className={styles.tick}>
            {trimNumber(r.mohm, 1)}
          </text>
          <text x={x(r.atMs)} y={HEIGHT - 8} className={styles.tick}>
            {hours[i]}
          </text>
        </g>
      ))}
    </svg>
  );
}
