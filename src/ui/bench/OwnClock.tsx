'use client';
import Box from '@mui/material/Box';
import { compoundClock } from '@/core/procedure';
import type { TerminationView } from '@/core/termination-view';
import { useNow } from '../common/use-now';
import { useAlarm } from './use-alarm';
import { countdown } from '../compound-cure/station/clock-words';

type Clock = ReturnType<typeof compoundClock>;

/** What is left until the pot life is over, or the cure by what is known now, ms; null while neither runs. */
function leftOf({ mix, filledMs, cure }: Clock, now: number): number | null {
  if (filledMs === null) return mix === null ? null : mix.endsMs - now;
  if (cure === null) return null;
  return cure.progress >= 1 ? 0 : 1;
}

/** What runs at this end, and whether it is over; null when nothing does. */
function runningOf({ mix, filledMs, cure }: Clock, now: number): { words: string; late: boolean } | null {
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

/** The clock of this very end, in sight at every step while it runs: pot life until the chamber is filled, then the cure. */
export function OwnClock({ view }: { readonly view: TerminationView }) {
  const now = useNow();
  const seal = view.plan?.plan.seal ?? null;
  const clock = now === null || seal === null || view.stale ? null : compoundClock(seal, view.acts, now);
  useAlarm(clock === null || now === null ? null : leftOf(clock, now));
  const running = clock === null || now === null ? null : runningOf(clock, now);
  if (running === null) return null;
  return (
    <Box
      role="timer"
      sx={{
        position: 'sticky',
        top: 0,
        zIndex: 3,
        px: 2,
        py: 0.75,
        fontSize: 18,
        fontWeight: 700,
        color: running.late ? 'error.main' : 'secondary.contrastText',
        bgcolor: running.late ? 'background.paper' : 'secondary.main',
      }}
    >
      {running.words}
    </Box>
  );
}
