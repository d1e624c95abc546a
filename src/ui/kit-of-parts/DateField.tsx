'use client';
import { AdapterDayjs } from '@mui/x-date-pickers/AdapterDayjs';
import { DatePicker } from '@mui/x-date-pickers/DatePicker';
import { LocalizationProvider } from '@mui/x-date-pickers/LocalizationProvider';
import dayjs from 'dayjs';

interface Props {
  readonly label: string;
  readonly name: string;
  /** As `2027-03-31`; empty while nobody has said. */
  readonly value: string;
  readonly onChange: (value: string) => void;
}

const FORM = 'YYYY-MM-DD';

/** A day, typed or picked. It goes out only when it is one. */
export const DateField = ({ label, name, value, onChange }: Props) => (
  <LocalizationProvider dateAdapter={AdapterDayjs}>
    <DatePicker
      label={label}
      format={FORM}
      value={value === '' ? null : dayjs(value)}
      onChange={(day) => onChange(day?.isValid() === true ? day.format(FORM) : '')}
      slotProps={{
        textField: { name, size: 'medium', sx: LOOK, slotProps: { inputLabel: { shrink: true } } },
      }}
    />
  </LocalizationProvider>
);

/** As the other fields are: the theme does not reach into the picker's own. */
const LOOK = {
  width: 210,
  '& .MuiPickersOutlinedInput-notchedOutline': { borderWidth: '2px !important', borderColor: 'divider' },
  '[data-bench] & .MuiPickersOutlinedInput-root': { minHeight: 60, fontSize: 24, fontWeight: 650 },
} as const;
