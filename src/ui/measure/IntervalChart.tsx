import { scaleLinear } from 'd3';
import { METHOD_WORDS, type Measurement, type Reading } from '@/core/cable-measurement';
import { trimNumber } from '@/core/units';
import styles from './IntervalChart.module.css';

const ROW = 16;

/** Every reading with its half-width, and the interval they leave as one amber band. */
export function IntervalChart({
  measurement,
  readings,
}: {
  readonly measurement: Measurement;
  readonly readings: readonly Reading[];
}) {
  const { interval, samples } = measurement;
  const pad = Math.max((interval.max - interval.min) * 0.6, 0.05);
  const scale = scaleLinear()
    .domain([interval.min - pad, interval.max + pad])
    .range([0, 100]);
  const height = samples.length * ROW + 26;
  const x = (mm: number) => `${scale(mm).toFixed(3)}%`;
  const width = (a: number, b: number) => `${(scale(b) - scale(a)).toFixed(3)}%`;
  const ticks = scale.ticks(6);
  return (
    <svg
      className={styles.chart}
      height={height}
      role="img"
      aria-label={`Interval ${trimNumber(interval.min, 2)} to ${trimNumber(interval.max, 2)} mm from ${samples.length} readings`}
    >
      <rect
        x={x(interval.min)}
        width={width(interval.min, interval.max)}
        y="0"
        height={height - 20}
        className={styles.band}
      />
      {samples.map((s, i) => {
        const y = i * ROW + ROW / 2;
        // What nobody read comes from the datasheet of the cable's type.
        const method = readings[s.index]?.method ?? 'datasheet';
        return (
          <g key={s.index}>
            <line
              x1={x(s.diameterMm - s.halfWidthMm)}
              x2={x(s.diameterMm + s.halfWidthMm)}
              y1={y}
              y2={y}
              className={styles.whisker}
            />
            {method === 'caliper' ? (
              <circle cx={x(s.diameterMm)} cy={y} r="4" className={styles.dot} />
            ) : (
              <rect
                x={x(s.diameterMm)}
                y={y - 4}
                width="8"
                height="8"
                transform="translate(-4 0)"
                className={method === 'datasheet' ? styles.hollow : styles.dot}
              />
            )}
            <title>{METHOD_WORDS[method]}</title>
          </g>
        );
      })}
      {ticks.map((t) => (
        <g key={t}>
          <line x1={x(t)} x2={x(t)} y1={height - 20} y2={height - 15} className={styles.tick} />
          <text x={x(t)} y={height - 3} className={styles.label}>
            {trimNumber(t, 2)}
          </text>
        </g>
      ))}
      <line x1="0" x2="100%" y1={height - 20} y2={height - 20} className={styles.tick} />
    </svg>
  );
}
