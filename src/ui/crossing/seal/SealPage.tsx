'use client';
import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import dynamic from 'next/dynamic';
import { KINDS, type SealView } from '@/core/crossing';
import type { CrossingRef } from '@/core/record';
import { RecordFaults } from '../../common/RecordFaults';
import { UndoesWork } from '../../common/UndoesWork';
import { Problems } from '../../kit-of-parts/Problems';
import { Way } from '../../kit-of-parts/Way';
import { CrossingCautions } from '../CrossingCautions';
import { SAVE_BAR_PX } from '../setup/save-bar';
import { StateWords } from '../StateWords';
import { crossingsPath } from '../words';
import { SealActs } from './SealActs';
import { SealPanes } from './SealPanes';
import { SealVerdict } from './SealVerdict';
import { useSeal } from './use-seal';

// The drawings come when there is something to draw.
const SealDrawn = dynamic(() => import('./SealDrawn').then((m) => m.SealDrawn));
const SealSetupPanel = dynamic(() => import('./setup/SealSetupPanel').then((m) => m.SealSetupPanel));

interface Props {
  readonly at: CrossingRef;
  readonly view: SealView;
}

/** A soft seal: what is known of it on the left in the order of the work, what follows from that on the right. */
export function SealPage({ at, view }: Props) {
  const session = useSeal(at, view);
  const { taking, problems, shown } = session;
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
      <Box
        component="aside"
        aria-label="What is known"
        sx={{
          ...PANE,
          flex: { md: '0 0 38%' },
          minWidth: { md: 380 },
          p: { xs: '12px 14px', md: '14px 24px 32px 28px' },
          borderRight: { md: '1px solid' },
          borderColor: { md: 'divider' },
        }}
      >
        <Way from={[['Crossings', crossingsPath(view.job)]]} here={view.name} />
        <Stack direction="row" sx={{ flexWrap: 'wrap', alignItems: 'baseline', gap: '4px 14px' }}>
          <Typography variant="h1">{view.name}</Typography>
          <span>{KINDS[view.kind].words}</span>
          <StateWords state={view.state} />
        </Stack>
        <SealSetupPanel view={view} busy={session.busy} problems={session.problems} onSave={session.save} />
      </Box>
      <Box sx={{ ...PANE, flex: { md: '1 1 62%' }, p: { xs: '12px 14px', md: '14px 28px 32px 24px' } }}>
        <RecordFaults faults={view.faults} />
        <SealActs session={session} />
        <CrossingCautions view={view} />
        <Problems problems={problems} />
        <UndoesWork
          code="this plan"
          words={taking.asked?.words ?? null}
          onTake={taking.confirm}
          onLeave={taking.leave}
        />
        <SealVerdict session={session} />
        {shown === null ? null : <SealDrawn session={session} made={shown} />}
        <SealPanes session={session} />
      </Box>
    </Stack>
  );
}

/** Side by side each scrolls by itself; one below the other the page does. What is reached by keys comes to lie above the bar that saves. */
const PANE = { minWidth: 0, overflowY: { md: 'auto' }, scrollPaddingBottom: SAVE_BAR_PX } as const;
