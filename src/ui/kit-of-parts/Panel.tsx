import Box from '@mui/material/Box';
import type { ReactNode } from 'react';

interface Props {
  readonly label: string;
  /** Read out when what it says changes. */
  readonly live?: boolean;
  readonly stop?: boolean;
  readonly children: ReactNode;
}

/** Something that is weighed before it is done, in a frame of its own. */
export const Panel = ({ label, live = false, stop = false, children }: Props) => (
  <Box
    component="section"
    aria-label={label}
    aria-live={live ? 'polite' : undefined}
    sx={{
      my: 1.5,
      p: '8px 16px 10px',
      bgcolor: 'background.paper',
      border: '2px solid',
      borderColor: stop ? 'error.main' : 'text.primary',
      borderRadius: 1,
    }}
  >
    {children}
  </Box>
);
