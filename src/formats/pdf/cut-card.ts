import { writePins } from '@/core/pin-map';
import { couplerLines, type CouplerEndPlan } from '@/core/coupler';
import { cutLengths, markText, strippedEndDrawing } from '@/core/cut-back';
import type { MineralEndPlan } from '@/core/mineral-insulated';
import type { TerminationPlan } from '@/core/procedure';
import type { Step } from '@/core/record';
import { formatInchFraction, trimNumber, type LengthUnit } from '@/core/units';
import { drawFaces } from './card-faces';
import { drawSteps } from './card-steps';
import { drawStrip } from './card-strip';
import { collect, MM, newDocument } from './document';
import { drawDrawing } from './draw';
import { box, caution, heightOf, rule, sheetOf, text, type Doc, type Paper, type Sheet } from './sheet';

export interface CutCard {
  readonly plan: TerminationPlan;
  readonly steps: readonly Step[];
  readonly hash: string;
  readonly jobName: string;
  readonly place: string;
  readonly cable: string;
  readonly stale: boolean;
  /** The record, or the plan it stands on, has been changed behind the application's back. */
  readonly broken: boolean;
  readonly signedBy: string | null;
  /** The end of the job's record when this was printed; null before its first entry. */
  readonly record: string | null;
  readonly printed: Date;
}

const DRAWING_MM = 60;

/** The cut card of one termination: what the hand needs, the steps, and the 1:1 strip. Bytes of a PDF. */
export async function cutCardPdf(card: CutCard, paper: Paper = 'A4'): Promise<Uint8Array<ArrayBuffer>> {
  const doc = newDocument(`Cut card ${card.plan.tag}`, card.printed, paper);
  drawCutCard(doc, sheetOf(paper), card);
  return collect(doc);
}

/** The first reasons, and how many more there are: a card has room for two. */
const fewOf = (reasons: readonly string[]): string =>
  `${reasons.slice(0, 2).join('; ')}${reasons.length > 2 ? `; and ${reasons.length - 2} more` : ''}`;

/** Draws a card onto new pages of a document that may hold many. */
export function drawCutCard(doc: Doc, sheet: Sheet, card: CutCard): void {
  doc.addPage({ size: sheet.paper, margin: 0 });
  let y = header(doc, sheet, card);
  y = drawing(doc, sheet, card, y);
  y = marks(doc, sheet, card, y);
  footer(doc, sheet, card);
  const rest = cautions(doc, sheet, card, columns(doc, sheet, card, y));
  if (card.steps.length > 0 || rest.length > 0) drawSteps(doc, sheet, card.plan, card.steps, rest);
  drawFaces(doc, sheet, card.plan);
  drawStrip(doc, sheet, card.plan);
}

function header(doc: Doc, sheet: Sheet, card: CutCard): number {
  const { plan } = card;
  text(doc, sheet, plan.tag, sheet.left, 14 * MM, { size: 26, bold: true, width: sheet.width * 0.6 });
  text(
    doc,
    sheet,
    `${plan.size}${plan.provisional.length > 0 ? ' (provisional)' : ''}`,
    sheet.left,
    14 * MM,
    { size: 26, bold: true, align: 'right', width: sheet.width },
  );
  text(doc, sheet, card.cable, sheet.left, 25 * MM, { size: 10, bold: true });
  text(doc, sheet, `${card.place} · ${card.jobName}`, sheet.left, 30 * MM, { size: 10 });
  const parts = [
    plan.ringWords,
    plan.adaptor ? `adaptor ${plan.adaptor}` : 'no adaptor',
    [...plan.outside, ...plan.inside].join('; '),
  ];
  let y = text(doc, sheet, parts.filter(Boolean).join(' · '), sheet.left, 35 * MM, { size: 10 }) + 2 * MM;
  const warn = card.broken
    ? 'RECORD DOES NOT HOLD: plan or events have been changed after they were written. Do not rely on this card.'
    : card.stale
      ? 'STALE: a measurement or the place has changed since this was planned. Do not cut by this card.'
      : plan.provisional.length > 0
        ? `PROVISIONAL: ${fewOf(plan.provisional)}. Nothing is cut before this is settled.`
        : null;
  if (warn !== null) {
    const end = text(doc, sheet, warn, sheet.left + 6, y + 6, {
      size: 10,
      bold: true,
      width: sheet.width - 12,
    });
    doc
      .rect(sheet.left, y, sheet.width, end - y + 4)
      .lineWidth(1.5)
      .stroke('#000000');
    y = end + 4 + 2 * MM;
  }
  rule(doc, sheet, y, 1.5);
  return y + 2 * MM;
}

