import type { CutPlan } from '@/core/cut-back';
import styles from './MarkStrip.module.css';

/** Marks under which the armour comes to light. */
const OUTER: ReadonlySet<string> = new Set(['outerSheath', 'firstJacket', 'jacket']);

/** The piece of cable in front of the fitter, to scale: where this mark lies, and those that are already cut. */
export function MarkStrip({
  cut,
  markId,
  text,
}: {
  readonly cut: CutPlan;
  readonly markId: string;
  readonly text: string;
}) {
  const mark = cut.marks.find((m) => m.id === markId);
  // A cut made with the fitting on, or at each core's own end, has no place along the raw cable.
  if (!mark || mark.datum !== 'cableEnd') return null;
  const total = cut.consumedMm * 1.25;
  const x = (mm: number) => `${(((total - mm) / total) * 100).toFixed(2)}%`;
  const done = cut.marks.slice(0, cut.marks.indexOf(mark)).filter((m) => m.datum === 'cableEnd');
  return (
    <svg
      className={styles.strip}
      role="img"
      aria-label={`The mark lies ${text} from the cable end, which is at the right`}
    >
      <rect x="0" y="18" width="100%" height="46" className={styles.sheath} />
      {done.map((d) => (
        <rect
          key={d.id}
          x={x(d.atMm)}
          y={OUTER.has(d.id) ? 23 : 28}
          width={`${(d.atMm / total) * 100}%`}
          height={OUTER.has(d.id) ? 36 : 26}
          className={OUTER.has(d.id) && cut.armour ? styles.armour : styles.inner}
        />
      ))}
      <text x="0" y="12" className={styles.label}>
        drum side
      </text>
      <text x="100%" y="12" className={styles.labelEnd}>
        cable end
      </text>
      <line x1={x(mark.atMm)} x2={x(mark.atMm)} y1="6" y2="76" className={styles.mark} />
      <line x1={x(mark.atMm)} x2="100%" y1="92" y2="92" className={styles.dimension} />
      <line x1={x(mark.atMm)} x2={x(mark.atMm)} y1="84" y2="100" className={styles.dimension} />
      <line x1="100%" x2="100%" y1="84" y2="100" className={styles.dimension} />
    </svg>
  );
}
