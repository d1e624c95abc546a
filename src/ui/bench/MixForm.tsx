'use client';
import { useController, useForm, type Control, type FieldPath } from 'react-hook-form';
import type { MixRecord } from '@/core/record';
import { Acts } from '../kit-of-parts/Acts';
import { DateField } from '../kit-of-parts/DateField';
import { problemsResolver } from '../kit-of-parts/form/schema-resolver';
import { PadField } from '../kit-of-parts/PadField';
import { Tray } from '../devices/Tray';
import { EMPTY_MIX, mixProblems, readMix, type MixDraft } from './mix-draft';

const THERMOMETER = ['thermometer'] as const;

interface Props {
  /** The record that it makes; null while something is missing. */
  readonly onChange: (mix: MixRecord | null) => void;
  /** With what its warmth was measured. */
  readonly instrument: string;
  readonly onInstrument: (name: string) => void;
}

/** What stands on the pack, and how warm the work is; what is wrong with it at its field. */
export function MixForm({ onChange, instrument, onInstrument }: Props) {
  const { control, getValues } = useForm<MixDraft>({
    defaultValues: EMPTY_MIX,
    resolver: problemsResolver(mixProblems),
    mode: 'onChange',
  });
  const changed = () => onChange(readMix(getValues()));
  const [batch, expiry, temp] = [
    useMixField(control, 'batch', changed),
    useMixField(control, 'expiry', changed),
    useMixField(control, 'temp', changed),
  ];
  return (
    <>
      <Acts top>
        <PadField name="mix-batch" label="Batch on the pack" kind="code" {...batch} />
        <DateField name="mix-expiry" label="Use by" {...expiry} />
        <PadField name="mix-temp" label="Work" kind="temperature" unit="°C" {...temp} />
        <PadField
          name="mix-thermometer"
          label="Measured with"
          kind="code"
          maxLength={60}
          placeholder="thermometer 2"
          value={instrument}
          onChange={onInstrument}
        />
      </Acts>
      <Tray
        kinds={THERMOMETER}
        onShown={({ text }, name) => {
          temp.onChange(text);
          if (name !== null) onInstrument(name);
        }}
      />
    </>
  );
}

/** One field of it: what stands there, how it changes, and what is wrong with it. */
function useMixField(control: Control<MixDraft>, name: FieldPath<MixDraft>, changed: () => void) {
  const {
    field: { value, onChange },
    fieldState: { error },
  } = useController({ control, name });
  return {
    value,
    onChange: (text: string) => {
      onChange(text);
      changed();
    },
    error: error !== undefined,
    ...(error?.message === undefined ? {} : { help: error.message }),
  };
}
