import styles from './Segments.module.css';

/** A few ways to look at one thing, side by side; the one in use is filled. */
export function Segments<T extends string>({
  label,
  options,
  value,
  onChange,
}: {
  readonly label: string;
  readonly options: readonly (readonly [T, string])[];
  readonly value: T;
  readonly onChange: (value: T) => void;
}) {
  return (
    <div className={styles.segments} role="group" aria-label={label}>
      {options.map(([id, title]) => (
        <button
          key={id}
          type="button"
          className={styles.segment}
          aria-pressed={id === value}
          onClick={() => onChange(id)}
        >
          {title}
        </button>
      ))}
    </div>
  );
}
