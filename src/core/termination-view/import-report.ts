/** What a file of sheets has brought into the catalogue. */
export interface ImportReportView {
  readonly name: string;
  readonly already: boolean;
  readonly families: readonly {
    readonly code: string;
    readonly revision: string;
    readonly sizes: number;
    readonly state: 'new' | 'there';
    readonly missing: readonly string[];
  }[];
  readonly parts: number;
  readonly frameSheets: readonly string[];
}
