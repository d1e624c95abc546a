'use client';
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
import { StateWords } from './StateWords';
import { TwoPanes } from './TwoPanes';
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
    <TwoPanes asideLabel="Panel" aside={<SidePane session={session} />}>
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
    </TwoPanes>
  );
}
