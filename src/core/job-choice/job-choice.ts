import { array, boolean, number, object, string, type InferType } from 'yup';
import { VERDICTS } from '@/core/gland-selection';

const optionSchema = object({
  /** Part number of the gland. */
  part: string().min(1).max(40).required(),
  /** Does it go in through an adaptor? */
  adaptor: boolean().required(),
  /** Smallest margin over the diameters compared, mm; null when none is compared. */
  marginMm: number().min(-1000).max(1000).nullable().defined(),
  /** How it was judged, as `choose` says it: only what fits is an option; a lock may keep a marginal fit. */
  verdict: string().oneOf(VERDICTS).optional(),
})
  .noUnknown()
  .required();

/** `choose-job`: for each termination the glands that may be taken, and the one that must stay, if any. */
export const jobChoiceRequestSchema = object({
  terminations: array()
    .of(
      object({
        tag: string().min(1).max(45).required(),
        options: array().of(optionSchema).max(5000).required(),
        /** The part that stays, whatever the rest of the job does. Need not be among the options: a lock may keep a marginal fit. */
        locked: optionSchema.optional().default(undefined),
      })
        .noUnknown()
        .required(),
    )
    .max(20_000)
    .required(),
})
  .noUnknown()
  .required();

export type JobChoiceRequest = InferType<typeof jobChoiceRequestSchema>;
export type JobTermination = JobChoiceRequest['terminations'][number];
export type JobOption = JobTermination['options'][number];

/** Why an option is none: it does not certainly fit. Null when it may be taken. */
export function notAnOption({ verdict, marginMm }: JobOption): string | null {
  if (verdict !== undefined && verdict !== 'fits') return `judged ${verdict}: only what fits is an option`;
  return marginMm !== null && marginMm < 0
    ? `lies ${-marginMm} mm outside its range: only what fits is an option`
    : null;
}

/** The request with only what may be taken, and what was left out of it, by its path. A lock stays whatever it is. */
export function withoutMisfits(request: JobChoiceRequest): {
  readonly request: JobChoiceRequest;
  readonly leftOut: readonly { readonly path: string; readonly part: string; readonly reason: string }[];
} {
  const leftOut = request.terminations.flatMap(({ options }, t) =>
    options.flatMap((o, i) => {
      const reason = notAnOption(o);
      return reason === null ? [] : [{ path: `terminations[${t}].options[${i}]`, part: o.part, reason }];
    }),
  );
  if (leftOut.length === 0) return { request, leftOut };
  const terminations = request.terminations.map((t) => ({
    ...t,
    options: t.options.filter((o) => notAnOption(o) === null),
  }));
  return { request: { ...request, terminations }, leftOut };
}

export interface JobPick {
  readonly tag: string;
  readonly part: string;
}

/** One choice for every termination that has any. */
export interface JobChoicePlan {
  /** `optimal`: fewest parts, then fewest adaptors, then the best worst margin, each proven; `gap`: the best that was found. */
  readonly status: 'optimal' | 'gap';
  readonly parts: number;
  /** No choice needs fewer parts than this. */
  readonly partsBound: number;
  readonly adaptors: number;
  /** Smallest margin of all picks, mm; null when none compares a diameter. */
  readonly worstMarginMm: number | null;
  readonly picks: readonly JobPick[];
  /** Terminations for which nothing may be taken. */
  readonly undecided: readonly string[];
}

/** What a set of picks comes to: how a choice that somebody made by hand is compared with the planned one. */
export function tally(
  request: JobChoiceRequest,
  picks: readonly JobPick[],
): Pick<JobChoicePlan, 'parts' | 'adaptors' | 'worstMarginMm'> {
  const byTag = new Map(request.terminations.map((t) => [t.tag, t]));
  let adaptors = 0;
  let worstMarginMm: number | null = null;
  for (const pick of picks) {
    const option = optionOf(byTag.get(pick.tag), pick.part);
    if (option?.adaptor) adaptors += 1;
    const margin = option?.marginMm ?? null;
    if (margin !== null && (worstMarginMm === null || margin < worstMarginMm)) worstMarginMm = margin;
  }
  return { parts: new Set(picks.map((p) => p.part)).size, adaptors, worstMarginMm };
}

/** The option behind a part: the lock when there is one, else the one of the list. */
export function optionOf(termination: JobTermination | undefined, part: string): JobOption | null {
  if (termination === undefined) return null;
  if (termination.locked) return termination.locked.part === part ? termination.locked : null;
  return termination.options.find((o) => o.part === part) ?? null;
}
