import { drawPlan, type TerminationPlan } from '@/core/procedure';
import { isHoldPoint, STATION_WORDS, type Step, unitOf } from '@/core/record';
import { trimNumber } from '@/core/units';
import { MM } from './document';
import { drawDrawing } from './draw';
import { box, caution, heightOf, rule, text, type Doc, type Sheet } from './sheet';

/** The gland on the cable and closed, and every step with its figure, its reason and a place for initials. */
export function drawSteps(
  doc: Doc,
  sheet: Sheet,
  plan: TerminationPlan,
  steps: readonly Step[],
  cautions: readonly string[],
): void {
  doc.addPage({ size: sheet.paper, margin: 0 });
  let y =
    text(doc, sheet, `${plan.tag}: the work in its order`, sheet.left, 14 * MM, { size: 16, bold: true }) +
    3 * MM;
  for (const line of cautions) y = caution(doc, sheet, line, sheet.left, y, sheet.width);
  y = pictures(doc, sheet, plan, y + (cautions.length > 0 ? 3 * MM : 0));
  rule(doc, sheet, y);
  y += 2 * MM;
  steps.forEach((step, i) => {
    y = stepLine(doc, sheet, plan, step, i + 1, y);
  });
}

function pictures(doc: Doc, sheet: Sheet, plan: TerminationPlan, top: number): number {
  const gap = 8 * MM;
  const half = (sheet.width - gap) / 2;
  const drawings = (['on-the-cable', 'closed'] as const)
    .map((which) => drawPlan(plan, which, 420))
    .filter((d) => d !== null);
  let bottom = top;
  drawings.forEach((drawing, i) => {
    const scale = Math.min(half / drawing.width, (52 * MM) / drawing.height);
    drawDrawing(doc, drawing, sheet.left + i * (half + gap), top, scale);
    bottom = Math.max(bottom, top + drawing.height * scale + 3 * MM);
  });
  return bottom;
}

const figureText = (step: Step): string =>
  step.figure
    ? `${step.figure.value} ${step.figure.unit}${step.figure.second ? ` (${step.figure.second})` : ''}`
    : '';

function stepLine(
  doc: Doc,
  sheet: Sheet,
  plan: TerminationPlan,
  step: Step,
  number: number,
  top: number,
): number {
  const x = sheet.left + 8 * MM;
  const width = sheet.width - 8 * MM - 34 * MM;
  const mark = isHoldPoint(step) ? ' · HOLD POINT' : '';
  const end = step.end === undefined ? '' : `${step.end}: `;
  const title = `${number}. ${end}${step.title}${mark}`;
  const accept = (step.accepts ?? [])
    .map((a) => ` ${a.label} ${trimNumber(a.min, 1)}–${trimNumber(a.max, 1)} ${unitOf(a)}.`)
    .join('');
  const bare = (line: string) => line.replace(/\.$/, '');
  const list = step.list && step.list.length > 0 ? ` ${step.list.map(bare).join('; ')}.` : '';
  const checks = step.checks && step.checks.length > 0 ? ` See: ${step.checks.map(bare).join('; ')}.` : '';
  const branches = step.branches
    ? ` ${step.branches.map((b) => b.button.replace(/^Hold: /, '')).join(' · ')}.`
    : '';
  const body = `${STATION_WORDS[step.station]}: ${step.detail} ${step.reason}${list}${accept}${checks}${branches}`;
  const height = heightOf(doc, title, 9.5, width, true) + heightOf(doc, body, 8, width) + 1.6 * MM;
  let y = top;
  if (y + height > sheet.bottom) {
    doc.addPage({ size: sheet.paper, margin: 0 });
    y =
      text(doc, sheet, `${plan.tag}: the work in its order, continued`, sheet.left, 14 * MM, {
        size: 11,
        bold: true,
      }) +
      3 * MM;
  }
  box(doc, sheet.left, y, 5);
  text(doc, sheet, figureText(step), sheet.right - 33 * MM, y, {
    size: step.figure ? 9 : 8,
    bold: true,
    width: 33 * MM,
    align: 'right',
  });
  const next = text(doc, sheet, title, x, y, { size: 9.5, bold: true, width });
  return Math.max(text(doc, sheet, body, x, next, { size: 8, width }), y + 6 * MM) + 1.6 * MM;
}
