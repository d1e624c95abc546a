import { line, scaleLog } from 'd3';
import { READ_AT, type InsulationRequest } from '@/core/electrical-test';
import { trimNumber } from '@/core/units';
import { useWidth } from '../../common/use-width';
import styles from '../../compound-cure/station/Charts.module.css';

const USUAL_WIDTH = 600;
const HEIGHT = 190;
const [LEFT, TOP, BOTTOM] = [64, 12, 28];
/** Beside the curves stand their names, and what is asked for; on a phone that stands over its line. */
const [RIGHT_WIDE, RIGHT_NARROW, NARROW] = [150, 52, 480];

const words = (mohm: number) =>
  mohm >= 1000 ? `${trimNumber(mohm / 1000, 1)} GΩ` : `${trimNumber(mohm, mohm < 1 ? 2 : 0)} MΩ`;

/** Powers of ten between two values: the lines of a logarithmic scale that are told apart. */
const tens = (low: number, high: number): number[] =>
  Array.from(
    { length: Math.max(0, Math.floor(Math.log10(high)) - Math.ceil(Math.log10(low)) + 1) },
    (_, k) => 10 ** (Math.ceil(Math.log10(low)) + k),
  );

interface Props {
  readonly request: InsulationRequest;
  readonly leastMohm: number | null;
}

/** Resistance over time of every core, both logarithmic, and the least that the standard asks for: a curve that falls is seen at once. */
export function InsulationChart({ request, leastMohm }: Props) {
  const [ref, width] = useWidth(USUAL_WIDTH);
  const narrow = width < NARROW;
  const right = narrow ? RIGHT_NARROW : RIGHT_WIDE;
  const curves = request.tests.filter((t) => t.readings.length > 0);
  const all = curves.flatMap((t) => t.readings.map((r) => r.mohm));
  if (all.length === 0) return null;
  const shown = leastMohm === null ? all : [...all, leastMohm];
  const [low, high] = [Math.min(...shown) / 2, Math.max(...shown) * 2];
  const x = scaleLog()
    .domain([READ_AT[0], READ_AT[3]])
    .range([LEFT, width - right]);
  const y = scaleLog()
    .domain([low, high])
    .range([HEIGHT - BOTTOM, TOP]);
  const path = line<{ readonly s: number; readonly mohm: number }>()
    .x((r) => x(r.s))
    .y((r) => y(r.mohm));
  // Names that would lie on each other move apart, the highest first.
  const names = curves
    .flatMap((t) => {
      const last = t.readings.at(-1);
      return last === undefined ? [] : [{ of: t.of, x: x(last.s), at: y(last.mohm) }];
    })
    .sort((a, b) => a.at - b.at);
  names.forEach((n, k) => {
    const above = names[k - 1];
    if (above !== undefined) n.at = Math.max(n.at, above.at + 14);
  });
  return (
    <svg
      className={styles.chart}
      ref={ref}
      viewBox={`0 0 ${width} ${HEIGHT}`}
      height={HEIGHT}
      role="img"
      aria-label="Insulation resistance over time"
    >
      {tens(low, high).map((t) => (
        <g key={t}>
          <line x1={LEFT} x2={width - right} y1={y(t)} y2={y(t)} className={styles.grid} />
          <text x={LEFT - 8} y={y(t) + 4} className={styles.tickEnd}>
            {words(t)}
          </text>
        </g>
      ))}
      {READ_AT.map((s) => (
        <text key={s} x={x(s)} y={HEIGHT - 8} className={styles.tick}>
          {s < 600 ? `${s} s` : '10 min'}
        </text>
      ))}
      {leastMohm === null ? null : (
        <g>
          <line
            x1={LEFT}
            x2={width - right}
            y1={y(leastMohm)}
            y2={y(leastMohm)}
            className={styles.expected}
          />
          <text
            x={narrow ? LEFT + 4 : width - right + 8}
            y={y(leastMohm) + (narrow ? -5 : 4)}
            className={styles.value}
          >
            {words(leastMohm)} at least
          </text>
        </g>
      )}
      {curves.map((t) => (
        <g key={t.of}>
          <path d={path([...t.readings]) ?? ''} className={styles.cure} />
          {t.readings.map((r) => (
            <circle key={r.s} cx={x(r.s)} cy={y(r.mohm)} r="3.5" className={styles.point} />
          ))}
        </g>
      ))}
      {names.map((n) => (
        <text key={n.of} x={n.x + 10} y={n.at + 4} className={styles.name}>
          {n.of.split(' ')[0]}
        </text>
      ))}
    </svg>
  );
}
