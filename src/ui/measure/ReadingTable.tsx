import { DataTable } from '../kit-of-parts/DataTable';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { diameterOf, METHOD_WORDS, type MeasurementRules } from '@/core/cable-measurement';
import type { ReadingView } from '@/core/termination-view';
import { parseLength } from '@/core/units';
import { Both } from '../common/Both';
import { RelativeTime } from '../common/RelativeTime';
import { diameterTexts } from '../common/unit';
import Box from '@mui/material/Box';
import Link from '@mui/material/Link';

interface Props {
  readonly readings: readonly ReadingView[];
  readonly rules: MeasurementRules;
  readonly onWithdraw: (id: number) => void;
}

/** The readings as they were typed, with who, when and with what. */
export function ReadingTable({ readings, rules, onWithdraw }: Props) {
  if (readings.length === 0) return null;
  return (
    <DataTable sx={{ '& td': { fontSize: 13.5 }, '& td:nth-of-type(-n + 3)': { whiteSpace: 'nowrap' } }}>
      <TableHead className="ac-visually-hidden">
        <TableRow>
          <TableCell>Method</TableCell>
          <TableCell>As typed</TableCell>
          <TableCell>Diameter</TableCell>
          <TableCell>Instrument, person, time</TableCell>
          <TableCell>Withdraw</TableCell>
        </TableRow>
      </TableHead>
      <TableBody>
        {readings.map(({ id, end, reading }) => {
          const diameter = diameterOf(reading, rules.tapeThicknessMm);
          const typed = /[a-z"″”]/i.test(reading.text) ? reading.text : `${reading.text} ${reading.unit}`;
          return (
            <TableRow key={id}>
              <TableCell>
                {METHOD_WORDS[reading.method]}
                {reading.angleDeg === undefined ? '' : ` at ${reading.angleDeg}°`}
                {end === null ? <Quiet> whole cable</Quiet> : null}
              </TableCell>
              <TableCell align="right" sx={{ fontWeight: 650 }}>
                {typed}
                {reading.tolerance ? ` ± ${reading.tolerance}` : ''}
              </TableCell>
              <TableCell align="right">
                {diameter.ok ? <Converted reading={reading} mm={diameter.value} /> : '–'}
              </TableCell>
              <TableCell sx={{ color: 'text.secondary' }}>
                {[reading.instrument, reading.person].filter(Boolean).join(' · ')}{' '}
                {reading.at ? <RelativeTime at={reading.at} /> : null}
              </TableCell>
              <TableCell align="right">
                <Link
                  component="button"
                  type="button"
                  sx={{ color: 'text.secondary', fontWeight: 400 }}
                  onClick={() => onWithdraw(id)}
                  aria-label={`Withdraw ${METHOD_WORDS[reading.method]} reading ${typed}`}
                >
                  withdraw
                </Link>
              </TableCell>
            </TableRow>
          );
        })}
      </TableBody>
    </DataTable>
  );
}

/** What the reading says in the unit it was not typed in; a circumference in both. */
function Converted({ reading, mm }: { readonly reading: ReadingView['reading']; readonly mm: number }) {
  const texts = diameterTexts(mm, mm);
  if (reading.method === 'wrapTape') return <Both texts={texts} />;
  const length = parseLength(reading.text, reading.unit);
  const typedInch = length.ok && (length.value.unit === 'in' || length.value.unit === 'ft');
  return <Quiet>{typedInch ? texts.mm : texts.in}</Quiet>;
}

const Quiet = ({ children }: { readonly children: string }) => (
  <Box component="span" sx={{ color: 'text.secondary' }}>
    {children}
  </Box>
);
