import { DataTable } from '../kit-of-parts/DataTable';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import type { FrameSheet } from '@/core/catalogue';
import { trimNumber } from '@/core/units';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { Cautions } from '../kit-of-parts/Cautions';
import { Folded } from '../kit-of-parts/Folded';
import { To } from '../kit-of-parts/To';

const mm = (value: number): string => trimNumber(value, 2);
const range = ({ min, max }: { readonly min: number; readonly max: number }): string =>
  `${mm(min)}–${mm(max)}`;

/** A system of transit frames in force, as its sheet gives it: what each module takes, what each frame has room for. */
export function FrameSheetPanel({
  sheet,
  typeIn,
}: {
  readonly sheet: FrameSheet;
  /** Where the sheet in hand is typed over it. */
  readonly typeIn: string;
}) {
  return (
    <Folded
      id={`frames-${sheet.code}`}
      title={`Transit frames ${sheet.code} revision ${sheet.sheet.revision}: ${sheet.modules.length} modules, ${sheet.frames.length} frames`}
    >
      <Typography variant="quiet" sx={{ my: 1 }}>
        {sheet.sheet.title}, issued {sheet.sheet.issued}. Crossings keep the revision they stand on.{' '}
        <To href={typeIn}>Type in the sheet in hand</To>
      </Typography>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'flex-start', gap: '12px 44px' }}>
        <DataTable>
          <caption>Modules, mm</caption>
          <TableHead>
            <TableRow>
              <TableCell scope="col">Module</TableCell>
              <TableCell scope="col">Side</TableCell>
              <TableCell scope="col">Takes</TableCell>
              <TableCell scope="col">Layer</TableCell>
              <TableCell scope="col">Gap</TableCell>
              <TableCell scope="col">Cost</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {sheet.modules.map((m) => (
              <TableRow key={m.id}>
                <TableCell component="th" scope="row">
                  {m.id}
                  {m.corner ? <small> rounded corner</small> : null}
                </TableCell>
                <TableCell>{mm(m.size)}</TableCell>
                <TableCell>{range(m.bore)}</TableCell>
                <TableCell>{mm(m.layer)}</TableCell>
                <TableCell>{range(m.gap)}</TableCell>
                <TableCell>{m.cost ?? '–'}</TableCell>
              </TableRow>
            ))}
          </TableBody>
        </DataTable>
        <DataTable>
          <caption>Frames, mm</caption>
          <TableHead>
            <TableRow>
              <TableCell scope="col">Frame</TableCell>
              <TableCell scope="col">Openings</TableCell>
              <TableCell scope="col">Press unit</TableCell>
              <TableCell scope="col">Fillers, at most</TableCell>
              <TableCell scope="col">Cost</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {sheet.frames.map((f) => {
              const [first] = f.openings;
              if (!first) return null;
              const { press } = first;
              return (
                <TableRow key={f.id}>
                  <TableCell component="th" scope="row">
                    {f.id}
                  </TableCell>
                  <TableCell>
                    {f.openings.length} × {mm(first.width)} × {mm(first.height)}
                    {first.cornerModule ? `, corners ${first.cornerModule}` : ''}
                  </TableCell>
                  <TableCell>
                    {range(press)}, {press.at.join(' or ')}
                    {press.id ? <small> {press.id}</small> : null}
                  </TableCell>
                  <TableCell>
                    {first.fillers.map((x) => `${x.max} × ${mm(x.thickness)}`).join(', ') || 'none'}
                  </TableCell>
                  <TableCell>{f.cost}</TableCell>
                </TableRow>
              );
            })}
          </TableBody>
        </DataTable>
      </Box>
      <Cautions cautions={sheet.cautions} />
    </Folded>
  );
}
