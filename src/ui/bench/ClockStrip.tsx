'use client';
import Box from '@mui/material/Box';
import type { ReactNode } from 'react';
import { measuringBy } from '@/core/cable-measurement';
import type { MineralEndPlan } from '@/core/mineral-insulated';
import { compoundClock, insulationOf, sealUntilMs } from '@/core/procedure';
import type { CompoundEnd, TerminationView } from '@/core/termination-view';
import { useNow } from '../common/use-now';
import { countdown } from '../compound-cure/station/clock-words';
import { useLook } from '../data/use-look';
import { To } from '../kit-of-parts/To';
import { benchPath } from '../kept/subject-words';
import { useAlarm } from './use-alarm';

type Clock = ReturnType<typeof compoundClock>;

/** What is left until the pot life is over, or the cure by what is known now, ms; null while neither runs. */
function leftOf({ mix, filledMs, cure }: Clock, now: number): number | null {
  if (filledMs === null) return mix === null ? null : mix.endsMs - now;
  if (cure === null) return null;
  return cure.progress >= 1 ? 0 : 1;
}

interface Running {
  readonly words: string;
  readonly late: boolean;
}

/** What runs at an end, and whether it is over; null when nothing does. */
function runningOf({ mix, filledMs, cure }: Clock, now: number): Running | null {
  if (filledMs === null && mix !== null) {
    const left = mix.endsMs - now;
    return left > 0
      ? { words: `Pot life: ${countdown(left)} left`, late: false }
      : { words: 'Pot life over: this mix is waste', late: true };
  }
  return cure !== null && cure.progress < 1
    ? { words: `Cure: ${Math.floor(cure.progress * 100)} %`, late: false }
    : null;
}

/** The clock of this very end, and of every other end of the job where one runs, in one line that stays in sight; each sounds when it runs out. */
export function ClockStrip({ view }: { readonly view: TerminationView }) {
  const others = useOthers(view);
  const seal = view.plan?.plan.seal ?? null;
  const mineral = view.stale ? undefined : view.plan?.plan.mineral;
  const own = seal === null || view.stale ? null : { seal, acts: view.acts };
  return (
    <Box
      component="section"
      aria-label="Clocks that run"
      sx={{
        position: 'sticky',
        top: 0,
        zIndex: 3,
        display: 'flex',
        flexWrap: 'wrap',
        bgcolor: 'background.paper',
        '&:has(*)': { borderBottom: '2px solid', borderColor: 'divider' },
      }}
    >
      {own === null ? null : <Ticking own={own} />}
      {mineral === undefined ? null : <Counting view={view} mineral={mineral} />}
      {others.map((end) => (
        <Ticking key={end.tag} own={end} of={end} job={view.job.slug} />
      ))}
    </Box>
  );
}

/** How long a good reading of the insulation still counts, until the pot is filled. */
function Counting({ view, mineral }: { readonly view: TerminationView; readonly mineral: MineralEndPlan }) {
  const now = useNow();
  const until = sealUntilMs(mineral, insulationOf(mineral, view.acts, measuringBy(view.job.rules)));
  const left = until === null || now === null ? null : until - now;
  useAlarm(left);
  if (left === null) return null;
  return (
    <Strip late={left <= 0} here>
      {left > 0 ? `Reading counts: ${countdown(left)} left` : 'Reading counts no more: read again'}
    </Strip>
  );
}

interface StripProps {
  readonly late: boolean;
  readonly here: boolean;
  readonly children: ReactNode;
}

const Strip = ({ late, here, children }: StripProps) => (
  <Box
    role="timer"
    sx={{
      flex: here ? '1 1 100%' : '0 1 auto',
      px: 2,
      py: 0.75,
      fontSize: here ? 18 : 15,
      fontWeight: 700,
      color: late ? 'error.main' : here ? 'secondary.contrastText' : 'text.primary',
      bgcolor: late || !here ? 'background.paper' : 'secondary.main',
    }}
  >
    {children}
  </Box>
);

interface TickingProps {
  readonly own: Pick<CompoundEnd, 'seal' | 'acts'>;
  /** Whose it is; this end's when left out. */
  readonly of?: CompoundEnd;
  readonly job?: string;
}

function Ticking({ own, of, job = '' }: TickingProps) {
  const now = useNow();
  const clock = now === null ? null : compoundClock(own.seal, own.acts, now);
  useAlarm(clock === null || now === null ? null : leftOf(clock, now));
  const running = clock === null || now === null ? null : runningOf(clock, now);
  if (running === null) return null;
  return (
    <Strip late={running.late} here={of === undefined}>
      {of === undefined ? null : (
        <To href={benchPath({ kind: 'termination', job, cable: of.cable, end: of.end })}>{of.tag}</To>
      )}{' '}
      {running.words}
    </Strip>
  );
}

/** Pot lives and cures that run at other ends of the job. */
function useOthers({ job, tag }: TerminationView): readonly CompoundEnd[] {
  const { view } = useLook(['viewCompound', job.slug]);
  return (view?.ends ?? []).filter((e) => (e.state === 'curing' || e.state === 'mixed') && e.tag !== tag);
}
