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

/** One row among several that are changed together. */
export interface RowEdit {
  readonly cable: number;
  readonly versions: RowVersions;
  readonly fields: Readonly<Record<string, string>>;
}

/** What came of changing several rows together: how many are written, or the row at which somebody was faster, and then none is. */
export type ManyOutcome =
  | { readonly saved: number }
  | { readonly conflict: { readonly by: string | null; readonly row: ScheduleRowView } };
