import InputAdornment from '@mui/material/InputAdornment';
import { TextField } from './TextField';

export interface NumberField<K extends string> {
  readonly key: K;
  readonly name: string;
  readonly label: string;
  readonly unit: string;
}

interface Props<K extends string> {
  readonly fields: readonly NumberField<K>[];
  readonly values: Readonly<Record<K, string>>;
  readonly onChange: (values: Record<K, string>) => void;
  readonly width?: number;
  readonly error?: boolean;
}

/** A few numbers side by side, each with its label and its unit. Text is kept as typed; the owner reads it. */
export function NumberFields<K extends string>({
  fields,
  values,
  onChange,
  width = 148,
  error = false,
}: Props<K>) {
  return fields.map(({ key, name, label, unit }) => (
    <TextField
      key={key}
      name={name}
      label={label}
      value={values[key]}
      error={error}
      onChange={(e) => onChange({ ...values, [key]: e.target.value })}
      slotProps={{
        htmlInput: { inputMode: 'decimal' },
        input: { endAdornment: <InputAdornment position="end">{unit}</InputAdornment> },
      }}
      sx={{ width }}
    />
  ));
}
