import type { TerminationPlan } from './termination-plan';
import { trimNumber } from '@/core/units';
import { STATIONS, type ArcStation, type Progress, type Step } from '@/core/record';

export const ARC_STATES = [
  'todo',
  'done',
  'provisional',
  'blocked',
  'hold',
  'waiting',
  'stale',
  'notNeeded',
] as const;
export type ArcState = (typeof ARC_STATES)[number];

export const ARC_WORDS: Readonly<Record<ArcState, string>> = {
  todo: 'to do',
  done: 'done',
  provisional: 'provisional',
  blocked: 'blocked',
  hold: 'at a hold point',
  waiting: 'waiting',
  stale: 'stale',
  notNeeded: 'not needed',
};

export interface Arc {
  readonly station: ArcStation;
  readonly state: ArcState;
  /** Share done, 0 to 1. */
  readonly share: number;
  /** The station's result in a word or two, for the strip. */
  readonly result: string;
}

const LETTERS: Readonly<Record<ArcState, string>> = {
  todo: 't',
  done: 'd',
  provisional: 'p',
  blocked: 'b',
  hold: 'h',
  waiting: 'w',
  stale: 's',
  notNeeded: 'n',
};

/** The arcs as fourteen characters, letter and tenths of the share: what lists of thousands carry. */
export const encodeArcs = (arcs: readonly Arc[]): string =>
  arcs.map((a) => `${LETTERS[a.state]}${a.share >= 1 ? 9 : Math.min(8, Math.floor(a.share * 10))}`).join('');

/** Back to states and shares; results are not part of the code. */
export function decodeArcs(code: string): Arc[] {
  return STATIONS.map((station, i) => {
    const state = ARC_STATES.find((s) => LETTERS[s] === code[2 * i]) ?? 'todo';
    const tenths = Number(code[2 * i + 1] ?? 0);
    return { station, state, share: tenths === 9 ? 1 : tenths / 10, result: '' };
  });
}

export interface CollarState {
  readonly arcs: readonly Arc[];
  readonly next: { readonly station: ArcStation; readonly action: string } | null;
  readonly blockedBy: string | null;
}

export interface CollarInput {
  readonly missing: readonly string[];
  readonly measureProblem: string | null;
  readonly measureProvisional: boolean;
  readonly measureResult: string;
  /** Why nothing may be chosen: null when something fits or nothing was judged yet. */
  readonly noFit: string | null;
  readonly plan: TerminationPlan | null;
  readonly stale: boolean;
  readonly steps: readonly Step[];
  readonly progress: Progress | null;
}

/** The seven arcs of a termination, its next action and what blocks it. */
export function collarOf(input: CollarInput): CollarState {
  const arcs = STATIONS.map((station) => arcFor(station, input));
  const blockedBy = input.measureProblem ?? input.noFit ?? cutBlock(input);
  return { arcs, next: nextAction(input), blockedBy };
}

const cutBlock = ({ plan }: CollarInput): string | null => {
  if (plan === null) return null;
  const problem = plan.planOnly[0] ?? plan.cutRefusal[0] ?? plan.sealRefusal[0];
  return problem ? problem.message : null;
};

const arc = (station: ArcStation, state: ArcState, result = '', share = state === 'done' ? 1 : 0): Arc => ({
  station,
  state,
  result,
  share,
});

function arcFor(station: ArcStation, input: CollarInput): Arc {
  switch (station) {
    case 'measure':
      if (input.measureProblem !== null) return arc(station, 'blocked', 'check');
      if (input.missing.length > 0) return arc(station, 'todo', input.measureResult);
      return arc(station, input.measureProvisional ? 'provisional' : 'done', input.measureResult, 1);
    case 'choose':
      return chooseArc(input);
    case 'seal':
      if (input.plan === null) return arc(station, 'todo');
      if (input.plan.sealRefusal.length > 0) return arc(station, 'blocked', 'check');
      return input.plan.seal === null && input.plan.mineral === undefined
        ? arc(station, 'notNeeded', 'none')
        : workArc(station, input);
    default:
      return workArc(station, input);
  }
}

