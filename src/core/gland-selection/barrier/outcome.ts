/** What a decision about the inside of a cable comes to. `refused`: the place or the cable is not one this profile can judge. */
export type BarrierOutcome = 'none' | 'barrier' | 'seal' | 'ask' | 'refused';
