'use client';
import Box from '@mui/material/Box';
import type { TerminationRef } from '@/core/record';
import { Caution } from '../kit-of-parts/Caution';
import { stationPath } from '../rack/summaries';
import { Sender, UnsentOf } from '../kept/Unsent';
import { PersonButton } from '../shell/PersonButton';
import { BenchBody } from './BenchBody';
import { BenchSide } from './BenchSide';
import { ClockStrip } from './ClockStrip';
import { BenchHead, PHONE } from './parts';
import { Under, UnderWhom } from './UnderWhom';
import { useBenchSession } from './use-bench-session';
import { useWakeLock } from './use-wake-lock';

interface Props {
  readonly end: TerminationRef;
}

/** One step a screen, full screen, for gloves and glare. */
export function Bench({ end }: Props) {
  const session = useBenchSession(end);
  const { view } = session;
  const wake = useWakeLock();
  const sheet = view.stale ? null : (view.review?.sheet ?? null);
  return (
    <Box
      data-dark=""
      data-bench=""
      sx={{
        display: 'grid',
        gridTemplate: 'auto minmax(0, 1fr) / 300px minmax(0, 1fr)',
        height: '100dvh',
        bgcolor: 'var(--ac-ground)',
        color: 'var(--ac-ink)',
        fontSize: 17,
        '& > header': { gridColumn: '1 / -1' },
        [PHONE]: { display: 'flex', flexDirection: 'column', height: 'auto', minHeight: '100dvh' },
      }}
    >
      <BenchHead
        home={stationPath(view.job.slug, view.cable, view.end, 'makeOff')}
        name={view.tag}
        where={`${view.joint?.mate ? `with ${view.joint.mate.tag} · ` : ''}${view.plan?.plan.size ?? 'no gland'} · ${view.place?.enclosure.title ?? 'no entry'}`}
        sleeps={wake === 'off'}
      >
        <UnsentOf kept={session.kept} />
        <Under job={view.job.slug} />
        <PersonButton />
      </BenchHead>
      <Sender />
      <BenchSide session={session} />
      <Box
        component="main"
        sx={{
          minWidth: 0,
          overflowY: 'auto',
          // What is scrolled to must not end under the buttons.
          scrollPaddingBottom: '130px',
          [PHONE]: { flex: 1, display: 'flex', flexDirection: 'column', overflow: 'visible' },
        }}
      >
        <ClockStrip view={view} />
        {sheet ? (
          <Caution tone="marginal">
            Sheet {sheet.code}: revision {sheet.to} is in force; these steps are those of revision{' '}
            {sheet.from}. Go by the sheet that came with the gland
            {view.review?.refusal ? `. By the new one: ${view.review.refusal}.` : '.'}
          </Caution>
        ) : null}
        <UnderWhom job={view.job.slug}>
          <BenchBody session={session} />
        </UnderWhom>
      </Box>
    </Box>
  );
}
