import { markText, stripDrawings, strippedEndDrawing } from '@/core/cut-back';
import type { TerminationPlan } from '@/core/procedure';
import { formatInchFraction, trimNumber } from '@/core/units';
import { collect, MM, newDocument } from './document';
import { drawDrawing } from './draw';

export interface CutCard {
  readonly plan: TerminationPlan;
  readonly hash: string;
  readonly jobName: string;
  readonly place: string;
  readonly cable: string;
  readonly stale: boolean;
  readonly signedBy: string | null;
  readonly printed: Date;
}

type Doc = PDFKit.PDFDocument;

const LEFT = 16 * MM;
const RIGHT = 194 * MM;
const WIDTH = RIGHT - LEFT;
const STRIP_PIECE_MM = 250;
const DRAWING_MM = 64;
/** Nothing but the footer stands below this. */
const FOOTER_TOP = 270 * MM;

/** The cut card of one termination: one page with everything the hand needs, then the 1:1 strip. Bytes of a PDF. */
export async function cutCardPdf(card: CutCard): Promise<Uint8Array<ArrayBuffer>> {
  const doc = newDocument(`Cut card ${card.plan.tag}`, card.printed);
  doc.addPage();
  let y = header(doc, card);
  y = drawing(doc, card, y);
  y = marks(doc, card, y);
  footer(doc, card);
  y = columns(doc, card, y);
  cautions(doc, card, y);
  strip(doc, card);
  return collect(doc);
}

function text(
  doc: Doc,
  value: string,
  x: number,
  y: number,
  size: number,
  options: { bold?: boolean; width?: number; align?: 'left' | 'right' } = {},
): number {
  doc
    .font(options.bold ? 'bold' : 'regular')
    .fontSize(size)
    .fillColor('#000000');
  const width = options.width ?? RIGHT - x;
  doc.text(value, x, y, { width, align: options.align ?? 'left', lineGap: 1 });
  return y + doc.heightOfString(value, { width, lineGap: 1 });
}

function rule(doc: Doc, y: number, weight = 1): void {
  doc.moveTo(LEFT, y).lineTo(RIGHT, y).lineWidth(weight).stroke('#000000');
}

function header(doc: Doc, card: CutCard): number {
  const { plan } = card;
  text(doc, plan.tag, LEFT, 14 * MM, 26, { bold: true, width: WIDTH * 0.6 });
  text(doc, `${plan.size}${plan.provisional.length > 0 ? ' (provisional)' : ''}`, LEFT, 14 * MM, 26, {
    bold: true,
    align: 'right',
    width: WIDTH,
  });
  text(doc, card.cable, LEFT, 25 * MM, 10, { bold: true });
  text(doc, `${card.place} · ${card.jobName}`, LEFT, 30 * MM, 10);
  const parts = [
    plan.ringWords,
    plan.adaptor ? `adaptor ${plan.adaptor}` : 'no adaptor',
    [...plan.outside, ...plan.inside].join('; '),
  ];
  let y = text(doc, parts.filter(Boolean).join(' · '), LEFT, 35 * MM, 10) + 2 * MM;
  const warn = card.stale
    ? 'STALE: a measurement or the place has changed since this was planned. Do not cut by this card.'
    : plan.provisional.length > 0
      ? `PROVISIONAL: ${plan.provisional.join('; ')}. Measure this end before anything is cut.`
      : null;
  if (warn !== null) {
    doc
      .rect(LEFT, y, WIDTH, 8 * MM)
      .lineWidth(1.5)
      .stroke('#000000');
    text(doc, warn, LEFT + 6, y + 6, 10, { bold: true, width: WIDTH - 12 });
    y += 10 * MM;
  }
  rule(doc, y, 1.5);
  return y + 2 * MM;
}

function drawing(doc: Doc, { plan }: CutCard, y: number): number {
  if (!plan.cut) return y;
  const picture = strippedEndDrawing(
    { cut: plan.cut, ...plan.diameters, armour: plan.armour, cores: plan.cores },
    560,
  );
  const scale = WIDTH / picture.width;
  const shrink = Math.min(1, (DRAWING_MM * MM) / (picture.height * scale));
  drawDrawing(doc, picture, LEFT + (WIDTH - picture.width * scale * shrink) / 2, y, scale * shrink);
  return y + picture.height * scale * shrink + 2 * MM;
}

function marks(doc: Doc, { plan }: CutCard, top: number): number {
  const { cut } = plan;
  if (!cut) {
    const why = [...plan.planOnly, ...plan.cutRefusal].map((p) => p.message).join('; ');
    return text(doc, `No marks: ${why}.`, LEFT, top, 11, { bold: true }) + 4 * MM;
  }
  rule(doc, top);
  let y = top + 2 * MM;
  const at = [LEFT, LEFT + 38 * MM, LEFT + 60 * MM, LEFT + 84 * MM, LEFT + 108 * MM];
  ['From the cable end', 'mm', 'in', 'blade at most', 'then'].forEach((h, i) =>
    text(doc, h, at[i] ?? LEFT, y, 8, { width: 40 * MM }),
  );
  y += 5 * MM;
  for (const mark of cut.marks) {
    text(doc, mark.title, at[0] ?? LEFT, y + 3, 11, { bold: true });
    text(doc, trimNumber(mark.atMm, 1), at[1] ?? LEFT, y, 16, { bold: true });
    text(doc, formatInchFraction(mark.atMm, 32), at[2] ?? LEFT, y + 3, 11);
    text(
      doc,
      mark.guard.maxDepthMm === null ? 'by eye' : `${mark.guard.maxDepthMm.toFixed(1)} mm`,
      at[3] ?? LEFT,
      y + 3,
      11,
    );
    const end = text(doc, mark.check, at[4] ?? LEFT, y + 2, 8.5, { width: RIGHT - (at[4] ?? LEFT) });
    y = Math.max(y + 7.5 * MM, end + 1 * MM);
  }
  text(
    doc,
    `Armour on the cone ${markText(cut.armour.mm, cut.unit)} ${cut.unit} (${trimNumber(cut.armour.minMm, 1)}–${trimNumber(cut.armour.maxMm, 1)} mm) · inner sheath ${markText(cut.stub.mm, cut.unit)} ${cut.unit} · tails ${markText(cut.tails.mm, cut.unit)} ${cut.unit} · cable used ${trimNumber(cut.consumedMm, 1)} mm`,
    LEFT,
    y,
    9,
  );
  return y + 6 * MM;
}

