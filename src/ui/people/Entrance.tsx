'use client';
import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { Mark } from '../shell/Mark';

interface Props {
  readonly title: string;
  readonly lead: ReactNode;
  readonly children: ReactNode;
}

/** A page before anybody is signed in: the sign, what is asked for, and nothing else. */
export const Entrance = ({ title, lead, children }: Props) => (
  <Box
    component="main"
    sx={{
      minHeight: '100dvh',
      display: 'grid',
      placeItems: 'start center',
      p: { xs: '24px 16px', sm: '9vh 24px 40px' },
    }}
  >
    <Box sx={{ width: '100%', maxWidth: 520 }}>
      <Stack direction="row" sx={{ alignItems: 'center', gap: 1.5, mb: 3 }}>
        <Mark size={44} />
        <Typography component="span" sx={{ fontSize: 22, fontWeight: 700, fontStretch: '112%' }}>
          Amber Collar
        </Typography>
      </Stack>
      <Box sx={{ borderTop: '2px solid', borderColor: 'text.primary', pt: 2 }}>
        <Typography variant="h1">{title}</Typography>
        <Typography variant="lead">{lead}</Typography>
        {children}
      </Box>
    </Box>
  </Box>
);
