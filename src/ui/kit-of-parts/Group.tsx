import Box from '@mui/material/Box';
import type { ReactNode } from 'react';

interface Props {
  readonly title: ReactNode;
  readonly children: ReactNode;
}

/** Fields that belong together, under their name. */
export const Group = ({ title, children }: Props) => (
  <Box
    component="fieldset"
    sx={{
      minWidth: 0,
      m: '16px 0 0',
      p: '8px 0',
      border: 0,
      borderTop: '2px solid',
      borderColor: 'text.primary',
    }}
  >
    <Box component="legend" sx={{ pr: 1.25, pl: 0, fontWeight: 700 }}>
      {title}
    </Box>
    {children}
  </Box>
);
