import Box from '@mui/material/Box';
import type { ReactNode } from 'react';

interface Props {
  readonly title: ReactNode;
  readonly id?: string;
  /** Belongs to the line above it: no rule between. */
  readonly within?: boolean;
  readonly children: ReactNode;
}

/** What most who come here do not need. The browser's own fold: it is found by its search, and opens without a script. */
export const Folded = ({ title, id, within = false, children }: Props) => (
  <Box
    component="details"
    id={id}
    sx={within ? { mt: 0.5 } : { mt: 2, pt: 1.25, borderTop: '2px solid', borderColor: 'divider' }}
  >
    <Box component="summary" sx={{ minHeight: 28, fontWeight: 650, cursor: 'pointer' }}>
      {title}
    </Box>
    {children}
  </Box>
);
