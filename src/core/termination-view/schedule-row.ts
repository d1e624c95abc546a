/** One row of the grid as the server sends it. Lengths in mm. */
export interface ScheduleRowView {
  readonly id: number;
  readonly version: number;
  readonly tag: string;
  readonly type: string;
  readonly routeMm: number | null;
  readonly note: string;
  readonly a: ScheduleEndView;
  readonly b: ScheduleEndView;
}

export interface ScheduleEndView {
  readonly version: number;
  readonly enclosure: string | null;
  readonly entry: string | null;
  readonly tailMm: number | null;
  readonly spareMm: number;
}

export interface RowVersions {
  readonly cable: number;
  readonly A: number;
  readonly B: number;
}

/** What came of an edit: the row as saved, or what somebody else has made of it meanwhile. */
export type EditOutcome =
  | { readonly saved: ScheduleRowView }
  | { readonly conflict: { readonly by: string | null; readonly row: ScheduleRowView } };

/** One entry that a cable end may go into: where, what box and hole it is, and the end that it is taken by. */
export interface EntryChoice {
  readonly at: string;
  readonly box: string;
  readonly hole: string;
  readonly holder: string | null;
}

/** What a row of the schedule may name. */
export interface ScheduleChoices {
  readonly types: readonly { readonly code: string; readonly title: string }[];
  readonly entries: readonly EntryChoice[];
}
