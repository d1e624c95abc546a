import { DataTable } from '../kit-of-parts/DataTable';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { CRITERION_TITLES, type FindingView } from '@/core/gland-selection';
import type { CandidateView } from '@/core/termination-view';
import { trimNumber } from '@/core/units';
import { NutMark, VERDICT_WORDS } from '../verdict/NutMark';
import Box from '@mui/material/Box';

const marginText = (f: FindingView): string =>
  f.margin === null
    ? ''
    : `${f.margin > 0 ? '+' : ''}${trimNumber(f.margin, 2)} ${f.criterion === 'temperature' ? '°C' : 'mm'}`;

/** Every criterion of one size: verdict, numbers compared, margin, reason and where the figure stands. */
export function FindingList({ candidate }: { readonly candidate: CandidateView }) {
  return (
    <DataTable
      sx={{
        width: '100%',
        mt: 1.75,
        '& td, & th': { fontSize: 13.5 },
        '& caption': { p: '10px 0 6px', borderTop: '2px solid', borderColor: 'divider' },
        '& th[scope="row"]': { whiteSpace: 'nowrap' },
      }}
    >
      <caption>
        <Box component="b" sx={{ mr: 0.75, fontSize: 15, color: 'text.primary' }}>
          {candidate.code}
        </Box>{' '}
        {candidate.familyTitle} · {candidate.sheet}
        {candidate.printedInches ? ` · outer seal printed as ${candidate.printedInches}` : ''}
      </caption>
      <TableHead className="ac-visually-hidden">
        <TableRow>
          <TableCell>Criterion</TableCell>
          <TableCell>Reason</TableCell>
          <TableCell>Margin</TableCell>
          <TableCell>Source</TableCell>
        </TableRow>
      </TableHead>
      <TableBody>
        {candidate.findings.map((f) => (
          <TableRow key={f.criterion}>
            <TableCell component="th" scope="row">
              <NutMark verdict={f.verdict} size={16} /> {CRITERION_TITLES[f.criterion]}
              <span className="ac-visually-hidden">{VERDICT_WORDS[f.verdict]}</span>
            </TableCell>
            <TableCell sx={f.verdict === 'misfit' ? { color: 'error.main' } : {}}>{f.reason}</TableCell>
            <TableCell align="right" sx={{ whiteSpace: 'nowrap', fontWeight: 600 }}>
              {marginText(f)}
            </TableCell>
            <TableCell>
              <Box component="small" sx={{ fontSize: 12, color: 'text.secondary' }}>
                {f.source}
              </Box>
            </TableCell>
          </TableRow>
        ))}
      </TableBody>
    </DataTable>
  );
}
