'use client';
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
import { StateWords } from '../StateWords';
import { TwoPanes } from '../TwoPanes';
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
  const { taking, shown } = session;
  return (
    <TwoPanes
      asideFirst
      asideLabel="What is known"
      aside={
        <>
          <Way from={[['Crossings', crossingsPath(view.job)]]} here={view.name} />
          <Stack direction="row" sx={{ flexWrap: 'wrap', alignItems: 'baseline', gap: '4px 14px' }}>
            <Typography variant="h1">{view.name}</Typography>
            <span>{KINDS[view.kind].words}</span>
            <StateWords state={view.state} />
          </Stack>
          <SealSetupPanel view={view} busy={session.busy} problems={session.unsaved} onSave={session.save} />
        </>
      }
    >
      <RecordFaults faults={view.faults} />
      <SealActs session={session} />
      <CrossingCautions view={view} />
      <Problems problems={session.problems} />
      <UndoesWork
        code="this plan"
        words={taking.asked?.words ?? null}
        onTake={taking.confirm}
        onLeave={taking.leave}
      />
      <SealVerdict session={session} />
      {shown === null ? null : <SealDrawn session={session} made={shown} />}
      <SealPanes session={session} />
    </TwoPanes>
  );
}
