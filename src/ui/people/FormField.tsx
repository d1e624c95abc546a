'use client';
import { useController, type Control, type FieldPath, type FieldValues } from 'react-hook-form';
import { TextField, type TextFieldProps } from '../kit-of-parts/TextField';

interface Props<T extends FieldValues> {
  readonly control: Control<T>;
  readonly name: FieldPath<T>;
  readonly label: string;
  readonly help?: string;
  readonly type?: 'password';
  readonly autoComplete: string;
  readonly autoFocus?: boolean;
  /** Brings up digits on a touch screen. */
  readonly numeric?: boolean;
}

/** A field of a form at the door, with what is wrong in it below. Password managers know it by `autoComplete`. */
export function FormField<T extends FieldValues>({
  control,
  name,
  help,
  numeric = false,
  ...field
}: Props<T>) {
  const {
    field: { ref, ...input },
    fieldState: { error },
  } = useController({ control, name });
  const said: TextFieldProps['helperText'] = error?.message ?? help;
  return (
    <TextField
      {...field}
      {...input}
      inputRef={ref}
      fullWidth
      error={error !== undefined}
      helperText={said}
      slotProps={numeric ? { htmlInput: { inputMode: 'numeric' } } : {}}
      sx={{ mb: 2 }}
    />
  );
}
