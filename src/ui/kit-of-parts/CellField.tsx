import InputBase, { type InputBaseProps } from '@mui/material/InputBase';

interface Props extends Omit<InputBaseProps, 'inputProps'> {
  /** A table's heads name its columns, not its fields. */
  readonly label: string;
  readonly width?: number;
  readonly inputMode?: 'text' | 'decimal' | 'numeric';
}

/** A field in a cell of a table: as flat as a line, its frame 2 px as of every field. */
export const CellField = ({ label, width = 96, inputMode = 'text', error = false, ...field }: Props) => (
  <InputBase
    autoComplete="off"
    {...field}
    error={error}
    slotProps={{ input: { 'aria-label': label, inputMode, 'aria-invalid': error } }}
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
);
