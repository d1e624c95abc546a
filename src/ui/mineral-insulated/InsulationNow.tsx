'use client';
import { measuringBy } from '@/core/cable-measurement';
import type { MineralEndPlan } from '@/core/mineral-insulated';
import { dries, insulationOf, insulationReadings, sealUntilMs } from '@/core/procedure';
import type { TerminationView } from '@/core/termination-view';
import { trimNumber } from '@/core/units';
import { useNow } from '../common/use-now';
import { countdown, timeOfDay } from '../compound-cure/station/clock-words';
import { Caution } from '../kit-of-parts/Caution';
import { ChartComing, NoChart } from '../common/ChartLater';
import dynamic from 'next/dynamic';

const DryingChart = dynamic(
  () =>
    import('./DryingChart').then(
      (m) => m.DryingChart,
      () => NoChart,
    ),
  { loading: ChartComing },
);

interface Props {
  readonly view: Pick<TerminationView, 'acts' | 'job'>;
  readonly mineral: MineralEndPlan;
}

/** What the record says of the insulation now: how long its reading counts, or whether it dries. */
export function InsulationNow({ view, mineral }: Props) {
  const now = useNow();
  const measuring = measuringBy(view.job.rules);
  const state = insulationOf(mineral, view.acts, measuring);
  const until = sealUntilMs(mineral, state);
  const readings = insulationReadings(view.acts);
  const drying = dries(state);
  return (
    <>
      {until === null || now === null ? null : until >= now ? (
        <Caution tone="hold">
          The reading counts for {countdown(until - now)}, until {timeOfDay(until)}: then it is read again.
        </Caution>
      ) : (
        <Caution>
          The reading of {timeOfDay(until - mineral.test.holdsMs)} counts no more: take it back, and read
          again before the pot is filled.
        </Caution>
      )}
      {state.phase === 'cut' ? (
        <Caution>
          Three readings after heat did not rise: the end does not dry. Cut it back and begin again.
        </Caution>
      ) : null}
      {drying === true ? <Caution tone="hold">It dries: heat, let it cool, read again.</Caution> : null}
      {readings.length < 2 ? null : <DryingChart readings={readings} leastMohm={mineral.test.leastMohm} />}
      {state.phase === 'proved' && state.good !== null ? (
        <p>Sealed on {trimNumber(state.good.mohm, 0)} MΩ, and proved after it.</p>
      ) : null}
    </>
  );
}
