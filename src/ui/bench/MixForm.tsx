'use client';
import type { MixRecord } from '@/core/record';
import { PadField } from '../kit-of-parts/PadField';
import { readTemperature } from '../compound-cure/station/clock-words';
import { Acts } from '../kit-of-parts/Acts';
import dynamic from 'next/dynamic';

// Only a step that mixes asks for a day.
const DateField = dynamic(() => import('../kit-of-parts/DateField').then((m) => m.DateField), { ssr: false });

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
    <Acts>
      <PadField
        name="mix-batch"
        label="Batch on the pack"
        kind="code"
        value={value.batch}
        onChange={(batch) => onChange({ ...value, batch })}
      />
      <DateField
        name="mix-expiry"
        label="Use by"
        value={value.expiry}
        onChange={(expiry) => onChange({ ...value, expiry })}
      />
      <PadField
        name="mix-temp"
        label="Work"
        kind="temperature"
        unit="°C"
        value={value.temp}
        onChange={(temp) => onChange({ ...value, temp })}
      />
    </Acts>
  );
}
