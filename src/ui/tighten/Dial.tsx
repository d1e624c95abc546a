import type { StageMethod } from '@/core/catalogue';
import styles from './Dial.module.css';

const at = (angle: number, r: number) => [r * Math.sin(angle), -r * Math.cos(angle)] as const;
const arcPath = (from: number, to: number, r: number): string => {
  const [x1, y1] = at(from, r);
  const [x2, y2] = at(to, r);
  return `M${x1.toFixed(2)} ${y1.toFixed(2)} A${r} ${r} 0 ${to - from > Math.PI ? 1 : 0} 1 ${x2.toFixed(2)} ${y2.toFixed(2)}`;
};
const HEX = [0, 1, 2, 3, 4, 5]
  .map((i) =>
    at((i * Math.PI) / 3 + Math.PI / 6, 14)
      .map((v) => v.toFixed(1))
      .join(','),
  )
  .join(' ');
/** The wrench's scale runs over three quarters of the dial, from lower left to lower right. */
const SWEEP = 1.5 * Math.PI;

/**
 * A nut seen from its end: where the mark starts, which way it goes, where it ends and what may be missed. Turns show the last part of a
 * turn, whole ones are told by the words; torque shows its target on a wrench's scale. Neither becomes the other.
 */
export function Dial({ method }: { readonly method: StageMethod }) {
  if (method.kind === 'torque')
    return <TorqueDial targetNm={method.torqueNm ?? 0} toleranceNm={method.toleranceNm ?? 0} />;
  if (!method.turns) return null;
  const rest = method.turns - Math.floor(method.turns);
  const full = rest === 0;
  const angle = (full ? 1 : rest) * 2 * Math.PI;
  const slack = (method.turnsTolerance ?? 0) * 2 * Math.PI;
  const [ex, ey] = at(angle, 21);
  return (
    <svg
      className={styles.dial}
      viewBox="-30 -30 60 60"
      role="img"
      aria-label={`clockwise, the mark ends ${full ? 'where it began' : `${Math.round((angle * 180) / Math.PI)} degrees on`}${slack > 0 ? `, give or take ${Math.round((slack * 180) / Math.PI)} degrees` : ''}`}
    >
      {slack > 0 ? <path d={arcPath(angle - slack, angle + slack, 26)} className={styles.slack} /> : null}
      <polygon points={HEX} className={styles.nut} />
      {full ? (
        <circle r="21" className={styles.arc} />
      ) : (
        <path d={arcPath(0, angle, 21)} className={styles.arc} />
      )}
      <line x1="0" y1="-15" x2="0" y2="-27" className={styles.start} />
      <polygon
        points="-5,-4 5,0 -5,4"
        className={styles.head}
        transform={`translate(${ex.toFixed(2)} ${ey.toFixed(2)}) rotate(${((angle * 180) / Math.PI).toFixed(1)})`}
      />
    </svg>
  );
}

function TorqueDial({ targetNm, toleranceNm }: { readonly targetNm: number; readonly toleranceNm: number }) {
  // A scale that puts every target at two thirds, so that tolerances can be compared by eye.
  const full = targetNm * 1.5;
  const angleOf = (nm: number) => -SWEEP / 2 + (SWEEP * nm) / full;
  return (
    <svg
      className={styles.dial}
      viewBox="-30 -30 60 60"
      role="img"
      aria-label={`torque scale, target ${targetNm} newton metres, give or take ${toleranceNm}`}
    >
      <path d={arcPath(-SWEEP / 2, SWEEP / 2, 22)} className={styles.scale} />
      <path
        d={arcPath(angleOf(targetNm - toleranceNm), angleOf(targetNm + toleranceNm), 22)}
        className={styles.arc}
      />
      <line
        x1={at(angleOf(targetNm), 10)[0]}
        y1={at(angleOf(targetNm), 10)[1]}
        x2={at(angleOf(targetNm), 28)[0]}
        y2={at(angleOf(targetNm), 28)[1]}
        className={styles.start}
      />
    </svg>
  );
}
