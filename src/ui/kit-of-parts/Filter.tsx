import { TextField } from './TextField';

interface Props {
  readonly label: string;
  /** What it is called by whoever looks for it: `/` goes to the one that is in sight. */
  readonly name: string;
  readonly placeholder: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
  readonly width?: number | string;
}

/** Narrows a list down while it is typed. */
export const Filter = ({ label, name, placeholder, value, onChange, width = 300 }: Props) => (
  <TextField
    type="search"
    value={value}
    onChange={(e) => onChange(e.target.value)}
    placeholder={placeholder}
    slotProps={{ htmlInput: { 'aria-label': label, 'data-filter': name } }}
    sx={{ width, maxWidth: '100%' }}
  />
);
