import Box from '@mui/material/Box';
import type { CrossingState } from '@/core/crossing';
import type { ReactNode } from 'react';
import { STATE_WORDS } from './words';

const COLOURS: Readonly<Record<CrossingState, string>> = {
  empty: 'text.primary',
  toPlan: 'warning.main',
  stale: 'warning.main',
  planned: 'text.primary',
  building: 'text.primary',
  built: 'success.main',
};

interface Props {
  readonly state: CrossingState;
  readonly children?: ReactNode;
}

/** How far a crossing is. */
export const StateWords = ({ state, children }: Props) => (
  <Box component="b" data-state={state} sx={{ fontWeight: 650, color: COLOURS[state] }}>
    {STATE_WORDS[state]}
    {children}
  </Box>
);
