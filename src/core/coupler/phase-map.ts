import { own } from '@/core/kernel';

/** Which contact each phase lies on, by its colour. */
export type PhaseMap = Readonly<Record<string, string>>;

/** A phase that lies elsewhere at the other end. */
export interface Swap {
  readonly phase: string;
  readonly here: string;
  readonly there: string;
}

/**
 * What two ends of one cable say otherwise of the same phase. A phase that only one end has said anything of is no swap: it is compared once both
 * have.
 */
export const swapsBetween = (here: PhaseMap, there: PhaseMap): Swap[] =>
  Object.keys(here)
    .sort()
    .flatMap((phase) => {
      const [mine, its] = [own(here, phase), own(there, phase)];
      return mine === undefined || its === undefined || mine === its
        ? []
        : [{ phase, here: mine, there: its }];
    });

/** What is wrong with a map by itself: a phase without a contact, a contact that takes two, one that is none of this coupler. Sentences. */
export function mapFaults(map: PhaseMap, phases: readonly string[], contacts: readonly string[]): string[] {
  const faults = phases.filter((p) => own(map, p) === undefined).map((p) => `${p} has no contact`);
  for (const [phase, contact] of Object.entries(map)) {
    if (!phases.includes(phase)) faults.push(`${phase} is no phase of this cable`);
    else if (!contacts.includes(contact)) faults.push(`${contact} is no contact for a phase`);
  }
  for (const contact of contacts) {
    const on = phases.filter((p) => own(map, p) === contact);
    if (on.length > 1) faults.push(`${on.join(' and ')} both lie on ${contact}`);
  }
  return faults;
}

/** A swap as a refusal that names both ends. */
export const swapWords = (swaps: readonly Swap[], here: string, there: string): string =>
  `phases are swapped between the ends: ${swaps
    .map((s) => `${s.phase} on ${s.here} at ${here}, on ${s.there} at ${there}`)
    .join('; ')}`;
