import { checkPacking } from '@/core/circle-packing';
import type { Problem } from '@/core/kernel';
import { trimNumber } from '@/core/units';
import type { SleeveCircle } from './plan-schema';
import { wrappedOf } from './sleeve';
import { smallest, type SleeveRequest } from './sleeve-request';

/**
 * Audits where all lies in a sleeve, whoever laid it: every cable is there once with what its sheet puts round it, every blank is one of the sheet, none
 * reaches over the edge of the smallest that the opening may be, none into another. To 1e-6 mm.
 */
export function checkSleeve(request: SleeveRequest, circles: readonly SleeveCircle[]): Problem[] {
  const problems: Problem[] = [];
  const tell = (at: number, message: string, value?: unknown) =>
    problems.push({ path: `circles[${at}]`, message, ...(value === undefined ? {} : { value }) });
  const wrapped = new Map(wrappedOf(request).map((w) => [w.tag, w]));
  const fillers = new Map(request.sheet.fillers.map((f) => [f.id, f.outerMm]));
  const seen = new Set<string>();
  circles.forEach(({ tag, part, d }, i) => {
    if (tag === null) {
      if (fillers.get(part) !== d) tell(i, `is no blank of the sheet of ${trimNumber(d, 2)} mm`, part);
      return;
    }
    const is = wrapped.get(tag);
    if (is === undefined) tell(i, 'is no cable that goes through', tag);
    else if (seen.has(tag)) tell(i, 'lies there twice', tag);
    else if (is.with !== part || is.d !== d)
      tell(i, `has to be ${is.with} of ${trimNumber(is.d, 2)} mm round ${tag}`, part);
    seen.add(tag);
  });
  for (const { tag } of request.cables)
    if (!seen.has(tag)) problems.push({ path: 'circles', message: 'lacks a cable', value: tag });
  const name = (i: number) => circles[i]?.tag ?? `blank ${circles[i]?.part ?? ''}`;
  const lying = circles.map(({ x, y, d }, i) => ({ i, x, y, d }));
  const diameters = lying.map((c) => c.d);
  for (const v of checkPacking(diameters, request.sheet.clearanceMm, smallest(request.opening), lying)) {
    if (v.kind === 'outside') tell(v.i, `reaches ${short(v.by)} over the edge`, name(v.i));
    else if (v.kind === 'near') tell(v.i, `is ${short(v.by)} too near to ${name(v.j)}`, name(v.i));
    else tell(v.i, 'is counted wrongly', name(v.i));
  }
  return problems;
}

/** A length that is never said to be nothing. */
const short = (by: number): string =>
  Number.isNaN(by) ? 'nobody knows how far' : by < 0.01 ? 'less than 0.01 mm' : `${trimNumber(by, 2)} mm`;
