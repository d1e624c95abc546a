import Box from '@mui/material/Box';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { useMemo } from 'react';
import type { Size } from '@/core/catalogue';
import { CellField } from '../../kit-of-parts/CellField';
import { DataTable } from '../../kit-of-parts/DataTable';
import { Remove } from '../../kit-of-parts/Remove';
import { pathName, sizeColumns, type Path, type SizeColumnView } from './editor-columns';
import type { FamilyDraft } from './use-family-draft';

interface Props {
  readonly editor: FamilyDraft;
}

/** Groups of columns that stand side by side, each with how many it spans. */
function groupsOf(columns: readonly SizeColumnView[]): [string, number][] {
  const groups: [string, number][] = [];
  for (const { group } of columns) {
    const last = groups[groups.length - 1];
    if (last?.[0] === group) last[1] += 1;
    else groups.push([group, 1]);
  }
  return groups;
}

const begins = (columns: readonly SizeColumnView[], i: number): boolean =>
  columns[i - 1]?.group !== columns[i]?.group;

/** The sizes of the family as a sheet has them: a line each, the figures of a part side by side. */
export function SizesTable({ editor }: Props) {
  const { sizes } = editor.draft;
  const columns = useMemo(() => sizeColumns(editor.draft), [editor.draft]);
  return (
    <Box
      sx={{
        mb: 1.25,
        bgcolor: 'background.paper',
        border: '2px solid',
        borderColor: 'divider',
        borderRadius: 1,
      }}
    >
      <DataTable label="Sizes" sx={LOOK}>
        <TableHead>
          <TableRow>
            <TableCell rowSpan={2}>Size</TableCell>
            {groupsOf(columns).map(([group, n], i) => (
              <TableCell key={`${group} ${i}`} colSpan={n} data-first="">
                {group}
              </TableCell>
            ))}
            <TableCell rowSpan={2} />
          </TableRow>
          <TableRow>
            {columns.map((c, i) => (
              <TableCell key={pathName(c.path)} data-first={begins(columns, i) ? '' : undefined}>
                {c.title}
              </TableCell>
            ))}
          </TableRow>
        </TableHead>
        <TableBody>
          {sizes.map((size, row) => (
            <SizeRow key={row} editor={editor} columns={columns} size={size} row={row} />
          ))}
        </TableBody>
      </DataTable>
    </Box>
  );
}

interface RowProps extends Props {
  readonly columns: readonly SizeColumnView[];
  readonly size: Size;
  readonly row: number;
}

function SizeRow({ editor, columns, size, row }: RowProps) {
  return (
    <TableRow>
      <TableCell component="th" scope="row">
        <CellField
          label={`Code of size ${row + 1}`}
          name={`sizes[${row}].code`}
          width={104}
          value={size.code}
          error={editor.isWrong(['sizes', row, 'code'])}
          onChange={(e) => editor.recode(row, e.target.value.toUpperCase())}
        />
      </TableCell>
      {columns.map((c, i) => {
        const path: Path = ['sizes', row, ...c.path];
        return (
          <TableCell key={pathName(path)} data-first={begins(columns, i) ? '' : undefined}>
            {editor.isThere(path.slice(0, -1)) ? (
              <CellField
                label={`${size.code} ${c.group} ${c.title}`}
                name={pathName(path)}
                width={66}
                inputMode={c.text ? 'text' : 'decimal'}
                value={editor.textAt(path)}
                error={editor.isWrong(path)}
                onChange={(e) => editor.type(path, e.target.value, c.text)}
              />
            ) : (
              '–'
            )}
          </TableCell>
        );
      })}
      <TableCell>
        <Remove label={`Take ${size.code} out`} onClick={() => editor.dropSize(row)} />
      </TableCell>
    </TableRow>
  );
}

/** Fields without a frame until a hand is near; the codes stay in sight. */
const LOOK = {
  '& th, & td': {
    p: '2px 3px',
    textAlign: 'center',
    verticalAlign: 'middle',
    fontSize: 13,
    whiteSpace: 'nowrap',
  },
  '& .MuiInputBase-root:not(:hover):not(.Mui-focused):not(.Mui-error)': {
    borderColor: 'transparent',
    bgcolor: 'transparent',
  },
  '& td input': { textAlign: 'right' },
  '& [data-first]': { borderLeft: '2px solid', borderLeftColor: 'divider' },
  '& tbody th, & thead tr:first-of-type th:first-of-type': {
    position: 'sticky',
    left: 0,
    zIndex: 1,
    bgcolor: 'background.paper',
  },
} as const;
