import { arc as d3arc } from 'd3';
import { ARC_WORDS, type Arc } from '@/core/procedure';
import { STATION_WORDS, type ArcStation } from '@/core/record';
import styles from './Collar.module.css';

const TURN = 2 * Math.PI;
const GAP = 0.13;

interface Props {
  readonly arcs: readonly Arc[];
  readonly size: number;
  /** Station that is being looked at; its arc gets a rim. */
  readonly active?: ArcStation | null;
  readonly label?: boolean;
}

const slice = (index: number, count: number) => {
  const step = TURN / count;
  return { from: index * step + GAP / 2, to: (index + 1) * step - GAP / 2 };
};

const path = d3arc<{ inner: number; outer: number; from: number; to: number }>()
  .innerRadius((d) => d.inner)
  .outerRadius((d) => d.outer)
  .startAngle((d) => d.from)
  .endAngle((d) => d.to);

const shape = (inner: number, outer: number, from: number, to: number) =>
  path({ inner, outer, from, to }) ?? '';

/** One sentence for the whole ring, for those who hear the page. */
export const collarWords = (arcs: readonly Arc[]): string =>
  arcs
    .map(
      (a) =>
        `${STATION_WORDS[a.station]} ${a.state === 'todo' && a.share > 0 ? `${Math.round(a.share * 100)} % done` : ARC_WORDS[a.state]}`,
    )
    .join(', ');

/**
 * The product's sign: a ring of seven arcs that fills as the stations are done. Each state has a shape of its own, so that it is
 * read without colour: solid, dashed, gap with a bar, notch, inner line, hatched rim, dotted.
 */
export function Collar({ arcs, size, active = null, label = true }: Props) {
  const outer = 48;
  const inner = 31;
  return (
    <svg
      className={styles.collar}
      width={size}
      height={size}
      viewBox="-50 -50 100 100"
      role={label ? 'img' : undefined}
      aria-hidden={label ? undefined : true}
      aria-label={label ? collarWords(arcs) : undefined}
    >
      {arcs.map((a, i) => {
        const { from, to } = slice(i, arcs.length);
        return (
          <g key={a.station} className={active === a.station ? styles.active : undefined}>
            <ArcShape arc={a} from={from} to={to} inner={inner} outer={outer} />
          </g>
        );
      })}
    </svg>
  );
}

interface ShapeProps {
  readonly arc: Arc;
  readonly from: number;
  readonly to: number;
  readonly inner: number;
  readonly outer: number;
}

function ArcShape({ arc, from, to, inner, outer }: ShapeProps) {
  const full = shape(inner, outer, from, to);
  const middle = (from + to) / 2;
  switch (arc.state) {
    case 'done':
      return <path className={styles.fill} d={full} />;
    case 'provisional': {
      const parts = 4;
      const step = (to - from) / parts;
      return (
        <>
          {Array.from({ length: parts }, (_, i) => (
            <path
              key={i}
              className={styles.fill}
              d={shape(inner, outer, from + i * step + step * 0.14, from + (i + 1) * step - step * 0.14)}
            />
          ))}
        </>
      );
    }
    case 'blocked': {
      const width = (to - from) * 0.3;
      return (
        <>
          <path className={styles.track} d={shape(inner, outer, from, middle - width)} />
          <path className={styles.track} d={shape(inner, outer, middle + width, to)} />
          <path className={styles.stop} d={shape(inner - 3, outer + 2, middle - 0.07, middle + 0.07)} />
        </>
      );
    }
    case 'hold': {
      const done = from + (to - from) * arc.share;
      return (
        <>
          <path className={styles.track} d={full} />
          {arc.share > 0 ? <path className={styles.fill} d={shape(inner, outer, from, done)} /> : null}
          <path
            className={styles.hold}
            d={shape(inner - 3, inner + (outer - inner) * 0.62, done - 0.11, done + 0.11)}
          />
        </>
      );
    }
    case 'stale':
      return (
        <>
          <path className={styles.rim} d={shape(inner + 2, outer - 2, from + 0.03, to - 0.03)} />
          <path className={styles.stale} d={shape(inner + 6.5, outer - 6.5, from + 0.1, to - 0.1)} />
        </>
      );
    case 'notNeeded':
      return (
        <path
          className={styles.none}
          d={shape((inner + outer) / 2 - 2.5, (inner + outer) / 2 + 2.5, from, to)}
        />
      );
    case 'waiting':
      return (
        <>
          <path className={styles.track} d={full} />
          <path className={styles.fill} d={shape(inner, inner + 5, from, to)} />
        </>
      );
    case 'todo':
      return (
        <>
          <path className={styles.track} d={full} />
          {arc.share > 0 ? (
            <path className={styles.fill} d={shape(inner, outer, from, from + (to - from) * arc.share)} />
          ) : null}
        </>
      );
  }
}
