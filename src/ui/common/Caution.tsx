import type { ReactNode } from 'react';
import styles from './Caution.module.css';

/** One line where the hand is, with a bar so that it is seen without colour too. */
export function Caution({
  children,
  tone = 'stop',
}: {
  readonly children: ReactNode;
  readonly tone?: 'stop' | 'hold' | 'marginal';
}) {
  return (
    <div className={`${styles.caution} ${styles[tone]}`} role="note">
      {children}
    </div>
  );
}
