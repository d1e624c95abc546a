import { TextField } from './TextField';

interface Props<T extends string> {
  readonly label: string;
  readonly name?: string;
  readonly options: readonly (readonly [T, string])[];
  readonly value: T;
  readonly onChange: (value: T) => void;
  readonly error?: string | undefined;
  readonly disabled?: boolean;
  readonly width?: number | string;
}

/** One of a list that is too long to lie open. The device's own list: it suits a glove, a screen reader and a phone. */
export function Choice<T extends string>({ options, onChange, error, width, ...field }: Props<T>) {
  return (
    <TextField
      select
      {...field}
      error={error !== undefined}
      helperText={error}
      onChange={(e) => {
        const found = options.find(([value]) => value === e.target.value);
        if (found) onChange(found[0]);
      }}
      sx={{ width }}
    >
      {options.map(([value, words]) => (
        <option key={value} value={value}>
          {words}
        </option>
      ))}
    </TextField>
  );
}
