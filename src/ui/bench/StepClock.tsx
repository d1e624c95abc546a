'use client';
import type { SealPlan } from '@/core/compound-cure';
import { compoundClock } from '@/core/procedure';
import { type Step } from '@/core/record';
import { Caution } from '../kit-of-parts/Caution';
import { useNow } from '../common/use-now';
import { countdown, timeOfDay } from '../compound-cure/station/clock-words';
import { TemperatureLog } from '../compound-cure/station/TemperatureLog';
import { Rounds } from '../coupler/Rounds';
import { InsulationNow } from '../mineral-insulated/InsulationNow';
import type { StationProps } from '../termination/station-props';
import { ChartComing, NoChart } from '../common/ChartLater';
import Box from '@mui/material/Box';
import dynamic from 'next/dynamic';
import type { ReactNode } from 'react';

// Most steps have no clock: what draws one is loaded with the first that has.
const CureChart = dynamic(
  () =>
    import('../compound-cure/station/CureChart').then(
      (m) => m.CureChart,
      () => NoChart,
    ),
  { loading: ChartComing },
);

const MINUTE = 60_000;

interface Props extends Pick<StationProps, 'view'> {
  readonly step: Step;
  readonly onTemperature: (tempC: number, instrument: string) => void;
}

/** What runs or is counted at a step: the pot life that is left, how far the cure has come, how long the insulation’s reading counts, rounds of easing. */
export function StepClock(props: Props) {
  const { view, step } = props;
  const { seal = null, mineral, coupler } = view.plan?.plan ?? {};
  if (coupler !== undefined && (step.id === 'ease' || step.id === 'smooth'))
    return <Rounds acts={view.acts} />;
  if (step.timer === 'insulation' && mineral !== undefined)
    return <InsulationNow view={view} mineral={mineral} />;
  if (seal === null || step.timer === undefined || step.kind === 'mix') return null;
  return <CompoundNow {...props} seal={seal} />;
}

function CompoundNow({ view, step, seal, onTemperature }: Props & { readonly seal: SealPlan }) {
  const now = useNow();
  if (now === null) return null;
  const clock = compoundClock(seal, view.acts, now);
  if (step.timer === 'potLife') {
    if (clock.mix === null) return null;
    const left = clock.mix.endsMs - now;
    return (
      <Reading value={countdown(left)} late={left <= 0}>
        {left > 0
          ? `of the pot life left, until ${timeOfDay(clock.mix.endsMs)}`
          : 'the pot life is over: this mix is waste'}
      </Reading>
    );
  }
  if (clock.cure === null) return null;
  const { progress, ready, standing, curve } = clock.cure;
  return (
    <div>
      <Reading value={`${Math.floor(progress * 100)} %`}>
        {progress >= 1
          ? 'hard by the log: try the test dab'
          : ready
            ? `hard at about ${timeOfDay(ready.at * MINUTE)}, ${countdown(ready.at * MINUTE - now)} from now`
            : curve.length === 0
              ? 'just filled in: it begins to count'
              : 'too cold to say when'}
      </Reading>
      {standing ? <Caution tone="hold">It stands still: {standing.words}.</Caution> : null}
      <CureChart track={clock.cure} readings={clock.readings} />
      {progress < 1 ? <TemperatureLog view={view} onKeep={onTemperature} /> : null}
    </div>
  );
}

interface ReadingProps {
  readonly value: string;
  readonly late?: boolean;
  readonly children: ReactNode;
}

const Reading = ({ value, late = false, children }: ReadingProps) => (
  <Box
    component="p"
    role="timer"
    sx={{
      display: 'flex',
      flexWrap: 'wrap',
      alignItems: 'baseline',
      gap: '4px 16px',
      m: 0,
      fontSize: 20,
      color: late ? 'error.main' : 'inherit',
    }}
  >
    <Box
      component="span"
      sx={{ fontSize: 64, fontWeight: 700, lineHeight: 1, color: late ? 'inherit' : 'var(--ac-amber-text)' }}
    >
      {value}
    </Box>
    <span>{children}</span>
  </Box>
);
