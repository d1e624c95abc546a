'use client';
import styles from './Keypad.module.css';

const KEYS = ['7', '8', '9', '4', '5', '6', '1', '2', '3', '.', '0', '/'] as const;

/** Digits large enough for a glove; the space parts whole inches from their fraction. */
export function Keypad({
  value,
  onChange,
}: {
  readonly value: string;
  readonly onChange: (value: string) => void;
}) {
  return (
    <div className={styles.pad} role="group" aria-label="Keypad">
      {KEYS.map((key) => (
        <button key={key} type="button" className={styles.key} onClick={() => onChange(value + key)}>
          {key}
        </button>
      ))}
      <button type="button" className={styles.key} onClick={() => onChange(`${value} `)} aria-label="space">
        ␣
      </button>
      <button type="button" className={styles.wide} onClick={() => onChange(value.slice(0, -1))}>
        Delete
      </button>
    </div>
  );
}
