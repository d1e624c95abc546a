import { KINDS, sealDrawings, type Made, type SealKindId } from '@/core/crossing';
import { capital, type Drawing } from '@/core/kernel';
import {
  SEAL_CAUTIONS,
  sealPartWords,
  sealWords,
  verdictOf,
  wrappedWords,
  type SealPart,
  type WrapPlan,
} from '@/core/soft-seal';
import { trimNumber } from '@/core/units';
import { builtWords, crossingHead, standsLines, type CrossingHead } from './crossing-head';
import { collect, MM, newDocument } from './document';
import { drawDrawing } from './draw';
import { caution, sheetOf, text, type Doc, type Paper, type Sheet } from './sheet';

export interface SealPrint extends CrossingHead {
  readonly made: Made<SealKindId>;
  readonly cautions: readonly string[];
}

/** A soft seal on paper: section and cut to scale, what was looked at with its number, what goes round each cable, parts. */
export function sealPdf(print: SealPrint, paper: Paper = 'A4'): Promise<Uint8Array<ArrayBuffer>> {
  const doc = newDocument(`Crossing ${print.name}`, print.printed, paper);
  const sheet = sheetOf(paper);
  const { made } = print;
  const { section, axis } = sealDrawings(made);
  const words = KINDS[made.of].words;
  let y = crossingHead(doc, sheet, print, words);
  y = text(doc, sheet, `${capital(verdictOf(made.plan.findings))}.`, sheet.left, y, {
    size: 11,
    bold: true,
  });
  y = drawn(doc, sheet, section, 'Across', y + 2 * MM, 92);
  y = drawn(doc, sheet, axis, 'Along', y + 2 * MM, 62);
  y = text(doc, sheet, builtWords(print), sheet.left, y + 1 * MM, { size: 8 });
  for (const line of [...standsLines(print), ...print.cautions, ...SEAL_CAUTIONS])
    y = caution(doc, sheet, line, sheet.left, y + 0.5 * MM, sheet.width);
  lists(doc, sheet, print);
  return collect(doc);
}

/** A drawing to scale, no taller than is given, with its scale below. */
function drawn(doc: Doc, sheet: Sheet, drawing: Drawing, title: string, y: number, tallMm: number): number {
  const scale = Math.min(sheet.width / drawing.width, (tallMm * MM) / drawing.height, 1.6 * MM);
  drawDrawing(doc, drawing, sheet.left, y, scale);
  return text(
    doc,
    sheet,
    `${title} the axis. Scale 1 : ${trimNumber(MM / scale, 2)}. Cables at the largest that they may be.`,
    sheet.left,
    y + drawing.height * scale + 1.5 * MM,
    { size: 8 },
  );
}

function lists(doc: Doc, sheet: Sheet, print: SealPrint): void {
  const { made } = print;
  let y = crossingHead(doc, sheet, print, 'what it needs');
  const put = (line: string, size = 8.5, bold = false): void => {
    if (y + 8 * MM > sheet.footerTop) y = crossingHead(doc, sheet, print, 'what it needs');
    y = text(doc, sheet, line, sheet.left + (bold ? 0 : 4 * MM), y + (bold ? 3 : 0.6) * MM, { size, bold });
  };
  const round =
    made.of === 'sleeve'
      ? made.plan.wrapped.map(wrappedWords)
      : made.of === 'wrap'
        ? roundLines(made.plan)
        : [];
  if (round.length > 0) {
    put(made.of === 'sleeve' ? 'Round each cable' : 'Strip, sealant and tie', 11, true);
    for (const line of round) put(line);
  }
  put('Parts', 11, true);
  for (const p of made.plan.parts) put(`${countOf(p)} ${sealPartWords(p)} ${p.id}`);
  put('What was looked at', 11, true);
  for (const f of made.plan.findings)
    put(`${f.verdict === 'holds' ? 'holds' : f.verdict === 'ask' ? 'ASK' : 'FAILS'}: ${sealWords(f)}`);
}

const countOf = ({ count, unit }: SealPart): string =>
  unit === 'mm' ? `${trimNumber(count / 1000, 2)} m of` : `${count} ×`;

const span = ({ min, max }: { readonly min: number; readonly max: number }): string =>
  `${trimNumber(min, 0)}–${trimNumber(max, 0)}`;

function roundLines({ rounds, tie, foldedMm, marks }: WrapPlan): string[] {
  return [
    `marks ${trimNumber(marks.first, 0)} mm and ${trimNumber(marks.second, 0)} mm from the end of the stub`,
    ...rounds.map(
      (r) =>
        `${r.id}: ${span(r.diameter)} mm, ${r.strips.map((s, i) => `layer ${i + 1} ${trimNumber(s.max, 0)} mm`).join(', ')}, sealant ${span(r.sealantMl)} mL`,
    ),
    ...(tie
      ? [
          `tie: ${span(tie.before)} mm round before, ${span(tie.target)} mm after, ${span(tie.pullMm)} mm of tail through`,
        ]
      : []),
    ...(foldedMm ? [`folded strip: ${span(foldedMm)} mm`] : []),
  ];
}
