import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { CROSSING_SETUP_FIELDS } from '@/core/crossing';
import { placedProblem, type Problem } from '@/core/kernel';
import { Problems } from '../../kit-of-parts/Problems';
import { For } from '../../shell/may';

interface Props {
  readonly problems: readonly Problem[];
  readonly busy: boolean;
  readonly dirty: boolean;
  /** Somebody else has changed it meanwhile. */
  readonly overtaken: boolean;
  readonly onFollow: () => void;
}

/** What keeps the setup of a crossing: a hundred cables make a long list, so that it stays in reach. */
export const SetupFoot = ({ problems, busy, dirty, overtaken, onFollow }: Props) => (
  <Box sx={FOOT}>
    <Problems problems={problems.map((p) => placedProblem(p, CROSSING_SETUP_FIELDS))} />
    <For what="setCrossing" said>
      <Button type="submit" variant="contained" color="secondary" disabled={busy || !dirty}>
        Save
      </Button>
    </For>
    {dirty ? <Box sx={{ color: 'text.secondary' }}>not saved yet</Box> : null}
    {overtaken ? (
      <Button variant="text" onClick={onFollow}>
        Show what somebody else has set
      </Button>
    ) : null}
  </Box>
);

const FOOT = {
  position: 'sticky',
  zIndex: 2,
  bottom: { xs: 0, md: -32 },
  display: 'flex',
  flexWrap: 'wrap',
  alignItems: 'center',
  gap: '8px 14px',
  p: '10px 0 12px',
  bgcolor: 'background.default',
  borderTop: '2px solid',
  borderColor: 'divider',
} as const;