function drawing(doc: Doc, sheet: Sheet, { plan }: CutCard, y: number): number {
  if (!plan.cut) return y;
  const picture = strippedEndDrawing(
    { cut: plan.cut, ...plan.diameters, armour: plan.armour, cores: plan.cores },
    560,
  );
  const scale = sheet.width / picture.width;
  const shrink = Math.min(1, (DRAWING_MM * MM) / (picture.height * scale));
  drawDrawing(
    doc,
    picture,
    sheet.left + (sheet.width - picture.width * scale * shrink) / 2,
    y,
    scale * shrink,
  );
  return y + picture.height * scale * shrink + 2 * MM;
}

const FROM = {
  hub: 'From the hub’s edge, with the fitting on',
  coreEnd: 'From the end of each core',
} as const;

function marks(doc: Doc, sheet: Sheet, { plan }: CutCard, top: number): number {
  const { cut } = plan;
  if (!cut) {
    const why = [...plan.planOnly, ...plan.cutRefusal, ...plan.sealRefusal].map((p) => p.message).join('; ');
    return text(doc, sheet, `No marks: ${why}.`, sheet.left, top, { size: 11, bold: true }) + 4 * MM;
  }
  rule(doc, sheet, top);
  let y = top + 2 * MM;
  const at = [
    sheet.left,
    sheet.left + 54 * MM,
    sheet.left + 72 * MM,
    sheet.left + 96 * MM,
    sheet.left + 118 * MM,
  ];
  ['From the cable end', 'mm', 'in', 'blade at most', 'then'].forEach((h, i) =>
    text(doc, sheet, h, at[i] ?? sheet.left, y, { size: 8, width: 40 * MM }),
  );
  y += 5 * MM;
  for (const mark of cut.marks) {
    text(doc, sheet, mark.title, at[0] ?? sheet.left, y + 3, { size: 11, bold: true });
    text(doc, sheet, trimNumber(mark.fromDatumMm, 1), at[1] ?? sheet.left, y, { size: 16, bold: true });
    text(doc, sheet, formatInchFraction(mark.fromDatumMm, 32), at[2] ?? sheet.left, y + 3, { size: 11 });
    text(
      doc,
      sheet,
      mark.guard.maxDepthMm === null ? 'by eye' : `${mark.guard.maxDepthMm.toFixed(1)} mm`,
      at[3] ?? sheet.left,
      y + 3,
      { size: 11 },
    );
    const check = mark.datum === 'cableEnd' ? mark.check : `${FROM[mark.datum]}. ${mark.check}`;
    const end = text(doc, sheet, check, at[4] ?? sheet.left, y + 2, {
      size: 8.5,
      width: sheet.right - (at[4] ?? sheet.left),
    });
    y = Math.max(y + 7.5 * MM, end + 1 * MM);
  }
  y =
    text(
      doc,
      sheet,
      `${cutLengths(cut)
        .map(
          ({ name, length }) =>
            `${name} ${markText(length.mm, cut.unit)} ${cut.unit} (${trimNumber(length.minMm, 1)}–${trimNumber(length.maxMm, 1)} mm)`,
        )
        .join(' · ')} · cable used ${trimNumber(cut.consumedMm, 1)} mm`,
      sheet.left,
      y,
      { size: 8.5 },
    ) -
    4 * MM;
  if (plan.plugIn?.pins)
    y =
      text(doc, sheet, `Pin map: ${writePins(plan.plugIn.pins.map)}`, sheet.left, y + 5 * MM, { size: 8.5 }) -
      4 * MM;
  if (plan.coupler)
    y =
      text(doc, sheet, couplerWords(plan.coupler, cut.unit), sheet.left, y + 5 * MM, { size: 8.5 }) - 4 * MM;
  if (plan.mineral)
    y = text(doc, sheet, potWords(plan.mineral, cut.unit), sheet.left, y + 5 * MM, { size: 8.5 }) - 4 * MM;
  if (cut.coreTails.length > 0)
    y =
      text(
        doc,
        sheet,
        `Tails by core, from the sheath: ${cut.coreTails.map((t) => `${t.core} ${markText(t.mm, cut.unit)}`).join(' · ')} ${cut.unit}`,
        sheet.left,
        y + 5 * MM,
        { size: 8.5 },
      ) -
      4 * MM;
  return y + 6 * MM;
}

