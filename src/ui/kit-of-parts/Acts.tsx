import Stack from '@mui/material/Stack';
import type { ReactNode } from 'react';

interface Props {
  readonly label?: string;
  /** On the line of text that they follow, or with room above and below. */
  readonly tight?: boolean;
  readonly children: ReactNode;
}

/** Buttons, fields and links side by side, folded where there is no room. */
export const Acts = ({ label, tight = false, children }: Props) => (
  <Stack
    direction="row"
    role={label === undefined ? undefined : 'group'}
    aria-label={label}
    sx={{ flexWrap: 'wrap', alignItems: 'center', gap: '8px 12px', my: tight ? 0 : 1.25 }}
  >
    {children}
  </Stack>
);
