'use client';
import { AdapterDayjs } from '@mui/x-date-pickers/AdapterDayjs';
import { DatePicker } from '@mui/x-date-pickers/DatePicker';
import { LocalizationProvider } from '@mui/x-date-pickers/LocalizationProvider';
import dayjs, { type Dayjs } from 'dayjs';
import { useState } from 'react';

interface Props {
  readonly label: string;
  readonly name: string;
  /** As `2027-03-31`; empty while nobody has said. */
  readonly value: string;
  readonly onChange: (value: string) => void;
  readonly error?: boolean;
  readonly help?: string;
}

const FORM = 'YYYY-MM-DD';
const dayOf = (value: string): Dayjs | null => (value === '' ? null : dayjs(value));
const textOf = (day: Dayjs | null): string => (day?.isValid() === true ? day.format(FORM) : '');

/**
 * A day, typed or picked. It goes out only when it is one; while it is typed over, what is none yet (the month after its first 0) stays in the
 * field as it is.
 */
export function DateField({ label, name, value, onChange, error = false, help }: Props) {
  const [typed, setTyped] = useState(() => dayOf(value));
  return (
    <LocalizationProvider dateAdapter={AdapterDayjs}>
      <DatePicker
        label={label}
        format={FORM}
        value={textOf(typed) === value ? typed : dayOf(value)}
        onChange={(day) => {
          setTyped(day);
          onChange(textOf(day));
        }}
        slotProps={{
          textField: {
            name,
            size: 'medium',
            error,
            helperText: help,
            sx: LOOK,
            slotProps: { inputLabel: { shrink: true } },
          },
        }}
      />
    </LocalizationProvider>
  );
}

/** As the other fields are: the theme does not reach into the picker's own. */
const LOOK = {
  width: 210,
  '[data-bench] &': { width: 264 },
  '& .MuiPickersOutlinedInput-notchedOutline': { borderWidth: '2px !important', borderColor: 'divider' },
  '[data-bench] & .MuiPickersOutlinedInput-root': { minHeight: 60, fontSize: 24, fontWeight: 650 },
} as const;