function chooseArc(input: CollarInput): Arc {
  const { plan } = input;
  if (plan === null)
    return input.noFit === null ? arc('choose', 'todo') : arc('choose', 'blocked', 'no size');
  if (input.stale) return arc('choose', 'stale', plan.size, 1);
  return arc('choose', plan.provisional.length > 0 ? 'provisional' : 'done', plan.size, 1);
}

function workArc(station: ArcStation, input: CollarInput): Arc {
  const { plan, steps, progress } = input;
  if (plan === null) return arc(station, 'todo');
  if (steps.length === 0)
    return arc(station, station === 'cut' ? 'blocked' : 'todo', station === 'cut' ? 'plan only' : '');
  const own = steps.filter((s) => s.station === station);
  const doneCount = own.filter((s) => progress?.done.has(s.id)).length;
  const share = own.length === 0 ? 0 : doneCount / own.length;
  const result = workResult(station, plan, steps, progress);
  if (share === 1) return arc(station, input.stale ? 'stale' : 'done', result, 1);
  const next = progress?.next ?? null;
  if (next?.station === station && next.kind === 'cure') return arc(station, 'waiting', result, share);
  if (next?.station === station && (next.kind === 'look' || (next.kind === 'hold' && doneCount > 0)))
    return arc(station, 'hold', result, share);
  return arc(station, 'todo', result, share);
}

function workResult(
  station: ArcStation,
  plan: TerminationPlan,
  steps: readonly Step[],
  progress: Progress | null,
): string {
  switch (station) {
    case 'cut':
      return plan.cut ? cutResult(plan.cut) : '';
    case 'seal':
      if (plan.mineral) return `pot ${trimNumber(plan.mineral.needMl, 1)} mL`;
      return plan.seal ? `${plan.seal.kind} ${trimNumber(plan.seal.needMl, 1)} mL` : '';
    case 'makeOff':
      return plan.ring === null ? '' : plan.ring.face === 'plain' ? 'plain ring' : `${plan.ring.face} groove`;
    case 'tighten':
      return `${plan.stages.length} ${plan.stages.length === 1 ? 'stage' : 'stages'}`;
    case 'prove':
      return progress?.signedBy ? 'signed' : steps.length > 0 ? 'not signed' : '';
    default:
      return '';
  }
}

const cutResult = (cut: NonNullable<TerminationPlan['cut']>): string => {
  const [name, length] = cut.armour ? ['A', cut.armour] : ['T', cut.tails];
  return `${name} ${length.mm.toFixed(cut.unit === 'mm' ? 0 : 1)} mm`;
};

function nextAction(input: CollarInput): CollarState['next'] {
  const at = (station: ArcStation, action: string) => ({ station, action });
  if (input.measureProblem !== null) return at('measure', 'a reading is wrong');
  if (input.missing.length > 0) return at('measure', input.missing.join(', '));
  if (input.plan === null) {
    return input.noFit === null ? at('choose', 'a gland') : at('choose', 'nothing fits');
  }
  if (input.stale) return at('choose', 'stale: review what changed');
  if (input.plan.provisional.length > 0) return at('measure', 'this end, only nominal so far');
  if (input.steps.length === 0)
    return at(
      input.plan.cutRefusal.length === 0 && input.plan.sealRefusal.length > 0 ? 'seal' : 'cut',
      input.plan.cutRefusal.length > 0
        ? 'complete the cut'
        : input.plan.sealRefusal.length > 0
          ? 'a compound'
          : 'plan only: add the sheet’s data',
    );
  const step = input.progress?.next;
  if (!step) return null;
  const where: ArcStation = step.station === 'measure' || step.station === 'choose' ? 'cut' : step.station;
  return at(
    where,
    step.kind === 'hold' && step.id === 'safe'
      ? 'start at the bench'
      : (step.title.split(':')[0] ?? step.title).replace(/^./, (c) => c.toLowerCase()),
  );
}