/** Gaskets, strap, tubes, stem and tape of a coupler. */
const couplerWords = (coupler: CouplerEndPlan, unit: LengthUnit): string =>
  couplerLines(coupler, unit)
    .map(([label, value]) => `${label}: ${value}`)
    .join(' · ');

/** Marks of a mineral-insulated end besides its cut, and by what its insulation is judged. */
function potWords(mineral: MineralEndPlan, unit: LengthUnit): string {
  const { tools, potAtMm, straightToMm, needMl, packs, test } = mineral;
  const at = (mm: number) => `${markText(mm, unit)} ${unit}`;
  return [
    ...tools.map((t) => `grip of the ${t.id} ${at(t.gripAtMm)}`),
    `lower edge of the pot ${at(potAtMm)}`,
    `straight up to ${at(straightToMm)}`,
    `${trimNumber(needMl, 1)} mL, ${packs.count} × ${packs.part}`,
    `${trimNumber(test.leastMohm, 0)} MΩ at ${trimNumber(test.testV, 0)} V, counted for ${trimNumber(test.holdsMs / 60_000, 0)} min`,
  ].join(' · ');
}

const GAP = 8 * MM;
const halfOf = (sheet: Sheet): number => (sheet.width - GAP) / 2;

/** Slide-on list at the left, stages at the right. Returns where each column ends: the cautions go on there. */
function columns(doc: Doc, sheet: Sheet, { plan }: CutCard, top: number): { left: number; right: number } {
  rule(doc, sheet, top);
  const heading = top + 2 * MM;
  text(doc, sheet, 'On the cable before the first cut, in this order', sheet.left, heading, {
    size: 10,
    bold: true,
    width: halfOf(sheet),
  });
  let left = heading + 6 * MM;
  plan.slideOn.forEach((s, i) => {
    box(doc, sheet.left, left);
    left =
      text(
        doc,
        sheet,
        `${i + 1}. ${[s.name, s.facing, s.trim].filter(Boolean).join(', ')}`,
        sheet.left + 6 * MM,
        left,
        { size: 9.5, width: halfOf(sheet) - 6 * MM },
      ) +
      2.2 * MM;
  });
  const x = sheet.left + halfOf(sheet) + GAP;
  text(doc, sheet, `Tighten, by ${plan.family.sheet}, revision ${plan.family.revision}`, x, heading, {
    size: 10,
    bold: true,
    width: halfOf(sheet),
  });
  let right = heading + 6 * MM;
  plan.stages.forEach((s, i) => {
    box(doc, x, right);
    const spanners = [s.memberSpannerMm, s.heldSpannerMm]
      .filter((v) => v !== null)
      .map((v) => trimNumber(v, 1));
    const line = `${i + 1}. ${s.title}${s.phase === 'makeOff' ? ' (undo again, look, decide)' : ''}: ${s.words}`;
    right = text(doc, sheet, line, x + 6 * MM, right, {
      size: 9.5,
      width: halfOf(sheet) - 6 * MM,
      bold: true,
    });
    right =
      text(
        doc,
        sheet,
        `turn the ${s.member}, hold the ${s.held}${spanners.length > 0 ? `, spanners ${[...new Set(spanners)].join(' and ')} mm` : ''}. ${s.see}`,
        x + 6 * MM,
        right,
        { size: 8.5, width: halfOf(sheet) - 6 * MM },
      ) +
      1.6 * MM;
  });
  return { left: compound(doc, sheet, plan, left) + 2 * MM, right: right + 2 * MM };
}

