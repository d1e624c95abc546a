'use client';
import { useCallback, useMemo, useReducer } from 'react';
import {
  checkFramePlan,
  moveCable,
  placeAt,
  placesOf,
  placesThatStay,
  sameRef,
  type FramePlan,
  type FrameRequest,
  type PlaceRef,
} from '@/core/frame-packing';
import { refuse, type Problem } from '@/core/kernel';

interface Draft {
  /** Every plan since the page was opened; the last is the one on the screen. */
  readonly past: readonly FramePlan[];
  /** How many of them are in force: one, or none yet. */
  readonly settled: number;
  /** Tags of cables whose places are locked: rows and frames may come to stand elsewhere in the list. */
  readonly locked: readonly string[];
}

type Act =
  | { readonly kind: 'put'; readonly plan: FramePlan }
  | { readonly kind: 'undo' }
  | { readonly kind: 'reset'; readonly plan: FramePlan | null }
  | { readonly kind: 'lock'; readonly tags: readonly string[] };

function reduce(state: Draft, act: Act): Draft {
  switch (act.kind) {
    case 'put':
      return { ...state, past: [...state.past, act.plan] };
    case 'undo':
      return state.past.length > state.settled ? { ...state, past: state.past.slice(0, -1) } : state;
    case 'reset':
      return { ...state, past: act.plan ? [act.plan] : [], settled: act.plan ? 1 : 0 };
    case 'lock':
      return { ...state, locked: act.tags };
  }
}

/** The rules that a plan breaks now and did not break before. */
function newProblems(request: FrameRequest, before: FramePlan, after: FramePlan): Problem[] {
  const was = checkFramePlan(request, before);
  const is = checkFramePlan(request, after);
  if (is.ok) return [];
  const known = new Set((was.ok ? [] : was.problems).map((p) => `${p.path} ${p.message}`));
  return is.problems.filter((p) => !known.has(`${p.path} ${p.message}`));
}

export interface MoveVerdict {
  readonly plan: FramePlan;
  readonly problems: readonly Problem[];
}

/** A plan that is being changed by hand: moves that are judged before they are made, undo, locks. */
export function useDraft(request: FrameRequest, inForce: FramePlan | null, lockedBefore: readonly string[]) {
  const [state, dispatch] = useReducer(reduce, {
    past: inForce ? [inForce] : [],
    settled: inForce ? 1 : 0,
    locked: lockedBefore,
  });
  const plan = state.past[state.past.length - 1] ?? null;
  const locked = useMemo(
    () =>
      placesOf(plan?.frames ?? []).flatMap(({ ref, place }) =>
        place.cable !== undefined && state.locked.includes(place.cable) ? [ref] : [],
      ),
    [plan, state.locked],
  );
  const staying = useMemo(
    () => (plan && locked.length > 0 ? placesThatStay(request, plan, locked) : []),
    [request, plan, locked],
  );
  const audit = useMemo(() => (plan ? checkFramePlan(request, plan) : null), [request, plan]);
  const judge = useCallback(
    (from: PlaceRef, to: PlaceRef): MoveVerdict | null => {
      if (!plan || sameRef(from, to)) return null;
      const still = [from, to].find((at) => locked.some((l) => sameRef(l, at)));
      if (still) {
        const tag = placeAt(plan, still)?.cable ?? '';
        return { plan, problems: refuse('', `${tag} is locked: unlock it before it is moved`).problems };
      }
      const moved = moveCable(request, plan, from, to);
      return moved === plan ? null : { plan: moved, problems: newProblems(request, plan, moved) };
    },
    [plan, request, locked],
  );
  return {
    plan,
    /** Places that are locked, and all that stay with them. */
    locked,
    staying,
    changed: state.past.length > state.settled,
    violations: audit && !audit.ok ? audit.problems : [],
    judge,
    put: useCallback((next: FramePlan) => dispatch({ kind: 'put', plan: next }), []),
    undo: useCallback(() => dispatch({ kind: 'undo' }), []),
    reset: useCallback((next: FramePlan | null) => dispatch({ kind: 'reset', plan: next }), []),
    /** Locks a cable where it is, or unlocks it; returns all that are locked then. */
    lock: (tag: string): string[] => {
      const without = state.locked.filter((t) => t !== tag);
      const tags = without.length < state.locked.length ? without : [...state.locked, tag];
      dispatch({ kind: 'lock', tags });
      return tags;
    },
  };
}
