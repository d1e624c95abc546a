'use client';
import type { Acceptance } from '@/core/record';
import { trimNumber } from '@/core/units';
import { readNumber } from '../common/read-number';
import { PadField } from '../kit-of-parts/PadField';
import Stack from '@mui/material/Stack';

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
    <Stack sx={{ gap: 1.25 }}>
      {accepts.map(({ key, label, minMm, maxMm, needed }) => (
        <PadField
          key={key}
          name={`measured-${key}`}
          label={`${label}, as measured${needed === undefined ? '' : ' (needed)'}`}
          unit="mm"
          help={`${trimNumber(minMm, 2)}–${trimNumber(maxMm, 2)} mm asked for${needed === undefined ? '' : `: ${needed}`}`}
          value={typed[key] ?? ''}
          onChange={(text) => onType(key, text)}
        />
      ))}
      <PadField
        name="instrument"
        label="Measured with"
        kind="code"
        maxLength={60}
        placeholder="caliper 12, feeler set 3"
        value={instrument}
        onChange={onInstrument}
      />
    </Stack>
  );
}
