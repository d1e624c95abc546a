import { circuitsOf, lookOf } from '@/core/crossing';
import type { FrameRequest } from '@/core/frame-packing';
import styles from './Crossing.module.css';

/** What tells the circuits apart in the face view. */
export function Legend({ request }: { readonly request: FrameRequest }) {
  const circuits = circuitsOf(request);
  return (
    <ul className={styles.legend} aria-label="Circuits">
      {circuits.map((c) => {
        const { role, pattern } = lookOf(circuits, c);
        return (
          <li key={c}>
            <i className={styles.swatch} data-role={role} data-pattern={pattern} aria-hidden />{' '}
            {c === '' ? 'no circuit' : c}
          </li>
        );
      })}
      <li>
        <i className={styles.againMark} /> measure again
      </li>
    </ul>
  );
}
