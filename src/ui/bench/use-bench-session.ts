'use client';
import { useMemo, useState } from 'react';
import type { ArcStation, TerminationRef } from '@/core/record';
import type { TerminationView } from '@/core/termination-view';
import { useShown } from '../data/use-look';
import { useShortcuts } from '../shell/shortcuts';
import { useGate } from './use-gate';
import { useWork } from './use-work';

const isMeasure = (view: TerminationView, stepId: string | null): boolean =>
  view.steps.some((s) => s.station === 'measure' && s.id === stepId);

/** What is on the bench: the end, the step that is looked at, and what is asked between the steps. */
export function useBenchSession(end: TerminationRef) {
  const view = useShown(['viewTermination', end]);
  const subject = useMemo(
    () => ({ kind: 'termination', job: view.job.slug, cable: view.cable, end: view.end }) as const,
    [view.job.slug, view.cable, view.end],
  );
  const work = useWork(subject);
  const [gateOpen, passGate] = useGate(`ac_gate_${view.place?.area ?? ''}`);
  const [looking, setLooking] = useState<string | null>(null);
  // Measuring ends by itself when the plan under it is made again.
  const [measuringFor, setMeasuringFor] = useState<string | null>(null);
  const [recutting, setRecutting] = useState<string | null>(null);
  const { steps, done } = view;
  const step = steps.find((s) => s.id === looking) ?? steps.find((s) => s.id === view.nextStep) ?? null;
  const at = step ? steps.indexOf(step) : steps.length - 1;
  const go = (to: number) => setLooking(steps[to]?.id ?? null);
  useShortcuts({ ArrowLeft: () => go(at - 1), ArrowRight: () => go(at + 1) });
  return {
    view,
    work,
    gateOpen,
    passGate,
    step,
    lookBack: () => go(at - 1),
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
