'use client';
import Box from '@mui/material/Box';
import InputAdornment from '@mui/material/InputAdornment';
import { TextField } from './TextField';
import useMediaQuery from '@mui/material/useMediaQuery';
import { useState, type ReactNode } from 'react';
import { Keypad, type PadKind } from './Keypad';

interface Props {
  readonly label: ReactNode;
  readonly name: string;
  readonly value: string;
  readonly onChange: (text: string) => void;
  readonly kind?: PadKind;
  readonly unit?: string;
  readonly help?: string;
  readonly error?: boolean;
  readonly placeholder?: string;
  readonly maxLength?: number;
  readonly onEnter?: () => void;
  /** What is typed is not shown. */
  readonly secret?: boolean;
}

/**
 * A field of the bench. Under a finger it brings its own keys, large enough for a glove, in place of the device's, which would cover half of
 * the step; with a keyboard it is a field like any other.
 */
export function PadField({ kind = 'length', onChange, onEnter, ...field }: Props) {
  const finger = useMediaQuery('(pointer: coarse)');
  const [here, setHere] = useState(false);
  return (
    <Box sx={{ display: 'grid', gap: 1 }}>
      <TextField
        label={field.label}
        type={field.secret === true ? 'password' : 'text'}
        name={field.name}
        value={field.value}
        onChange={(e) => onChange(e.target.value)}
        onFocus={() => setHere(true)}
        onBlur={() => setHere(false)}
        onKeyDown={(e) => {
          if (e.key === 'Enter') onEnter?.();
        }}
        error={field.error ?? false}
        helperText={field.help}
        placeholder={field.placeholder}
        autoComplete="off"
        size="medium"
        slotProps={{
          inputLabel: { shrink: true },
          htmlInput: {
            inputMode: finger ? 'none' : kind === 'code' ? 'text' : 'decimal',
            maxLength: field.maxLength ?? 40,
          },
          input:
            field.unit === undefined
              ? {}
              : { endAdornment: <InputAdornment position="end">{field.unit}</InputAdornment> },
        }}
      />
      {finger && here ? <Keypad kind={kind} value={field.value} onChange={onChange} /> : null}
    </Box>
  );
}
