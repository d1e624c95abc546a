'use client';
import { DataTable } from '../kit-of-parts/DataTable';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { CRITERION_TITLES } from '@/core/gland-selection';
import type { CandidateView } from '@/core/termination-view';
import { trimNumber } from '@/core/units';
import { NutMark, VERDICT_WORDS } from '../verdict/NutMark';
import Box from '@mui/material/Box';
import { Choice } from '../kit-of-parts/Choice';

interface Props {
  readonly candidates: readonly CandidateView[];
  readonly pair: readonly [string, string];
  readonly onPair: (pair: readonly [string, string]) => void;
}

/** Two sizes side by side, criterion by criterion; where they answer alike the line is quiet. */
export function Comparison({ candidates, pair, onPair }: Props) {
  const two = pair.map((code) => candidates.find((c) => c.code === code) ?? candidates[0]);
  const [left, right] = two;
  if (!left || !right) return null;
  const pick = (side: 0 | 1, code: string) => onPair(side === 0 ? [code, right.code] : [left.code, code]);
  return (
    <DataTable label="Two sizes compared" sx={TWO}>
      <TableHead>
        <TableRow>
          <TableCell scope="col">
            <span className="ac-visually-hidden">Criterion</span>
          </TableCell>
          {([left, right] as const).map((candidate, side) => (
            <TableCell key={side} scope="col">
              <Box sx={{ display: 'flex', alignItems: 'center', gap: 0.75, mt: 1 }}>
                <NutMark verdict={candidate.verdict} size={18} />
                <Choice
                  label={side === 0 ? 'Left size' : 'Right size'}
                  value={candidate.code}
                  options={candidates.map((c) => [c.code, `${c.code} (${VERDICT_WORDS[c.verdict]})`])}
                  onChange={(code) => pick(side === 0 ? 0 : 1, code)}
                  width="100%"
                />
              </Box>
              <Box sx={{ mt: 0.5, fontWeight: 400 }}>{candidate.familyTitle}</Box>
            </TableCell>
          ))}
        </TableRow>
      </TableHead>
      <TableBody>
        {left.findings.map((a) => {
          const b = right.findings.find((f) => f.criterion === a.criterion);
          if (!b || (a.code === 'absent' && b.code === 'absent')) return null;
          const alike = a.reason === b.reason;
          return (
            <TableRow key={a.criterion} sx={alike ? ALIKE : {}}>
              <TableCell component="th" scope="row">
                {CRITERION_TITLES[a.criterion]}
              </TableCell>
              {[a, b].map((f, side) => (
                <TableCell key={side} sx={f.verdict === 'misfit' ? { color: 'error.main' } : {}}>
                  <NutMark verdict={f.verdict} size={14} />
                  <span>
                    {f.reason}
                    {f.margin === null || f.range === undefined ? null : (
                      <Box component="b" sx={{ whiteSpace: 'nowrap' }}>
                        {' '}
                        {trimNumber(f.margin, 2)} mm
                      </Box>
                    )}
                  </span>
                </TableCell>
              ))}
            </TableRow>
          );
        })}
        {[
          ['Ring and stop', left.ringWords, right.ringWords],
          ['Goes with it', left.goesWith.join(' · '), right.goesWith.join(' · ')],
        ].map(([title, a, b]) => (
          <TableRow key={title} sx={a === b ? ALIKE : {}}>
            <TableCell component="th" scope="row">
              {title}
            </TableCell>
            <TableCell>{a === '' ? '–' : a}</TableCell>
            <TableCell>{b === '' ? '–' : b}</TableCell>
          </TableRow>
        ))}
      </TableBody>
    </DataTable>
  );
}

/** Columns of one width, however long their reasons. */
const TWO = {
  width: '100%',
  my: 1,
  tableLayout: 'fixed',
  '& td, & th': { fontSize: 13 },
  '& th:first-of-type': { width: 118 },
  '& td svg': { float: 'left', m: '2px 6px 8px 0' },
} as const;
const ALIKE = { '& td': { color: 'text.secondary' } } as const;
