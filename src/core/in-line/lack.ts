import type { JointHalf } from '@/core/pin-map';

/** The half of which the record of the joint is kept; the other one is worked at and signed in it. */
export const RECORD_HALF: JointHalf = 'sockets';

export const HALF_WORDS: Readonly<Record<JointHalf, string>> = { sockets: 'sockets', pins: 'pins' };

/** The half that mates with it. */
export const mateOf = (half: JointHalf): JointHalf => (half === 'sockets' ? 'pins' : 'sockets');

/** What a half goes by in its housing: the end, and which half its entry takes. */
export interface HousedEnd {
  readonly tag: string;
  readonly half: JointHalf;
}

/** Why two ends are no joint yet. */
export type JointLack =
  | { readonly code: 'noMate'; readonly box: string; readonly half: JointHalf }
  | { readonly code: 'several'; readonly box: string; readonly tags: readonly string[] }
  | { readonly code: 'sameHalf'; readonly box: string; readonly half: JointHalf; readonly tag: string }
  | { readonly code: 'notPlanned'; readonly tag: string }
  | { readonly code: 'stale'; readonly tag: string };

export function lackWords(lack: JointLack): string {
  switch (lack.code) {
    case 'noMate':
      return `nothing goes into the half with ${HALF_WORDS[lack.half]} of ${lack.box} yet: a joint has two ends`;
    case 'several':
      return `${lack.tags.join(', ')} go into ${lack.box}, and a joint has two ends`;
    case 'sameHalf':
      return `${lack.tag} has ${HALF_WORDS[lack.half]} in ${lack.box} too: they do not mate`;
    case 'notPlanned':
      return `no size is taken yet for ${lack.tag}, the other half of this joint`;
    case 'stale':
      return `the plan of ${lack.tag}, the other half of this joint, is stale: make it again first`;
  }
}

/** The end that an end is joined with, among all that go into its housing; else why there is none. */
export function mateIn<E extends HousedEnd>(
  box: string,
  own: E,
  all: readonly E[],
): { readonly mate: E } | { readonly lack: JointLack } {
  const others = all.filter((e) => e.tag !== own.tag);
  const [mate] = others;
  if (mate === undefined) return { lack: { code: 'noMate', box, half: mateOf(own.half) } };
  if (others.length > 1) return { lack: { code: 'several', box, tags: all.map((e) => e.tag).sort() } };
  return mate.half === own.half
    ? { lack: { code: 'sameHalf', box, half: own.half, tag: mate.tag } }
    : { mate };
}
