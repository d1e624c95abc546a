import { sealPartWords, sealWords, wrappedWords } from '@/core/soft-seal';
import { trimNumber } from '@/core/units';
import type { Made } from './kinds';
import type { SealKindId } from './view';

export const SEAL_COLUMNS = ['what', 'name', 'part', 'x, mm', 'y, mm', 'diameter, mm', 'words'] as const;

const mm = (value: number): string => trimNumber(value, 2);

/** What lies where, what was looked at, and what it needs, as rows of text: the table of a soft seal. */
export function sealRows(made: Made<SealKindId>): Record<string, string>[] {
  return linesOf(made).map((line) => Object.fromEntries(SEAL_COLUMNS.map((c, i) => [c, line[i] ?? ''])));
}

function linesOf({ of, plan }: Made<SealKindId>): string[][] {
  const { findings, parts } = plan;
  const wrapped =
    of === 'sleeve' ? new Map(plan.wrapped.map((w) => [w.tag, wrappedWords(w)])) : new Map<string, string>();
  const lying =
    of === 'sleeve'
      ? plan.circles.map((c) => [
          c.tag === null ? 'blank' : 'cable',
          c.tag ?? '',
          c.part,
          mm(c.x),
          mm(c.y),
          mm(c.d),
          wrapped.get(c.tag ?? '') ?? '',
        ])
      : of === 'wrap'
        ? plan.rounds.flatMap((r) => [
            [
              'round',
              r.id,
              '',
              '',
              '',
              mm(r.diameter.max),
              r.strips.map((s, i) => `layer ${i + 1} ${mm(s.max)} mm`).join(', '),
            ],
            ...r.circles.map((c) => ['in it', c.name, r.id, mm(c.x), mm(c.y), mm(c.d), '']),
          ])
        : [];
  return [
    ...lying,
    ...parts.map((p) => [
      'part',
      p.id,
      sealPartWords(p),
      '',
      '',
      '',
      `${p.count}${p.unit === 'mm' ? ' mm' : ''}`,
    ]),
    ...findings.map((f) => [f.verdict, f.case.code, '', '', '', '', sealWords(f)]),
  ];
}
