'use client';
import Box from '@mui/material/Box';
import LinearProgress from '@mui/material/LinearProgress';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { compoundClock } from '@/core/procedure';
import type { CompoundEnd } from '@/core/termination-view';
import { useNow } from '../../common/use-now';
import { PlainList } from '../../kit-of-parts/PlainList';
import { To } from '../../kit-of-parts/To';
import { stationPath } from '../../rack/summaries';
import { countdown, timeOfDay } from '../station/clock-words';

const MINUTE = 60_000;

interface Props {
  readonly job: string;
  readonly ends: readonly CompoundEnd[];
}

/** What is mixed or curing, each with its own clock. */
export function ClockList({ job, ends }: Props) {
  const now = useNow();
  return (
    <PlainList ruled>
      {ends.map((end) => (
        <Box
          component="li"
          key={end.tag}
          sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: '4px 16px' }}
        >
          <To href={stationPath(job, end.cable, end.end, 'seal')}>{end.tag}</To>
          {now === null ? null : <Clock end={end} now={now} />}
        </Box>
      ))}
    </PlainList>
  );
}

function Clock({ end, now }: { readonly end: CompoundEnd; readonly now: number }) {
  const clock = compoundClock(end.seal, end.acts, now);
  if (clock.filledMs === null && clock.mix !== null) {
    const left = clock.mix.endsMs - now;
    return (
      <>
        <Count late={left <= 0}>{countdown(left)}</Count>
        <Typography component="span" variant="quiet">
          {left > 0 ? `pot life until ${timeOfDay(clock.mix.endsMs)}` : 'pot life over: waste'}
        </Typography>
      </>
    );
  }
  if (clock.cure === null) return null;
  const { progress } = clock.cure;
  return (
    <>
      <Count>{Math.floor(progress * 100)} %</Count>
      <LinearProgress
        variant="determinate"
        value={progress * 100}
        aria-label={`Cure of ${end.tag}`}
        sx={{ width: 180 }}
      />
      <Typography component="span" variant="quiet">
        {cureWords(clock.cure)}
      </Typography>
    </>
  );
}

function cureWords({
  progress,
  standing,
  ready,
}: NonNullable<ReturnType<typeof compoundClock>['cure']>): string {
  if (progress >= 1) return 'hard: try the test dab';
  if (standing) return `stands still: ${standing.words}`;
  return ready ? `hard at about ${timeOfDay(ready.at * MINUTE)}` : 'too cold to say when';
}

const Count = ({ late = false, children }: { readonly late?: boolean; readonly children: ReactNode }) => (
  <Box
    component="span"
    sx={{
      minWidth: 78,
      fontSize: 22,
      fontWeight: 700,
      textAlign: 'right',
      color: late ? 'error.main' : 'inherit',
    }}
  >
    {children}
  </Box>
);
