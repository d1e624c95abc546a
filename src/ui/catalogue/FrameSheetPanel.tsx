import { DataTable } from '../kit-of-parts/DataTable';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import type { FrameSheet } from '@/core/catalogue';
import { trimNumber } from '@/core/units';
import styles from './FrameSheetPanel.module.css';

const mm = (value: number): string => trimNumber(value, 2);
const range = ({ min, max }: { readonly min: number; readonly max: number }): string =>
  `${mm(min)}–${mm(max)}`;

/** A system of transit frames in force, as its sheet gives it: what each module takes, what each frame has room for. */
export function FrameSheetPanel({ sheet }: { readonly sheet: FrameSheet }) {
  return (
    <details className={styles.box} id={`frames-${sheet.code}`}>
      <summary>
        Transit frames {sheet.code} revision {sheet.sheet.revision}: {sheet.modules.length} modules,{' '}
        {sheet.frames.length} frames
      </summary>
      <p className={styles.quiet}>
        {sheet.sheet.title}, issued {sheet.sheet.issued}. Crossings keep the revision they stand on.
      </p>
      <div className={styles.tables}>
        <DataTable className={styles.table}>
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
        <DataTable className={styles.table}>
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
      </div>
      {sheet.cautions.length > 0 ? (
        <ul className={styles.cautions}>
          {sheet.cautions.map((c) => (
            <li key={c}>{c}</li>
          ))}
        </ul>
      ) : null}
    </details>
  );
}
