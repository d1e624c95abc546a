import Box from '@mui/material/Box';
import Skeleton from '@mui/material/Skeleton';
import visuallyHidden from '@mui/utils/visuallyHidden';

interface Props {
  readonly what: string;
  readonly lines?: number;
  /** Height of one line, px: what comes must not push the page about. */
  readonly height?: number;
}

/** In the place of what is on its way: lines as high as those that come. */
export const Coming = ({ what, lines = 8, height = 40 }: Props) => (
  <Box role="status" aria-busy sx={{ position: 'relative' }}>
    <span style={visuallyHidden}>Loading {what}…</span>
    {Array.from({ length: lines }, (_, i) => (
      <Box key={i} aria-hidden sx={{ height, display: 'flex', alignItems: 'center' }}>
        <Skeleton variant="rectangular" width={`${92 - ((i * 17) % 30)}%`} height={height * 0.45} />
      </Box>
    ))}
  </Box>
);
