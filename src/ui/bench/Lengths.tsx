'use client';
import type { Acceptance } from '@/core/record';
import { trimNumber } from '@/core/units';
import { readNumber } from '../common/Fields';
import styles from './Bench.module.css';

/** What was typed for each length, by its key. */
export type TypedLengths = Readonly<Record<string, string>>;

/** The typed lengths as numbers; what was left empty is left out, what cannot be read is refused by the server with its field. */
export const readLengths = (typed: TypedLengths): Record<string, number> =>
  Object.fromEntries(
    Object.entries(typed)
      .filter(([, text]) => text.trim() !== '')
      .map(([key, text]) => [key, readNumber(text)]),
  );

/** Fields for the lengths that a step asks for, each with its span, and with what they were measured. */
export function Lengths({
  accepts,
  typed,
  instrument,
  onType,
  onInstrument,
}: {
  readonly accepts: readonly Acceptance[];
  readonly typed: TypedLengths;
  readonly instrument: string;
  readonly onType: (key: string, text: string) => void;
  readonly onInstrument: (text: string) => void;
}) {
  return (
    <div className={styles.lengths}>
      {accepts.map(({ key, label, minMm, maxMm, needed }) => (
        <label key={key} className={styles.accept}>
          <span className={styles.acceptName}>
            {label}, as measured{needed === undefined ? '' : ' (needed)'}
          </span>
          <input
            className={styles.asCut}
            name={`measured-${key}`}
            inputMode="decimal"
            autoComplete="off"
            value={typed[key] ?? ''}
            onChange={(e) => onType(key, e.target.value)}
          />
          <span>
            mm, {trimNumber(minMm, 2)}–{trimNumber(maxMm, 2)} asked for
            {needed === undefined ? '' : `: ${needed}`}
          </span>
        </label>
      ))}
      <label className={styles.accept}>
        <span className={styles.acceptName}>Measured with</span>
        <input
          className={styles.instrument}
          name="instrument"
          autoComplete="off"
          maxLength={60}
          placeholder="caliper 12, feeler set 3"
          value={instrument}
          onChange={(e) => onInstrument(e.target.value)}
        />
      </label>
    </div>
  );
}
