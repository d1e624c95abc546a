import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';

/** What is said where nothing is yet: with what to do about it. */
export const Empty = ({ children }: { readonly children: ReactNode }) => (
  <Typography sx={{ my: 5, fontSize: 17, color: 'text.secondary' }}>{children}</Typography>
);