const GAP = 8 * MM;
const HALF = (WIDTH - GAP) / 2;

/** Slide-on list at the left, stages at the right. Returns where the left column ends: the cautions go on there. */
function columns(doc: Doc, { plan }: CutCard, top: number): number {
  rule(doc, top);
  const heading = top + 2 * MM;
  text(doc, 'On the cable before the first cut, in this order', LEFT, heading, 10, {
    bold: true,
    width: HALF,
  });
  let left = heading + 6 * MM;
  plan.slideOn.forEach((s, i) => {
    box(doc, LEFT, left);
    left =
      text(
        doc,
        `${i + 1}. ${[s.name, s.facing, s.trim].filter(Boolean).join(', ')}`,
        LEFT + 6 * MM,
        left,
        9.5,
        { width: HALF - 6 * MM },
      ) +
      2.2 * MM;
  });
  const x = LEFT + HALF + GAP;
  text(doc, `Tighten, by ${plan.family.sheet}, revision ${plan.family.revision}`, x, heading, 10, {
    bold: true,
    width: HALF,
  });
  let right = heading + 6 * MM;
  plan.stages.forEach((s, i) => {
    box(doc, x, right);
    const spanners = [s.memberSpannerMm, s.heldSpannerMm]
      .filter((v) => v !== null)
      .map((v) => trimNumber(v, 1));
    const line = `${i + 1}. ${s.title}${s.phase === 'makeOff' ? ' (undo again, look, decide)' : ''}: ${s.words}`;
    right = text(doc, line, x + 6 * MM, right, 9.5, { width: HALF - 6 * MM, bold: true });
    right =
      text(
        doc,
        `turn the ${s.member}, hold the ${s.held}${spanners.length > 0 ? `, spanners ${[...new Set(spanners)].join(' and ')} mm` : ''}. ${s.see}`,
        x + 6 * MM,
        right,
        8.5,
        { width: HALF - 6 * MM },
      ) +
      1.6 * MM;
  });
  return left + 2 * MM;
}

/** A place for initials. */
function box(doc: Doc, x: number, y: number): void {
  doc
    .rect(x, y, 4 * MM, 4 * MM)
    .lineWidth(0.8)
    .stroke('#000000');
}

const ALWAYS = [
  'Isolate, lock and prove dead before opening. Permit and gas test where the area asks for them: tablets, testers and power tools are ignition sources.',
  'Sharp armour; blades away from the body; eyes and hands covered; dust when sawing.',
  'The certificate belongs to the exact parts and procedure of the product’s own sheet in the revision in hand. A deviation leads to redo, replan or stop.',
] as const;

function cautions(doc: Doc, { plan }: CutCard, top: number): void {
  let y = text(doc, 'Cautions', LEFT, top, 10, { bold: true, width: HALF }) + 1.5 * MM;
  let width = HALF;
  for (const line of [...ALWAYS, ...plan.cautions]) {
    doc.font('regular').fontSize(8.5);
    if (y + doc.heightOfString(line, { width: width - 4 * MM, lineGap: 1 }) > FOOTER_TOP - 1 * MM) {
      // A caution is never squeezed out: what has no room goes on the next page.
      doc.addPage();
      width = WIDTH;
      y = text(doc, `${plan.tag}, cautions continued`, LEFT, 14 * MM, 11, { bold: true }) + 3 * MM;
    }
    doc.rect(LEFT, y + 1, 2, 8).fill('#000000');
    y = text(doc, line, LEFT + 4 * MM, y, 8.5, { width: width - 4 * MM }) + 1 * MM;
  }
}

function footer(doc: Doc, card: CutCard): void {
  const y = 281 * MM;
  rule(doc, FOOTER_TOP);
  text(
    doc,
    card.signedBy
      ? `Signed at the bench by ${card.signedBy}`
      : 'Fitter                                           Inspector                                           Date',
    LEFT,
    y - 8 * MM,
    9,
  );
  text(doc, `Plan ${card.hash}`, LEFT, y, 7.5);
  text(
    doc,
    `printed ${card.printed.toISOString().slice(0, 16).replace('T', ' ')} UTC · Amber Collar`,
    LEFT,
    y,
    7.5,
    { align: 'right', width: WIDTH },
  );
}

function strip(doc: Doc, { plan }: CutCard): void {
  if (!plan.cut) return;
  const pieces = stripDrawings(plan.cut, plan.tag, STRIP_PIECE_MM);
  const perPage = 3;
  pieces.forEach((piece, i) => {
    if (i % perPage === 0) {
      doc.addPage({ size: 'A4', layout: 'landscape', margin: 0 });
      text(
        doc,
        `${plan.tag}: marking strip at 1:1. Print at 100 %, check the bars with a rule, cut out, lay along the cable with 0 at its end.`,
        16 * MM,
        12 * MM,
        10,
        { width: 265 * MM },
      );
    }
    drawDrawing(doc, piece, 16 * MM, (24 + (i % perPage) * 58) * MM, MM);
  });
}
