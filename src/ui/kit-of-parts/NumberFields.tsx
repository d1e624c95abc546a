import InputAdornment from '@mui/material/InputAdornment';
import TextField from '@mui/material/TextField';

export interface NumberField<K extends string> {
  readonly key: K;
  readonly name: string;
  readonly label: string;
  readonly unit: string;
}

interface Props<K extends string> {
  readonly fields: readonly NumberField<K>[];
  readonly values: Readonly<Record<K, string>>;
  readonly onChange: (values: Readonly<Record<K, string>>) => void;
}

/** A few numbers side by side, each with its label and its unit. Text is kept as typed; the owner reads it. */
export function NumberFields<K extends string>({ fields, values, onChange }: Props<K>) {
  return fields.map(({ key, name, label, unit }) => (
    <TextField
      key={key}
      name={name}
      label={label}
      size="small"
      autoComplete="off"
      value={values[key]}
      onChange={(e) => onChange({ ...values, [key]: e.target.value })}
      slotProps={{
        inputLabel: { shrink: true },
        htmlInput: { inputMode: 'decimal' },
        input: { endAdornment: <InputAdornment position="end">{unit}</InputAdornment> },
      }}
      sx={{ width: 148 }}
    />
  ));
}
