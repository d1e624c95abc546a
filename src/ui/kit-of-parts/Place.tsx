import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';

interface Props {
  readonly title: ReactNode;
  /** What can be done with the whole place, beside its title. */
  readonly acts?: ReactNode;
  /** The way to it, where it lies below another place. */
  readonly way?: ReactNode;
  readonly lead?: ReactNode;
  readonly children: ReactNode;
}

/** A place of a job or of the product: one column that scrolls, its title with what can be done, and a sentence on what it is. */
export const Place = ({ title, acts, way, lead, children }: Props) => (
  <Box
    component="main"
    sx={{ flex: 1, minWidth: 0, overflowY: 'auto', p: { xs: '12px 14px 40px', md: '16px 28px 48px' } }}
  >
    {way}
    <Stack direction="row" sx={{ flexWrap: 'wrap', alignItems: 'center', gap: '2px 14px' }}>
      <Typography variant="h1">{title}</Typography>
      {acts}
    </Stack>
    {lead === undefined ? null : <Typography variant="lead">{lead}</Typography>}
    {children}
  </Box>
);
