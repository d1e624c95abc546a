/** What a file of sheets has brought into the catalogue. */
export interface ImportReportView {
  readonly name: string;
  /** Nothing was new: this very file is in the catalogue already. */
  readonly already: boolean;
  readonly families: readonly {
    readonly code: string;
    readonly revision: string;
    readonly sizes: number;
    readonly state: 'new' | 'there';
    readonly missing: readonly string[];
  }[];
  readonly parts: number;
  /** Sheets that crossings stand on, as “transit frames TF revision A”. */
  readonly sheets: readonly string[];
}
