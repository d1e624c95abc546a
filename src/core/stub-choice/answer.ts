export interface StubContent {
  readonly id: string;
  /** As `enclose` has them: the centre of a circle, or the lower left corner of a rectangle, is 0, 0. */
  readonly circles: readonly {
    readonly tag: string;
    readonly x: number;
    readonly y: number;
    readonly d: number;
  }[];
}

export interface StubsAnswer {
  /** `optimal`: no choice of stubs costs less, by proof. `infeasible`: proven that something does not go in. */
  readonly status: 'optimal' | 'gap' | 'infeasible';
  readonly cost: number;
  /** No choice that holds all cables costs less; 0 where none can. */
  readonly bound: number;
  readonly stubs: readonly StubContent[];
  readonly unplaced: readonly { readonly tag: string; readonly reason: string }[];
  readonly notes: readonly string[];
}