const table = (points: readonly { c: number; minutes: number }[]): string =>
  points.map((p) => `${trimNumber(p.c, 1)} °C ${p.minutes}`).join(', ');

/** What goes into the chamber, how much, for how long. Nothing for a gland without one. */
function compound(doc: Doc, sheet: Sheet, plan: TerminationPlan, top: number): number {
  const { seal } = plan;
  if (seal === null) return top;
  const width = halfOf(sheet);
  const packs = seal.packs.packs.map((p) => `${p.count} × ${p.part} (${trimNumber(p.ml, 1)} mL)`).join(', ');
  let y =
    text(
      doc,
      sheet,
      `Compound: ${seal.product}, ${trimNumber(seal.needMl, 1)} mL`,
      sheet.left,
      top + 1 * MM,
      { size: 10, bold: true, width },
    ) +
    1 * MM;
  for (const line of [
    `${packs}; ${trimNumber(seal.packs.leftoverMl, 1)} mL left over${seal.stickMm === null ? '' : `; ${seal.stickMm} mm of stick`}. ${seal.sheet.title}, revision ${seal.sheet.revision}.`,
    `Pot life, minutes: ${table(seal.potLife)}. Between two take the hotter; hotter than the last: do not mix.`,
    `Cure, minutes: ${table(seal.cure)}. Between two take the colder; colder than the first: warm the work.`,
    'Batch _______________  expiry ______________  mixed at ________  work ______ °C  hard at ________',
  ])
    y = text(doc, sheet, line, sheet.left, y, { size: 8, width }) + 1 * MM;
  return y;
}

const ALWAYS = [
  'Isolate, lock and prove dead before opening. Permit and gas test where the area asks for them: tablets, testers and power tools are ignition sources.',
  'Sharp armour; blades away from the body; eyes and hands covered; dust when sawing.',
  'The certificate belongs to the exact parts, compound and procedure of the product’s own sheet in the revision in hand. A deviation leads to redo, replan or stop.',
] as const;

/**
 * Cautions below the left column, then below the right one. What has no room on the page is returned: a caution is never squeezed out, it
 * goes on the next page.
 */
function cautions(
  doc: Doc,
  sheet: Sheet,
  { plan }: CutCard,
  free: { readonly left: number; readonly right: number },
): string[] {
  const width = halfOf(sheet);
  const lines = [...ALWAYS, ...plan.cautions, ...(plan.seal?.cautions ?? [])];
  const places = [
    { x: sheet.left, y: free.left },
    { x: sheet.left + width + GAP, y: free.right },
  ];
  let at = 0;
  let titled = false;
  while (lines.length > 0) {
    const place = places[at];
    if (place === undefined) break;
    const next = lines[0] ?? '';
    const height = heightOf(doc, next, 8.5, width - 4 * MM) + (titled ? 0 : 6 * MM);
    if (place.y + height > sheet.footerTop - 1 * MM) {
      at += 1;
      continue;
    }
    if (!titled) {
      place.y = text(doc, sheet, 'Cautions', place.x, place.y, { size: 10, bold: true, width }) + 1.5 * MM;
      titled = true;
    }
    place.y = caution(doc, sheet, next, place.x, place.y, width);
    lines.shift();
  }
  return lines;
}

function footer(doc: Doc, sheet: Sheet, card: CutCard): void {
  const y = sheet.bottom;
  rule(doc, sheet, sheet.footerTop);
  text(
    doc,
    sheet,
    card.signedBy
      ? `Signed at the bench by ${card.signedBy}`
      : 'Fitter                                           Inspector                                           Date',
    sheet.left,
    y - 8 * MM,
    { size: 9 },
  );
  text(doc, sheet, `Plan ${card.hash}`, sheet.left, y, { size: 7.5 });
  // The end of the job's record at this moment: a later record that does not come past it has been cut.
  const record = card.record === null ? 'Amber Collar' : `Record ${card.record}`;
  text(
    doc,
    sheet,
    `${record} · printed ${card.printed.toISOString().slice(0, 16).replace('T', ' ')} UTC`,
    sheet.left,
    y,
    { size: 7.5, align: 'right', width: sheet.width },
  );
}
