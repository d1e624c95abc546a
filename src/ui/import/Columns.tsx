'use client';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import {
  fieldChoices,
  isSheetField,
  LENGTH_FIELDS,
  SHEET_UNITS,
  type ColumnUse,
  type SheetUnit,
} from '@/core/spreadsheet';
import { Acts } from '../kit-of-parts/Acts';
import { Choice } from '../kit-of-parts/Choice';
import { DataTable } from '../kit-of-parts/DataTable';
import { Problems } from '../kit-of-parts/Problems';
import { Section } from '../kit-of-parts/Section';
import { Segments } from '../kit-of-parts/Segments';
import { TextField } from '../kit-of-parts/TextField';
import { Tick } from '../kit-of-parts/Tick';
import type { SheetImport } from './use-sheet-import';

const SHAPES = [
  ['1', 'A row for each cable'],
  ['2', 'A row for each end'],
] as const;
const UNITS: readonly (readonly [SheetUnit | '', string])[] = [
  ['', 'unit?'],
  ...SHEET_UNITS.map((u) => [u, u] as const),
];
const EXAMPLES = 3;

/** What each column of the sheet holds: guessed from its heading and from what stands in it, and set right by hand. */
export function Columns({ sheet }: { readonly sheet: SheetImport }) {
  const { sheets, at, takeSheet, grid, mapping, setMapping, guessFrom, unmapped } = sheet;
  if (grid === null || mapping === null) return null;
  const headings = grid[mapping.headerRow]?.join() ?? '';
  const rows = grid
    .slice(mapping.headerRow + 1)
    .filter((r) => r.some((c) => c.trim() !== '') && r.join() !== headings);
  const use = (i: number, change: Partial<ColumnUse>) =>
    setMapping({ ...mapping, columns: mapping.columns.map((c, n) => (n === i ? { ...c, ...change } : c)) });
  return (
    <Section title="What the columns hold">
      <Acts>
        {sheets.length > 1 ? (
          <Choice
            label="Sheet"
            options={sheets.map((s, i) => [String(i), s.name] as const)}
            value={String(at)}
            onChange={(v) => takeSheet(Number(v))}
          />
        ) : null}
        <TextField
          label="Row of the headings"
          type="number"
          value={mapping.headerRow + 1}
          onChange={(e) => {
            const row = Number(e.target.value) - 1;
            if (Number.isInteger(row) && row >= 0 && row < Math.min(200, grid.length)) guessFrom(row);
          }}
          sx={{ width: 150 }}
        />
        <Segments
          label="Rows"
          options={SHAPES}
          value={mapping.rowsPerCable === 2 ? '2' : '1'}
          onChange={(v) =>
            setMapping({
              ...mapping,
              rowsPerCable: v === '2' ? 2 : 1,
              // What does not go with the other shape is no longer said.
              columns: mapping.columns.map((c) =>
                c.field !== null && !fieldChoices(v === '2' ? 2 : 1).some(([f]) => f === c.field)
                  ? { ...c, field: null }
                  : c,
              ),
            })
          }
        />
      </Acts>
      <DataTable label="Columns of the sheet" sx={{ '& td, & th': { pt: 1.5 } }}>
        <TableHead>
          <TableRow>
            <TableCell>Heading</TableCell>
            <TableCell>For example</TableCell>
            <TableCell>Holds</TableCell>
            <TableCell>Unit</TableCell>
            <TableCell>Empty cells</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {mapping.columns.map((column, i) => {
            const heading = (grid[mapping.headerRow]?.[i] ?? '').trim() || `column ${i + 1}`;
            const length =
              column.field !== null && isSheetField(column.field) && LENGTH_FIELDS.has(column.field);
            return (
              <TableRow key={`${i} ${heading}`}>
                <TableCell component="th" scope="row">
                  {heading}
                </TableCell>
                <TableCell>
                  <Typography
                    variant="quiet"
                    color="text.secondary"
                    noWrap
                    sx={{ display: 'block', maxWidth: 260 }}
                  >
                    {rows
                      .map((r) => (r[i] ?? '').trim())
                      .filter((c) => c !== '')
                      .slice(0, EXAMPLES)
                      .join(' · ')}
                  </Typography>
                </TableCell>
                <TableCell>
                  <Choice
                    label={`${heading} holds`}
                    options={[['', 'is left out'], ...fieldChoices(mapping.rowsPerCable === 2 ? 2 : 1)]}
                    value={column.field !== null && isSheetField(column.field) ? column.field : ''}
                    onChange={(field) => use(i, { field: field === '' ? null : field })}
                    width={260}
                  />
                </TableCell>
                <TableCell>
                  {length ? (
                    <Choice
                      label={`Unit of ${heading}`}
                      options={UNITS}
                      value={column.unit ?? ''}
                      onChange={(unit) => use(i, { unit: unit === '' ? null : unit })}
                      width={86}
                    />
                  ) : null}
                </TableCell>
                <TableCell>
                  {column.field === null ? null : (
                    <Tick
                      label="as above"
                      checked={column.fillDown}
                      onChange={(fillDown) => use(i, { fillDown })}
                    />
                  )}
                </TableCell>
              </TableRow>
            );
          })}
        </TableBody>
      </DataTable>
      <Problems problems={unmapped} />
    </Section>
  );
}
