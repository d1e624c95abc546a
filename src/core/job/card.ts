import type { Arc } from '@/core/procedure';
import { ARC_STATES, decodeArcs } from '@/core/procedure';
import type { Role } from '@/core/people';
import { STATIONS, type ArcStation } from '@/core/record';
import type { LengthUnit } from '@/core/units';

/** A job as the first page shows it. */
export interface JobCard {
  readonly slug: string;
  readonly name: string;
  readonly place: string;
  readonly unit: LengthUnit;
  readonly profileTitle: string;
  readonly archived: boolean;
  readonly version: number;
  /** What the person who looks is in it. */
  readonly mine: readonly Role[];
  readonly ends: number;
  readonly done: number;
  readonly blocked: number;
  /** Ends at which a compound cures. */
  readonly curing: number;
  /** The collars of all ends, summed. */
  readonly arcs: readonly Arc[];
  /** How many ends are next at which station, the most first. */
  readonly next: readonly { readonly station: ArcStation; readonly ends: number }[];
  /** Who changed or worked last, and when (ISO 8601); null when nobody has. */
  readonly touched: { readonly by: string; readonly at: string } | null;
}

/** Ends that stand alike: their arcs by code, where they go on, and whether something blocks them. */
export interface AlikeEnds {
  readonly arcs: string;
  readonly next: string | null;
  readonly blocked: boolean;
  readonly ends: number;
}

/**
 * Sums the collars of a job. An arc is as full as its station is done over all ends that have that station; it takes the gravest state that any
 * end has there, and is done only when it is done everywhere.
 */
export function sumCollars(alike: readonly AlikeEnds[]): Arc[] {
  const collars = alike.map((a) => ({ arcs: decodeArcs(a.arcs), ends: a.ends }));
  return STATIONS.map((station, i) => {
    let ends = 0;
    let share = 0;
    const states = new Set<Arc['state']>();
    for (const collar of collars) {
      const arc = collar.arcs[i];
      if (arc === undefined || arc.state === 'notNeeded') continue;
      ends += collar.ends;
      share += collar.ends * (arc.state === 'done' ? 1 : arc.share);
      states.add(arc.state);
    }
    const base = { station, result: '' };
    if (ends === 0) return { ...base, state: alike.length === 0 ? 'todo' : 'notNeeded', share: 0 };
    if (states.size === 1 && states.has('done')) return { ...base, state: 'done', share: 1 };
    const gravest = GRAVEST.find((s) => states.has(s)) ?? 'todo';
    // Not quite full while anything is open, however many ends there are.
    return { ...base, state: gravest, share: Math.min(0.99, share / ends) };
  });
}

/** Of several states at one station, the one that is shown. What somebody has to do something about goes first. */
const GRAVEST: readonly Arc['state'][] = (() => {
  const first = ['blocked', 'stale', 'hold', 'provisional', 'waiting', 'todo'] as const;
  return [...first, ...ARC_STATES.filter((s) => !first.some((f) => f === s))];
})();

/** The figures of a job's card. */
export function countEnds(
  alike: readonly AlikeEnds[],
): Pick<JobCard, 'ends' | 'done' | 'blocked' | 'curing' | 'next'> {
  const sum = (of: readonly AlikeEnds[]) => of.reduce((n, a) => n + a.ends, 0);
  const open = alike.filter((a) => !a.blocked && a.next !== null);
  const seal = STATIONS.indexOf('seal');
  return {
    ends: sum(alike),
    blocked: sum(alike.filter((a) => a.blocked)),
    done: sum(alike.filter((a) => !a.blocked && a.next === null)),
    curing: sum(open.filter((a) => a.next === 'seal' && decodeArcs(a.arcs)[seal]?.state === 'waiting')),
    next: STATIONS.map((station) => ({ station, ends: sum(open.filter((a) => a.next === station)) }))
      .filter((n) => n.ends > 0)
      .sort((a, b) => b.ends - a.ends),
  };
}
