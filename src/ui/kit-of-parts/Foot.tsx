import Box from '@mui/material/Box';
import type { ReactNode } from 'react';

interface Props {
  readonly label: string;
  /** What stands in the way, or how it stands. */
  readonly children: ReactNode;
  readonly action: ReactNode;
}

/** What would be done with a long form, and the button for it, always in sight. Read out when it changes. */
export const Foot = ({ label, children, action }: Props) => (
  <Box
    component="section"
    aria-label={label}
    aria-live="polite"
    sx={{
      position: 'sticky',
      zIndex: 2,
      bottom: { xs: -40, md: -48 },
      display: 'flex',
      flexWrap: { xs: 'wrap', sm: 'nowrap' },
      alignItems: 'flex-end',
      justifyContent: 'space-between',
      gap: 2.5,
      mt: 2.25,
      p: '10px 0 14px',
      bgcolor: 'background.default',
      borderTop: '2px solid',
      borderColor: 'text.primary',
    }}
  >
    <div>{children}</div>
    <Box sx={{ flex: 'none' }}>{action}</Box>
  </Box>
);
