import type { Problem } from '@/core/kernel';
import styles from './Caution.module.css';

/** What is wrong, each line with its place when it has one. */
export function Problems({ problems, id }: { readonly problems: readonly Problem[]; readonly id?: string }) {
  if (problems.length === 0) return null;
  return (
    <div className={styles.caution} role="alert" id={id}>
      {problems.map((p) => (
        <div key={`${p.path} ${p.message}`}>{p.message}</div>
      ))}
    </div>
  );
}
