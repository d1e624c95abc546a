'use client';
import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import type { FrameView } from '@/core/crossing';
import type { CrossingRef } from '@/core/record';
import { RecordFaults } from '../common/RecordFaults';
import { UndoesWork } from '../common/UndoesWork';
import { Way } from '../kit-of-parts/Way';
import { Problems } from '../kit-of-parts/Problems';
import { CrossingActs } from './CrossingActs';
import { CrossingCautions } from './CrossingCautions';
import { FacePane } from './FacePane';
import { SidePane } from './SidePane';
import { SAVE_BAR_PX } from './setup/save-bar';
import { StateWords } from './StateWords';
import { crossingsPath } from './words';
import { useCrossingSession } from './use-crossing-session';

interface Props {
  readonly at: CrossingRef;
  readonly view: FrameView;
}

/** A crossing in frames: the plan seen from either side, what goes through, and everything that can be done with it. */
export function FramesPage({ at, view }: Props) {
  const session = useCrossingSession(at, view);
  const { planning, taking, problems } = session;
  return (
    <Stack
      component="main"
      direction={{ xs: 'column', md: 'row' }}
      sx={{
        flex: 1,
        minWidth: 0,
        overflowY: { xs: 'auto', md: 'visible' },
        scrollPaddingBottom: SAVE_BAR_PX,
      }}
    >
      <Box sx={{ ...PANE, flex: { md: '1 1 60%' }, p: { xs: '12px 14px', md: '14px 20px 32px 28px' } }}>
        <Way from={[['Crossings', crossingsPath(view.job)]]} here={view.name} />
        <Stack direction="row" sx={{ flexWrap: 'wrap', alignItems: 'baseline', gap: '4px 14px' }}>
          <Typography variant="h1">{view.name}</Typography>
          <span>{view.setup.place}</span>
          <StateWords state={view.state} />
        </Stack>
        <RecordFaults faults={view.faults} />
        <CrossingActs session={session} />
        <CrossingCautions view={view} />
        <Problems problems={[...planning.failure, ...problems]} />
        <UndoesWork
          code="this plan"
          words={taking.asked?.words ?? null}
          onTake={taking.confirm}
          onLeave={taking.leave}
        />
        <FacePane session={session} />
      </Box>
      <Box
        component="aside"
        aria-label="Panel"
        sx={{
          ...PANE,
          flex: { md: '0 0 42%' },
          minWidth: { md: 380 },
          p: { xs: '12px 14px', md: '14px 24px 32px' },
          borderLeft: { md: '1px solid' },
          borderColor: { md: 'divider' },
        }}
      >
        <SidePane session={session} />
      </Box>
    </Stack>
  );
}

/** Side by side each scrolls by itself; one below the other the page does. What is reached by keys comes to lie above the bar that saves. */
const PANE = { minWidth: 0, overflowY: { md: 'auto' }, scrollPaddingBottom: SAVE_BAR_PX } as const;
