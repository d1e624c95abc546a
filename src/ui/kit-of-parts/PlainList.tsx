import Box from '@mui/material/Box';
import type { ReactNode } from 'react';

interface Props {
  readonly label?: string;
  /** Parted by thin rules, or only by their lines. */
  readonly ruled?: boolean;
  readonly children: ReactNode;
}

/** Lines without bullets. */
export const PlainList = ({ label, ruled = false, children }: Props) => (
  <Box
    component="ul"
    aria-label={label}
    sx={{
      listStyle: 'none',
      m: '8px 0',
      p: 0,
      ...(ruled ? { '& > li': { py: 0.75, borderBottom: '1px solid', borderColor: 'divider' } } : {}),
    }}
  >
    {children}
  </Box>
);
