import { TextField } from '../TextField';
import { useController, type Control, type FieldPath, type FieldValues } from 'react-hook-form';

export interface Bound<T extends FieldValues> {
  readonly control: Control<T>;
  readonly name: FieldPath<T>;
  readonly label: string;
  readonly width?: number | string;
  readonly placeholder?: string;
  readonly maxLength?: number;
  readonly disabled?: boolean;
}

interface Props<T extends FieldValues> extends Bound<T> {
  /** Before a stroke is taken. */
  readonly onBefore?: () => void;
}

/** A line of text of a form, with what is wrong with it under it. */
export function FormText<T extends FieldValues>({
  control,
  name,
  label,
  width,
  maxLength,
  onBefore,
  ...rest
}: Props<T>) {
  const {
    field: { ref, value, onChange, ...field },
    fieldState: { error },
  } = useController({ control, name });
  return (
    <TextField
      {...rest}
      {...field}
      value={value ?? ''}
      onChange={(e) => {
        onBefore?.();
        onChange(e);
      }}
      inputRef={ref}
      label={label}
      error={error !== undefined}
      helperText={error?.message}
      slotProps={{ htmlInput: { maxLength } }}
      sx={{ width }}
    />
  );
}
