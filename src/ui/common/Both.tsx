'use client';
import type { LengthUnit } from '@/core/units';
import { useUnit } from './unit';
import styles from './Both.module.css';

/** A length in the unit shown first, the other one quiet beside it. */
export function Both({
  texts,
  stacked = false,
}: {
  readonly texts: Record<LengthUnit, string>;
  readonly stacked?: boolean;
}) {
  const { unit } = useUnit();
  const other = unit === 'mm' ? 'in' : 'mm';
  return (
    <span className={stacked ? styles.stacked : styles.inline}>
      <span className={styles.first}>{texts[unit]}</span>{' '}
      <span className={styles.second}>{texts[other]}</span>
    </span>
  );
}
