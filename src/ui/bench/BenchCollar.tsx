import { arc as d3arc } from 'd3';
import { ARC_WORDS, type Arc } from '@/core/procedure';
import { STATION_WORDS, type ArcStation } from '@/core/record';
import { Collar } from '../collar/Collar';
import styles from './BenchCollar.module.css';

const centre = d3arc<{ from: number; to: number }>()
  .innerRadius(64)
  .outerRadius(64)
  .startAngle((d) => d.from)
  .endAngle((d) => d.to);

interface Props {
  readonly arcs: readonly Arc[];
  readonly active: ArcStation | null;
  readonly step: number;
  readonly steps: number;
  readonly onPick: (station: ArcStation) => void;
}

/** The collar, large: its arcs are the way about. The names stand outside the ring, where they cannot be cut off. */
export function BenchCollar({ arcs, active, step, steps, onPick }: Props) {
  return (
    <>
      <Unrolled arcs={arcs} active={active} onPick={onPick} />
      <div className={styles.wrap}>
        <div className={styles.ring}>
          <Collar arcs={arcs} size={160} active={active} />
          <div className={styles.count}>
            <b>{step}</b>
            <span>of {steps}</span>
          </div>
        </div>
        {arcs.map((a, i) => {
          const span = (2 * Math.PI) / arcs.length;
          const [x, y] = centre.centroid({ from: i * span, to: (i + 1) * span });
          return (
            <button
              key={a.station}
              type="button"
              className={styles.name}
              style={{ left: `${50 + x * 0.66}%`, top: `${50 + y * 0.68}%` }}
              aria-current={a.station === active ? 'step' : undefined}
              onClick={() => onPick(a.station)}
            >
              {STATION_WORDS[a.station]}
            </button>
          );
        })}
      </div>
    </>
  );
}

/** The collar unrolled into a thin bar, for a phone: the step gets the room. */
function Unrolled({ arcs, active, onPick }: Pick<Props, 'arcs' | 'active' | 'onPick'>) {
  return (
    <div className={styles.bar} role="group" aria-label="Stations">
      {arcs.map((a) => (
        <button
          key={a.station}
          type="button"
          data-state={a.state}
          aria-current={a.station === active ? 'step' : undefined}
          aria-label={`${STATION_WORDS[a.station]}, ${a.state === 'todo' && a.share > 0 ? `${Math.round(a.share * 100)} % done` : ARC_WORDS[a.state]}`}
          onClick={() => onPick(a.station)}
        >
          <span style={{ width: `${a.state === 'notNeeded' ? 0 : a.share * 100}%` }} />
        </button>
      ))}
    </div>
  );
}
