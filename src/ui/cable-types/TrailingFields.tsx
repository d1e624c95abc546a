'use client';
import { useState } from 'react';
import { useController, useWatch, type Control } from 'react-hook-form';
import type { CableType } from '@/core/schedule';
import { Acts } from '../kit-of-parts/Acts';
import { FormNumber } from '../kit-of-parts/form/FormNumber';
import { TextField } from '../kit-of-parts/TextField';

/** What only a trailing cable with screened phases has; nothing for any other. */
export function TrailingFields({ control }: { readonly control: Control<CableType> }) {
  const trailing = useWatch({ control, name: 'construction' }) === 'screenedTrailing';
  return trailing ? <Fields control={control} /> : null;
}

const Fields = ({ control }: { readonly control: Control<CableType> }) => (
  <Acts top>
    <Colours control={control} />
    <FormNumber control={control} name="earthCores" label="Earth cores" empty={undefined} width={120} />
    <FormNumber control={control} name="pilotCores" label="Pilot cores" empty={undefined} width={120} />
  </Acts>
);

function Colours({ control }: { readonly control: Control<CableType> }) {
  const { field, fieldState } = useController({ control, name: 'phaseColours' });
  const [text, setText] = useState((field.value ?? []).join(' '));
  return (
    <TextField
      label="Colours of the phases"
      value={text}
      placeholder="BN BK GY"
      onChange={(e) => {
        setText(e.target.value);
        const colours = e.target.value.split(/[\s,;]+/).filter((c) => c !== '');
        field.onChange(colours.length === 0 ? undefined : colours);
      }}
      error={fieldState.error !== undefined}
      helperText={fieldState.error?.message}
      sx={{ width: 220 }}
    />
  );
}
