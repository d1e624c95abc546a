'use client';
import { startTransition, useCallback, useState } from 'react';
import type { FrameSetup, FrameView, Side } from '@/core/crossing';
import {
  sameRef,
  type FrameCable,
  type FramePlan,
  type FrameRequest,
  type PlaceRef,
} from '@/core/frame-packing';
import { useRun } from '../termination/use-run';
import { cableAt, verdictWords } from './place-words';
import { useDraft, type MoveVerdict } from './use-draft';
import { useTaking } from './use-taking';
import { usePlanning } from './use-planning';
import type { CrossingRef } from '@/core/record';
import { useSend } from '../data/use-send';
import { useSearchParams } from 'next/navigation';

/** The tabs beside the face; which one is open stands in the address, so that it can be linked to and stays when the page is loaded anew. */
export const CROSSING_TABS = [
  ['places', 'Places'],
  ['cables', 'Cables'],
  ['add', 'Add a cable'],
  ['compare', 'Compare'],
  ['files', 'Files'],
] as const;
export type CrossingTab = (typeof CROSSING_TABS)[number][0];

function useTab(first: CrossingTab): readonly [CrossingTab, (tab: CrossingTab) => void] {
  const asked = useSearchParams().get('tab');
  const tab = CROSSING_TABS.find(([id]) => id === asked)?.[0] ?? first;
  return [tab, (next) => window.history.replaceState(null, '', `?tab=${next}`)];
}

/** What is going on at a crossing: the draft of its plan, what is looked at, and everything that can be done. */
export function useCrossingSession(ref: CrossingRef, view: FrameView) {
  const send = useSend();
  const { request } = view.asked;
  const [inForce] = view.plans;
  const [shown, setShown] = useState<{ readonly request: FrameRequest; readonly plan: FramePlan } | null>(
    null,
  );
  const draft = useDraft(request, inForce?.plan ?? null, view.setup.locked ?? []);
  const [side, setSide] = useState<Side>('front');
  const [only, setOnly] = useState<number | null>(null);
  const [tab, setTab] = useTab(inForce ? 'places' : 'cables');
  const [lit, setLit] = useState<string | null>(null);
  const [picked, setPicked] = useState<PlaceRef | null>(null);
  const [over, setOver] = useState<{ readonly ref: PlaceRef; readonly verdict: MoveVerdict } | null>(null);
  const [words, setWords] = useState<{ readonly good: boolean; readonly text: string } | null>(null);
  const { run, busy: saving, problems: unsaved } = useRun();
  const taking = useTaking();
  const busy = saving || taking.busy;
  const problems = [...unsaved, ...taking.problems];

  const planning = usePlanning(view, (plan) => {
    draft.put(plan);
    setTab('places');
    setPicked(null);
    setWords(null);
  });
  const around = (plan: FramePlan) => () => planning.planAround(plan, draft.locked);
  const begin = (plan: () => void) => {
    startTransition(() => setShown(null));
    plan();
  };
  const judged = (from: PlaceRef, to: PlaceRef) => {
    const verdict = draft.judge(from, to);
    setOver(verdict ? { ref: to, verdict } : null);
    setWords(verdict ? verdictWords(verdict, to, draft.plan) : null);
    return verdict;
  };
  const drop = (from: PlaceRef, to: PlaceRef) => {
    setOver(null);
    const verdict = draft.judge(from, to);
    if (!verdict) return;
    setWords(verdictWords(verdict, to, draft.plan));
    if (verdict.problems.length > 0) return;
    draft.put(verdict.plan);
    setPicked(null);
  };
  const pick = (at: PlaceRef) => {
    setWords(null);
    if (picked === null) {
      setPicked(at);
      return;
    }
    if (sameRef(picked, at)) setPicked(null);
    else if (cableAt(draft.plan, picked) === undefined) setPicked(at);
    else drop(picked, at);
  };
  const take = (kind: 'planned' | 'asBuilt', note: string) => {
    if (!draft.plan) return;
    const plan = draft.plan;
    const { requestHash } = view;
    taking.take({
      send: (id, knowing) => send('takeCrossingPlan', ref, { id, knowing, kind, requestHash, plan, note }),
      said: kind === 'planned' ? 'This plan is in force now.' : 'Recorded as built.',
      then: () => draft.reset(plan),
    });
  };
  const lock = (tag: string) => {
    const locked = draft.lock(tag);
    void run(
      () => send('setCrossing', ref, view.version, { ...view.setup, locked }),
      'Kept with the crossing.',
    );
  };

  const save = useCallback(
    (setup: FrameSetup, version: number) =>
      void run(() => send('setCrossing', { job: view.job, crossing: view.name }, version, setup), 'Saved.'),
    [run, send, view.job, view.name],
  );

  const takeReentry = (after: FramePlan, cables: readonly FrameCable[]) =>
    taking.take({
      send: (id, knowing) =>
        send('takeReentry', ref, { id, knowing, version: view.version, cables, without: [], plan: after }),
      said: 'In the crossing now: its rows are to be built again.',
      then: () => {
        setShown(null);
        draft.reset(after);
      },
    });

  const plan = shown?.plan ?? draft.plan;
  const planRequest = shown?.request ?? request;
  return {
    view,
    inForce,
    request,
    draft,
    planning,
    taking,
    busy,
    problems,
    tab,
    setTab,
    side,
    setSide,
    only: only !== null && plan !== null && only < plan.frames.length ? only : null,
    setOnly,
    lit,
    setLit,
    picked,
    over,
    words,
    /** A plan that is only looked at, with another cable in it. */
    shown,
    setShown,
    plan,
    planRequest,
    begin: () => begin(draft.plan && draft.locked.length > 0 ? around(draft.plan) : planning.plan),
    judged,
    leaveOver: () => {
      setOver(null);
      setWords(null);
    },
    drop,
    pick,
    take,
    lock,
    save,
    takeReentry,
  };
}

export type CrossingSession = ReturnType<typeof useCrossingSession>;
