import Stack from '@mui/material/Stack';
import type { ReactNode } from 'react';

interface Props {
  readonly label?: string;
  /** On the line of text that they follow, or with room above and below. */
  readonly tight?: boolean;
  /** Some of them say something below themselves: their upper edges are in line. */
  readonly top?: boolean;
  readonly children: ReactNode;
}

/** Buttons, fields and links side by side, folded where there is no room. */
export const Acts = ({ label, tight = false, top = false, children }: Props) => (
  <Stack
    direction="row"
    role={label === undefined ? undefined : 'group'}
    aria-label={label}
    sx={{
      flexWrap: 'wrap',
      alignItems: top ? 'flex-start' : 'center',
      gap: '14px 12px',
      my: tight ? 0 : 1.25,
    }}
  >
    {children}
  </Stack>
);
