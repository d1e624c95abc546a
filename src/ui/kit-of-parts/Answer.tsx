import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';

interface Props {
  readonly words: ReactNode;
  readonly lead?: ReactNode;
}

/** The sentence on top of a station, and the quiet one under it. */
export const Answer = ({ words, lead }: Props) => (
  <>
    <Typography
      variant="h2"
      sx={{ fontSize: 22, fontWeight: 700, fontStretch: '108%', lineHeight: 1.25, letterSpacing: '-0.01em' }}
    >
      {words}
    </Typography>
    {lead === undefined ? null : <Typography variant="lead">{lead}</Typography>}
  </>
);
