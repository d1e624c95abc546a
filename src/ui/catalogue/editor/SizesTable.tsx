import Box from '@mui/material/Box';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { useMemo } from 'react';
import { useFormState, useWatch } from 'react-hook-form';
import type { Family } from '@/core/catalogue';
import { CellField } from '../../kit-of-parts/CellField';
import { DataTable } from '../../kit-of-parts/DataTable';
import { numberText, typedNumber, typedText } from '../../kit-of-parts/form/typed';
import { Remove } from '../../kit-of-parts/Remove';
import { pathName, sizeColumns, valueAt, type SizeColumnView } from './editor-columns';
import type { FamilyForm } from './use-family-form';

interface Props {
  readonly editor: FamilyForm;
  /** The columns are those of the sheet in force: none goes away while its last figure is typed anew. */
  readonly family: Family;
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
export function SizesTable({ editor, family }: Props) {
  const columns = useMemo(() => sizeColumns(family), [family]);
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
          {editor.sizes.map(({ id }, row) => (
            <SizeRow key={id} editor={editor} columns={columns} row={row} />
          ))}
        </TableBody>
      </DataTable>
    </Box>
  );
}

interface RowProps {
  readonly editor: FamilyForm;
  readonly columns: readonly SizeColumnView[];
  readonly row: number;
}

function SizeRow({ editor, columns, row }: RowProps) {
  const { control, getFieldState, getValues } = editor.form;
  const formState = useFormState({ control, name: `sizes.${row}` });
  const code = useWatch({ control, name: `sizes.${row}.code` });
  const size = getValues(`sizes.${row}`);
  const wrong = getFieldState(`sizes.${row}.code`, formState).error;
  return (
    <TableRow>
      <TableCell component="th" scope="row">
        <CellField
          label={`Code of size ${row + 1}`}
          name={`sizes.${row}.code`}
          width={104}
          value={code}
          error={wrong !== undefined}
          helperText={wrong?.message}
          onChange={(e) => editor.recode(row, e.target.value.toUpperCase())}
        />
      </TableCell>
      {columns.map((c, i) => (
        <TableCell key={pathName(c.path)} data-first={begins(columns, i) ? '' : undefined}>
          {valueAt(size, c.path.slice(0, -1)) === undefined ? (
            '–'
          ) : (
            <FigureCell editor={editor} formState={formState} column={c} row={row} code={code} />
          )}
        </TableCell>
      ))}
      <TableCell>
        <Remove label={`Take ${code} out`} onClick={() => editor.dropSize(row)} />
      </TableCell>
    </TableRow>
  );
}

interface FigureCellProps {
  readonly editor: FamilyForm;
  readonly formState: Parameters<FamilyForm['form']['getFieldState']>[1];
  readonly column: SizeColumnView;
  readonly row: number;
  readonly code: string;
}

function FigureCell({ editor, formState, column, row, code }: FigureCellProps) {
  const { register, getFieldState, getValues } = editor.form;
  const name = `sizes.${row}.${column.path.join('.')}` as `sizes.${number}.hexFlatsMm`;
  const { ref, onChange, ...field } = register(name, {
    setValueAs: column.text ? typedText : (typed) => typedNumber(typed),
  });
  const { error } = getFieldState(name, formState);
  return (
    <CellField
      {...field}
      inputRef={ref}
      label={`${code} ${column.group} ${column.title}`}
      width={66}
      inputMode={column.text ? 'text' : 'decimal'}
      defaultValue={numberText(getValues(name))}
      error={error !== undefined}
      helperText={error?.message}
      onChange={(e) => {
        editor.before(name);
        void onChange(e);
      }}
    />
  );
}

/** Fields without a frame until a hand is near; the codes stay in sight. */
const LOOK = {
  '& th, & td': {
    p: '2px 3px',
    textAlign: 'center',
    verticalAlign: 'baseline',
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
