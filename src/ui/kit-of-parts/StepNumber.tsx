import Box from '@mui/material/Box';

interface Props {
  readonly number: number;
  /** Done is filled, next has a strong frame. */
  readonly state: 'done' | 'next' | null;
}

const STATES = {
  done: { color: 'secondary.contrastText', bgcolor: 'secondary.main', borderColor: 'secondary.main' },
  next: { borderColor: 'text.primary' },
  none: { borderColor: 'divider' },
} as const;

/** The number of a step, in front of it. */
export const StepNumber = ({ number, state }: Props) => (
  <Box
    component="span"
    sx={{
      flex: 'none',
      display: 'grid',
      placeItems: 'center',
      width: 32,
      height: 32,
      fontWeight: 650,
      border: '2px solid',
      borderRadius: 1,
      ...STATES[state ?? 'none'],
    }}
  >
    {number}
  </Box>
);
