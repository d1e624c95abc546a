'use client';
import { useState } from 'react';
import { useController, type Control } from 'react-hook-form';
import { readCoreNames, writeCoreNames, type CableType, type CoreNames } from '@/core/schedule';
import { TextField } from '../kit-of-parts/TextField';

/** What cannot be read is kept as one name that no core has, so that nothing is saved while it stands there. */
const unreadable = (text: string): CoreNames => [{ name: text, use: 'power' }];

/** What the cores are called, and which of them is earth or pilot. */
export function CoreNamesField({ control }: { readonly control: Control<CableType> }) {
  const { field, fieldState } = useController({ control, name: 'coreNames' });
  const [text, setText] = useState(field.value === undefined ? '' : writeCoreNames(field.value));
  const read = readCoreNames(text);
  const wrong = read.ok ? fieldState.error?.message : read.problems[0]?.message;
  return (
    <TextField
      label="Names of the cores"
      value={text}
      placeholder="BN BK GY GNYE=earth"
      onChange={(e) => {
        setText(e.target.value);
        const names = readCoreNames(e.target.value);
        if (!names.ok) field.onChange(unreadable(e.target.value));
        else field.onChange(names.value.length > 0 ? names.value : undefined);
      }}
      error={wrong !== undefined}
      helperText={wrong}
      sx={{ width: 420, maxWidth: '100%' }}
    />
  );
}
