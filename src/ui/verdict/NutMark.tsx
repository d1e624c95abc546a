import type { Verdict } from '@/core/gland-selection';
import styles from './NutMark.module.css';

const HEX = [0, 60, 120, 180, 240, 300].map((deg) => {
  const a = (deg * Math.PI) / 180;
  return [10 * Math.cos(a), 10 * Math.sin(a)] as const;
});
const points = HEX.map(([x, y]) => `${x.toFixed(2)},${y.toFixed(2)}`).join(' ');
const lowerHalf = '10,0 5,8.66 -5,8.66 -10,0';

export const VERDICT_WORDS: Readonly<Record<Verdict, string>> = {
  fits: 'fits',
  marginal: 'marginal',
  unknown: 'not measured',
  misfit: 'does not fit',
};

/** The verdict as a hexagon nut: filled, half filled, hollow with a bar, hollow with a dot; a dashed rim when provisional. Always beside a word. */
export function NutMark({
  verdict,
  provisional = false,
  size = 20,
}: {
  readonly verdict: Verdict;
  readonly provisional?: boolean;
  readonly size?: number;
}) {
  return (
    <svg
      className={`${styles.nut} ${styles[verdict]}`}
      width={size}
      height={size}
      viewBox="-12 -12 24 24"
      aria-hidden="true"
    >
      <polygon
        className={verdict === 'fits' ? styles.solid : styles.hollow}
        points={points}
        strokeDasharray={provisional ? '3.4 2.4' : undefined}
      />
      {verdict === 'fits' ? <circle className={styles.hole} r="3.6" /> : null}
      {verdict === 'marginal' ? <polygon className={styles.solid} points={lowerHalf} /> : null}
      {verdict === 'misfit' ? (
        <rect className={styles.solid} x="-5.2" y="-1.4" width="10.4" height="2.8" />
      ) : null}
      {verdict === 'unknown' ? <circle className={styles.solid} r="2.4" /> : null}
    </svg>
  );
}
