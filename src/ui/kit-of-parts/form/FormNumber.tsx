import InputAdornment from '@mui/material/InputAdornment';
import { TextField } from '../TextField';
import { useController, type FieldValues } from 'react-hook-form';
import type { Bound } from './FormText';
import { useNumberText } from './use-number-text';

interface Props<T extends FieldValues> extends Bound<T> {
  readonly unit?: string;
  /** 100 for a share that is shown in per cent. */
  readonly scale?: number;
  /** What an empty field stands for. */
  readonly empty?: null | undefined;
  /** Its label stands beside it already. */
  readonly hiddenLabel?: boolean;
  /** Before a stroke is taken. */
  readonly onBefore?: () => void;
}

/** A number of a form, typed with either decimal sign. */
export function FormNumber<T extends FieldValues>(props: Props<T>) {
  const {
    control,
    name,
    label,
    width,
    unit,
    scale,
    empty,
    placeholder,
    disabled,
    hiddenLabel = false,
    onBefore,
  } = props;
  const {
    field: { ref, value, onChange, onBlur },
    fieldState: { error },
  } = useController({ control, name });
  const { text, type } = useNumberText(value, onChange, empty, scale);
  return (
    <TextField
      name={name}
      value={text}
      onChange={(e) => {
        onBefore?.();
        type(e.target.value);
      }}
      onBlur={onBlur}
      inputRef={ref}
      {...(hiddenLabel ? {} : { label })}
      placeholder={placeholder}
      disabled={disabled ?? false}
      error={error !== undefined}
      helperText={error?.message}
      slotProps={{
        htmlInput: { inputMode: 'decimal', ...(hiddenLabel ? { 'aria-label': label } : {}) },
        input:
          unit === undefined ? {} : { endAdornment: <InputAdornment position="end">{unit}</InputAdornment> },
      }}
      sx={{ width }}
    />
  );
}
