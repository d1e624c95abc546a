import { line, scaleLinear, scaleLog } from 'd3';
import type { SealPlan } from '@/core/compound-cure';
import { cureTime, potLife } from '@/core/compound-cure';
import { minutesWords } from './clock-words';
import { useWidth } from '../../common/use-width';
import styles from './Charts.module.css';

const USUAL_WIDTH = 600;
const HEIGHT = 170;
const LEFT = 54;
const RIGHT = 96;
const BOTTOM = 26;
const TOP = 10;
const TICKS = [5, 10, 20, 60, 120, 360, 720, 1440];

/** Both tables of the compound as printed points over temperature, minutes on a logarithmic scale, and where the work is now. */
export function TimeTables({ seal, tempC }: { readonly seal: SealPlan; readonly tempC: number | null }) {
  const [ref, width] = useWidth(USUAL_WIDTH);
  const all = [...seal.potLife, ...seal.cure];
  const [low, high] = [Math.min(...all.map((p) => p.c)) - 3, Math.max(...all.map((p) => p.c)) + 3];
  const least = Math.min(...all.map((p) => p.minutes)) * 0.8;
  const most = Math.max(...all.map((p) => p.minutes)) * 1.25;
  const x = scaleLinear()
    .domain([low, high])
    .range([LEFT, width - RIGHT]);
  const y = scaleLog()
    .domain([least, most])
    .range([HEIGHT - BOTTOM, TOP]);
  const path = line<{ c: number; minutes: number }>()
    .x((p) => x(p.c))
    .y((p) => y(p.minutes));
  const at = tempC !== null && tempC >= low && tempC <= high ? tempC : null;
  const marks =
    at === null
      ? []
      : [potLife(seal.potLife, at), cureTime(seal.cure, at)].flatMap((r) => (r.ok ? [r.value.minutes] : []));
  return (
    <svg
      className={styles.chart}
      ref={ref}
      viewBox={`0 0 ${width} ${HEIGHT}`}
      height={HEIGHT}
      role="img"
      aria-label={`Pot life and cure of ${seal.product} by temperature, as printed on its sheet`}
    >
      {TICKS.filter((t) => t >= least && t <= most).map((t) => (
        <g key={t}>
          <line x1={LEFT} x2={width - RIGHT} y1={y(t)} y2={y(t)} className={styles.grid} />
          <text x={LEFT - 8} y={y(t) + 4} className={styles.tickEnd}>
            {t < 60 ? `${t} min` : `${t / 60} h`}
          </text>
        </g>
      ))}
      {x.ticks(Math.max(2, Math.floor((width - LEFT - RIGHT) / 60))).map((t) => (
        <text key={t} x={x(t)} y={HEIGHT - 8} className={styles.tick}>
          {t} °C
        </text>
      ))}
      {(
        [
          ['pot life', seal.potLife, styles.pot],
          ['cure', seal.cure, styles.cure],
        ] as const
      ).map(([name, points, kind]) => {
        const last = points[points.length - 1];
        return (
          <g key={name}>
            <path d={path([...points]) ?? ''} className={kind} />
            {points.map((p) => (
              <circle key={p.c} cx={x(p.c)} cy={y(p.minutes)} r="3.5" className={styles.point} />
            ))}
            {last ? (
              <text x={x(last.c) + 10} y={y(last.minutes) + 4} className={styles.name}>
                {name}
              </text>
            ) : null}
          </g>
        );
      })}
      {at === null ? null : (
        <line x1={x(at)} x2={x(at)} y1={TOP} y2={HEIGHT - BOTTOM} className={styles.now} />
      )}
      {marks.map((m) => (
        <g key={m}>
          <circle cx={x(at ?? low)} cy={y(m)} r="5" className={styles.hit} />
          <text x={x(at ?? low) + 9} y={y(m) - 7} className={styles.value}>
            {minutesWords(m)}
          </text>
        </g>
      ))}
    </svg>
  );
}
