import FormHelperText from '@mui/material/FormHelperText';
import InputBase, { type InputBaseProps } from '@mui/material/InputBase';
import { useId } from 'react';

interface Props extends Omit<InputBaseProps, 'inputProps'> {
  /** A table's heads name its columns, not its fields. */
  readonly label: string;
  readonly width?: number;
  readonly inputMode?: 'text' | 'decimal' | 'numeric';
  /** What is wrong, where nothing else on the page says it. */
  readonly helperText?: string | undefined;
}

/** A field in a cell of a table: as flat as a line, its frame 2 px as of every field. */
export function CellField({
  label,
  width = 96,
  inputMode = 'text',
  error = false,
  helperText,
  ...field
}: Props) {
  const said = useId();
  return (
    <>
      <InputBase
        autoComplete="off"
        {...field}
        error={error}
        slotProps={{
          input: {
            'aria-label': label,
            inputMode,
            'aria-invalid': error,
            ...(helperText === undefined ? {} : { 'aria-describedby': said }),
          },
        }}
        sx={{
          width,
          height: 34,
          px: 1,
          fontSize: 'inherit',
          bgcolor: 'background.paper',
          border: '2px solid',
          borderColor: error ? 'error.main' : 'divider',
          borderRadius: 1,
          '&:hover': { borderColor: error ? 'error.main' : 'text.secondary' },
          '&.Mui-focused': { borderColor: 'info.main' },
          '& input': { p: 0 },
        }}
      />
      {helperText === undefined ? null : (
        <FormHelperText id={said} error={error} sx={{ m: 0, maxWidth: 120, whiteSpace: 'normal' }}>
          {helperText}
        </FormHelperText>
      )}
    </>
  );
}
