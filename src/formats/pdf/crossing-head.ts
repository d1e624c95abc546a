import { MM } from './document';
import { rule, text, type Doc, type Sheet } from './sheet';

/** What the print of a crossing says of it, whatever closes it. */
export interface CrossingHead {
  readonly name: string;
  readonly place: string;
  readonly rating: string;
  readonly planHash: string;
  readonly sheetNamed: { readonly code: string; readonly revision: string } | undefined;
  readonly provisional: readonly string[];
  readonly printed: Date;
  /** Where the job's record ends when this is printed, as a short code; null while nothing is recorded. */
  readonly record: string | null;
  /** Who signed the building; null while nobody has. */
  readonly signedBy: string | null;
  /** What does not hold of its record: then no signature is printed. */
  readonly faults: readonly string[];
}

/** A page with the name of the crossing above and the plan below. Returns where its text begins. */
export function crossingHead(doc: Doc, sheet: Sheet, print: CrossingHead, title: string): number {
  doc.addPage({ size: sheet.paper, margin: 0 });
  let y = text(doc, sheet, `${print.name}  ${title}`, sheet.left, 14 * MM, { size: 16, bold: true });
  y = text(
    doc,
    sheet,
    `${print.place}. ${print.rating === '' ? 'Rating of the wall not known: ask.' : `Wall: ${print.rating}.`}`,
    sheet.left,
    y + 1 * MM,
    { size: 9 },
  );
  rule(doc, sheet, y + 2 * MM);
  const { sheetNamed: by } = print;
  text(
    doc,
    sheet,
    `Plan ${print.planHash.slice(0, 12)}${by ? `, sheet ${by.code} revision ${by.revision}` : ''}, printed ${print.printed.toISOString().slice(0, 10)}${print.record === null ? '' : `, record ${print.record}`}`,
    sheet.left,
    sheet.footerTop + 6 * MM,
    { size: 7.5 },
  );
  return y + 5 * MM;
}

export const builtWords = ({ signedBy, faults }: CrossingHead): string =>
  faults.length === 0 && signedBy !== null ? `Built and signed at the bench by ${signedBy}.` : 'Not signed.';

/** What stands against it before any caution: a record that does not hold, measurements that are none. */
export const standsLines = ({ faults, provisional }: CrossingHead): string[] => [
  ...faults.slice(0, 2).map((f) => `The record of this crossing does not hold: ${f}.`),
  ...provisional.map((p) => `Provisional: ${p}.`).slice(0, 3),
];
