import { array, object, string, type InferType } from 'yup';
import { ok, refuse, type Result } from '@/core/kernel';

/** What is done at an equipment half that is closed by a cap while its cable half is away. */
export const CAP_ACTS = [
  'isolate',
  'lock',
  'proveDead',
  'unlock',
  'energise',
  'capOff',
  'capOn',
  'tighten',
  'mate',
  'unmate',
] as const;
export type CapAct = (typeof CAP_ACTS)[number];

export interface CapState {
  /** Nobody knows until it has been isolated: that counts as live. */
  readonly power: 'live' | 'isolated' | 'locked' | 'dead';
  /** What closes it: a cap that is tight or only on, its cable half, or nothing. */
  readonly front: 'tight' | 'on' | 'open' | 'mated';
}

/** Before anything is recorded: live, as far as anybody knows, and not known to be tight. */
export const CAP_UNKNOWN: CapState = { power: 'live', front: 'on' };

const no = (message: string, act: CapAct): Result<CapState> => refuse('act', message, act);

/**
 * What an act makes of it, or why it may not be done. Nothing is opened or mated that is not isolated, locked off and proved dead, in this order;
 * nothing is energised that is not closed tight or mated.
 */
export function capStep(state: CapState, act: CapAct): Result<CapState> {
  const { power, front } = state;
  switch (act) {
    case 'isolate':
      return power === 'live' ? ok({ ...state, power: 'isolated' }) : no('it is isolated already', act);
    case 'lock':
      return power === 'isolated'
        ? ok({ ...state, power: 'locked' })
        : no(power === 'live' ? 'isolate it first' : 'it is locked already', act);
    case 'proveDead':
      return power === 'locked'
        ? ok({ ...state, power: 'dead' })
        : no(power === 'dead' ? 'it is proved dead already' : 'isolate and lock it off first', act);
    case 'unlock':
      return power === 'locked' || power === 'dead'
        ? ok({ ...state, power: 'isolated' })
        : no('it is not locked', act);
    case 'energise':
      if (front === 'open') return no('its contacts are open: cap on and tight, or its cable half', act);
      if (front === 'on') return no('its cap is not known to be tight', act);
      if (power === 'live') return no('it is live already', act);
      return power === 'isolated' ? ok({ ...state, power: 'live' }) : no('it is locked off', act);
    case 'capOff':
      if (front === 'open' || front === 'mated') return no('there is no cap on it', act);
      return power === 'dead'
        ? ok({ ...state, front: 'open' })
        : no('isolate it, lock it off and prove it dead first', act);
    case 'capOn':
      return front === 'open' ? ok({ ...state, front: 'on' }) : no('it is closed', act);
    case 'tighten':
      return front === 'on' ? ok({ ...state, front: 'tight' }) : no('there is no loose cap on it', act);
    case 'mate':
      if (front !== 'open') return no('it is closed', act);
      return power === 'dead'
        ? ok({ ...state, front: 'mated' })
        : no('isolate it, lock it off and prove it dead first', act);
    case 'unmate':
      if (front !== 'mated') return no('it is not mated', act);
      return power === 'dead'
        ? ok({ ...state, front: 'open' })
        : no('isolate it, lock it off and prove it dead first', act);
  }
}

const text = (most: number) => string().trim().min(1).max(most).required();

export const liveCapRequestSchema = object({
  tag: text(40),
  log: array()
    .of(
      object({
        act: string().oneOf(CAP_ACTS).required(),
        by: text(60),
        /** ISO 8601. */
        at: string()
          .max(40)
          .required()
          .test(
            'time',
            'is no time',
            (v: string | undefined) => v === undefined || !Number.isNaN(Date.parse(v)),
          ),
      })
        .noUnknown()
        .required(),
    )
    .max(500)
    .required(),
})
  .noUnknown()
  .required();
export type LiveCapRequest = InferType<typeof liveCapRequestSchema>;

export interface LiveCapPlan extends CapState {
  /** The first entry that may not have been done as it stands there; what comes after it says nothing. Null where all of it may. */
  readonly refused: {
    readonly entry: number;
    readonly act: CapAct;
    readonly by: string;
    readonly why: string;
  } | null;
  readonly mayMate: boolean;
  readonly mayEnergise: boolean;
}

/** Where a log leads, entry by entry. One that may not be, or is older than the one before it, ends it: it is live then, as far as anybody knows. */
export function planLiveCap({ log }: LiveCapRequest): LiveCapPlan {
  let state = CAP_UNKNOWN;
  let last = -Infinity;
  for (const [i, { act, by, at }] of log.entries()) {
    const time = Date.parse(at);
    const next = time < last ? no('is before the entry above it', act) : capStep(state, act);
    if (!next.ok) {
      const why = next.problems[0]?.message ?? 'may not be';
      return {
        ...CAP_UNKNOWN,
        refused: { entry: i + 1, act, by, why },
        mayMate: false,
        mayEnergise: false,
      };
    }
    state = next.value;
    last = time;
  }
  return {
    ...state,
    refused: null,
    mayMate: capStep(state, 'mate').ok,
    mayEnergise: capStep(state, 'energise').ok,
  };
}
