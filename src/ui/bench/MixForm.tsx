'use client';
import type { MixRecord } from '@/core/record';
import { readTemperature } from '../compound-cure/station/clock-words';
import styles from './Bench.module.css';

export interface MixDraft {
  readonly batch: string;
  readonly expiry: string;
  readonly temp: string;
}

export const EMPTY_MIX: MixDraft = { batch: '', expiry: '', temp: '' };

/** The draft as a record, or null while something is missing. Whether the pack may be used is the server's to say. */
export function readMix(draft: MixDraft): MixRecord | null {
  const tempC = readTemperature(draft.temp);
  if (tempC === null || draft.batch.trim() === '' || draft.expiry === '') return null;
  return { batch: draft.batch.trim(), expiry: draft.expiry, tempC };
}

/** What stands on the pack, and how warm the work is. */
export function MixForm({
  value,
  onChange,
}: {
  readonly value: MixDraft;
  readonly onChange: (value: MixDraft) => void;
}) {
  return (
    <div className={styles.mix}>
      {(
        [
          ['batch', 'Batch on the pack', 'text'],
          ['expiry', 'Use by', 'date'],
          ['temp', 'Work, °C', 'text'],
        ] as const
      ).map(([key, label, type]) => (
        <label key={key}>
          {label}
          <input
            name={`mix-${key}`}
            type={type}
            inputMode={key === 'temp' ? 'decimal' : undefined}
            autoComplete="off"
            maxLength={40}
            value={value[key]}
            onChange={(e) => onChange({ ...value, [key]: e.target.value })}
          />
        </label>
      ))}
    </div>
  );
}
