import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';

interface Props {
  readonly title: ReactNode;
  /** What it is called where the title says more than its name. */
  readonly label?: string;
  readonly children: ReactNode;
}

/** A part of a place under a rule and its name. */
export const Section = ({ title, label, children }: Props) => (
  <Box
    component="section"
    aria-label={label ?? (typeof title === 'string' ? title : undefined)}
    sx={{ p: '10px 0 16px', borderTop: '2px solid', borderColor: 'text.primary' }}
  >
    <Typography variant="h2" sx={{ mb: 0.5 }}>
      {title}
    </Typography>
    {children}
  </Box>
);
