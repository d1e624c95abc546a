'use client';
import { useCallback, useMemo, useState } from 'react';
import { hazardOf } from '@/core/area-gate';
import { baseOf, goOn, type KeptDeed } from '@/core/kept-work';
import type { ArcStation, TerminationRef } from '@/core/record';
import type { TerminationView } from '@/core/termination-view';
import { useShown } from '../data/use-look';
import { useAlong, useKeptOf } from '../kept/use-kept';
import { useShortcuts } from '../shell/shortcuts';
import { useGate } from './use-gate';
import { useWork } from './use-work';

const isMeasure = (view: TerminationView, stepId: string | null): boolean =>
  view.steps.some((s) => s.station === 'measure' && s.id === stepId);

/** An end as it is by what the server said last and by what this device has kept since, and the hand that works at it. */
function useEnd(end: TerminationRef) {
  const said = useShown(['viewTermination', end]);
  const subject = useMemo(
    () => ({ kind: 'termination', job: said.job.slug, cable: said.cable, end: said.end }) as const,
    [said.job.slug, said.cable, said.end],
  );
  const seen = useMemo(() => ({ subject, view: said }), [subject, said]);
  useAlong(seen);
  const kept = useKeptOf(subject);
  const gone = useMemo(() => goOn(said, kept), [said, kept]);
  const judge = useCallback((deeds: readonly KeptDeed[]) => goOn(said, deeds), [said]);
  const base = kept[0]?.base ?? baseOf(said.events, said.plan?.hash ?? '');
  const work = useWork({ subject, base, steps: gone.view.steps, kept, judge });
  return { subject, kept, base, work, view: gone.view, waits: gone.waits };
}

/** What is on the bench: the end, the step that is looked at, and what is asked between the steps. */
export function useBenchSession(end: TerminationRef) {
  const at = useEnd(end);
  const { view } = at;
  const gate = useGate(`ac_gate/${view.job.slug}/${view.place?.area ?? ''}`);
  const hazard = view.place === null ? null : hazardOf(view.place.enclosure);
  const [looking, setLooking] = useState<string | null>(null);
  // Measuring ends by itself when the plan under it is made again.
  const [measuringFor, setMeasuringFor] = useState<string | null>(null);
  const [recutting, setRecutting] = useState<string | null>(null);
  const { steps, done } = view;
  const step = steps.find((s) => s.id === looking) ?? steps.find((s) => s.id === view.nextStep) ?? null;
  const place = step ? steps.indexOf(step) : steps.length - 1;
  const go = (to: number) => setLooking(steps[to]?.id ?? null);
  useShortcuts({ ArrowLeft: () => go(place - 1), ArrowRight: () => go(place + 1) });
  return {
    ...at,
    gate,
    hazard,
    step,
    lookBack: () => go(place - 1),
    lookNext: () => setLooking(null),
    measuring: measuringFor !== null && measuringFor === view.plan?.hash,
    measure: (on: boolean) => setMeasuringFor(on ? (view.plan?.hash ?? null) : null),
    recutting: step !== null && recutting === step.id,
    recut: (on: boolean) => setRecutting(on ? (step?.id ?? null) : null),
    /** To the first step of a station that is still to do. */
    pick: (station: ArcStation) => {
      const mine = steps.filter((s) => s.station === station);
      const first = mine.find((s) => !done.includes(s.id)) ?? mine[0];
      setMeasuringFor(
        station === 'measure' && !isMeasure(view, view.nextStep) ? (view.plan?.hash ?? null) : null,
      );
      setLooking(first?.id ?? null);
    },
  };
}

export type BenchSession = ReturnType<typeof useBenchSession>;
