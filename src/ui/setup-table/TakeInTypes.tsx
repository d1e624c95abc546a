'use client';
import Button from '@mui/material/Button';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import { useCallback, useState } from 'react';
import { ARMOUR_KINDS, ARMOUR_NAMES, type ArmourKind } from '@/core/catalogue';
import {
  guessTypes,
  NOMINAL_COLUMNS,
  readTypes,
  TYPE_COLUMN_WORDS,
  typeMappingProblems,
  type TypeMapping,
} from '@/core/setup-table';
import type { Grid } from '@/core/spreadsheet';
import type { TypeView } from '@/core/termination-view';
import { Acts } from '../kit-of-parts/Acts';
import { Choice } from '../kit-of-parts/Choice';
import { DataTable } from '../kit-of-parts/DataTable';
import { Panel } from '../kit-of-parts/Panel';
import { TableLines } from './TableLines';
import { TableSource } from './TableSource';
import { useTableIn, type TableRead } from './use-table-in';

interface Props {
  readonly job: string;
  readonly types: readonly TypeView[];
  readonly onClose: () => void;
}

const HOLDS: readonly (readonly [string, string])[] = [
  ['', 'left out'],
  ...Object.entries(TYPE_COLUMN_WORDS),
];
const UNITS = [
  ['', 'which unit?'],
  ['mm', 'mm'],
  ['in', 'in'],
] as const;
const ARMOURS: readonly (readonly [ArmourKind | '', string])[] = [
  ['', 'asked for'],
  ...ARMOUR_KINDS.map((k) => [k, ARMOUR_NAMES[k]] as const),
];

/** Cable types from the table of a datasheet, or from our own: what its columns hold is guessed and set right by hand. */
export function TakeInTypes({ job, types, onClose }: Props) {
  /** As somebody set it; of which grid. */
  const [set, setSet] = useState<{ readonly of: Grid; readonly mapping: TypeMapping } | null>(null);
  const [armour, setArmour] = useState<ArmourKind | ''>('');
  const mappingOf = useCallback(
    (grid: Grid): TypeMapping => (set?.of === grid ? set.mapping : guessTypes(grid)),
    [set],
  );
  const read = useCallback(
    (grid: Grid): TableRead => {
      const mapping = mappingOf(grid);
      const problems = typeMappingProblems(mapping);
      if (problems.length > 0) return { setup: { types: [], boxes: [] }, rows: [], problems };
      const current = new Map(types.map((t) => [t.type.code, t.type]));
      const rows = readTypes(grid, mapping, current, armour === '' ? {} : { armour });
      return {
        setup: { types: rows.flatMap((r) => r.facts ?? []), boxes: [] },
        rows,
        problems: [],
      };
    },
    [mappingOf, types, armour],
  );
  const table = useTableIn(job, read);
  const mapping = table.grid === null ? null : mappingOf(table.grid);
  return (
    <Panel label="Take in a table of types">
      <Typography sx={{ mb: 2 }}>
        Paste the table of a datasheet with its headings, or give back a table that was saved here. What it
        does not say of a new type stands on the side that refuses: not filled, and the sheath creeps.
      </Typography>
      <TableSource
        table={table}
        label="Table of types, pasted with its headings"
        placeholder="Part number&#9;Cores x area&#9;Diameter under bedding (mm)&#9;Overall diameter (mm)"
      />
      {table.grid !== null && mapping !== null && table.taken === null ? (
        <MappedColumns
          grid={table.grid}
          mapping={mapping}
          onChange={(next) => {
            if (table.grid !== null) setSet({ of: table.grid, mapping: next });
          }}
          armour={armour}
          onArmour={setArmour}
        />
      ) : null}
      <TableLines table={table} words={TYPE_COLUMN_WORDS} />
      <Acts>
        <Button variant="outlined" onClick={onClose}>
          {table.taken === null ? 'Leave it' : 'Done'}
        </Button>
      </Acts>
    </Panel>
  );
}

interface ColumnsProps {
  readonly grid: Grid;
  readonly mapping: TypeMapping;
  readonly onChange: (mapping: TypeMapping) => void;
  readonly armour: ArmourKind | '';
  readonly onArmour: (armour: ArmourKind | '') => void;
}

const EXAMPLES = 3;

function MappedColumns({ grid, mapping, onChange, armour, onArmour }: ColumnsProps) {
  const headings = grid[mapping.headerRow] ?? [];
  const rows = grid.slice(mapping.headerRow + 1);
  const hold = (i: number, name: string) =>
    onChange({ ...mapping, columns: mapping.columns.map((c, n) => (n === i ? name || null : c)) });
  const used = new Set(mapping.columns);
  return (
    <>
      <Acts>
        {NOMINAL_COLUMNS.some((c) => used.has(c)) ? (
          <Choice
            label="Diameters are in"
            options={UNITS}
            value={mapping.unit ?? ''}
            onChange={(u) => onChange({ ...mapping, unit: u === '' ? null : u })}
            width={140}
          />
        ) : null}
        {used.has('armour') ? null : (
          <Choice
            label="Armour that no row says"
            options={ARMOURS}
            value={armour}
            onChange={onArmour}
            width={220}
          />
        )}
      </Acts>
      <DataTable label="Columns of the table" sx={{ '& td, & th': { pt: 1.5 } }}>
        <TableHead>
          <TableRow>
            <TableCell>Heading</TableCell>
            <TableCell>Holds</TableCell>
            <TableCell>For example</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {mapping.columns.map((column, i) => {
            const heading = (headings[i] ?? '').trim() || `column ${i + 1}`;
            return (
              <TableRow key={`${i} ${heading}`}>
                <TableCell component="th" scope="row">
                  {heading}
                </TableCell>
                <TableCell>
                  <Choice
                    label={`${heading} holds`}
                    options={HOLDS}
                    value={column ?? ''}
                    onChange={(name) => hold(i, name)}
                    width={280}
                  />
                </TableCell>
                <TableCell>
                  <Typography variant="quiet" color="text.secondary" noWrap sx={{ maxWidth: 260 }}>
                    {rows
                      .flatMap((r) => (r[i] ?? '').trim() || [])
                      .slice(0, EXAMPLES)
                      .join(' · ')}
                  </Typography>
                </TableCell>
              </TableRow>
            );
          })}
        </TableBody>
      </DataTable>
    </>
  );
}
