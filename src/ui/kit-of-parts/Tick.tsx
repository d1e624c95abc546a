import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import type { ReactNode } from 'react';

interface Props {
  readonly label: ReactNode;
  readonly name?: string;
  readonly checked: boolean;
  readonly disabled?: boolean;
  readonly onChange: (checked: boolean) => void;
}

/** Something that is so or not. */
export const Tick = ({ label, checked, onChange, ...box }: Props) => (
  <FormControlLabel
    label={label}
    control={<Checkbox {...box} checked={checked} onChange={(e) => onChange(e.target.checked)} />}
  />
);
