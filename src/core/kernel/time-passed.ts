/** Share of the time a computation was given that has passed: 0 at its start, 1 when it is over. The driver has the clock, the core has none. */
export type TimePassed = () => number;

/** A computation that may take as long as it takes. */
export const NO_HURRY: TimePassed = () => 0;
