'use client';
import FormControl from '@mui/material/FormControl';
import FormHelperText from '@mui/material/FormHelperText';
import InputLabel, { type InputLabelProps } from '@mui/material/InputLabel';
import NativeSelect from '@mui/material/NativeSelect';
import OutlinedInput, { type OutlinedInputProps } from '@mui/material/OutlinedInput';
import type { SxProps } from '@mui/material/styles';
import { useId, type ReactNode } from 'react';

interface Slots {
  readonly htmlInput?: object;
  readonly input?: Omit<OutlinedInputProps, 'ref'> & { readonly ref?: React.Ref<unknown> };
  readonly inputLabel?: Partial<InputLabelProps>;
}

type Passed = Pick<
  OutlinedInputProps,
  | 'name'
  | 'value'
  | 'defaultValue'
  | 'onChange'
  | 'onBlur'
  | 'onFocus'
  | 'onKeyDown'
  | 'placeholder'
  | 'type'
  | 'inputRef'
  | 'autoFocus'
>;

export interface TextFieldProps extends Passed {
  readonly id?: string;
  readonly label?: ReactNode;
  readonly error?: boolean;
  readonly helperText?: ReactNode;
  readonly disabled?: boolean;
  readonly fullWidth?: boolean;
  readonly size?: 'small' | 'medium' | undefined;
  readonly autoComplete?: string;
  /** The device's own list of `children`. */
  readonly select?: boolean;
  readonly children?: ReactNode;
  readonly slotProps?: Slots;
  readonly sx?: SxProps;
}

/**
 * A field with its label above what stands in it, and what is to be said of it below. Put together from the parts of the library's own text field,
 * without the menu of lists that it carries for a kind of list which nothing here uses: it would come with every page.
 */
export function TextField({
  label,
  helperText,
  slotProps = {},
  sx = {},
  children,
  ...props
}: TextFieldProps) {
  const made = useId();
  const {
    id = made,
    error = false,
    disabled = false,
    fullWidth = false,
    size = 'small',
    select,
    ...input
  } = props;
  const helpId = helperText ? `${id}-help` : undefined;
  const frame = (
    <OutlinedInput
      id={id}
      autoComplete="off"
      notched={label !== undefined}
      label={label}
      {...input}
      {...(slotProps.input as OutlinedInputProps | undefined)}
      slotProps={{ input: { 'aria-describedby': helpId, ...slotProps.htmlInput } }}
    />
  );
  return (
    <FormControl size={size} error={error} disabled={disabled} fullWidth={fullWidth} sx={sx}>
      {label === undefined ? null : (
        <InputLabel htmlFor={id} {...slotProps.inputLabel} shrink>
          {label}
        </InputLabel>
      )}
      {select ? (
        <NativeSelect id={id} input={frame}>
          {children}
        </NativeSelect>
      ) : (
        frame
      )}
      {helperText ? <FormHelperText id={helpId ?? ''}>{helperText}</FormHelperText> : null}
    </FormControl>
  );
}
