'use client';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useCallback } from 'react';
import { BOX_COLUMN_WORDS, readBoxes } from '@/core/setup-table';
import type { Grid } from '@/core/spreadsheet';
import type { BoxView } from '@/core/termination-view';
import { Acts } from '../kit-of-parts/Acts';
import { Panel } from '../kit-of-parts/Panel';
import { TableLines } from './TableLines';
import { TableSource } from './TableSource';
import { useTableIn, type TableRead } from './use-table-in';

interface Props {
  readonly job: string;
  readonly boxes: readonly BoxView[];
  readonly onClose: () => void;
}

/** Boxes and entries from a table with our headings, as it was saved and edited in a spreadsheet. */
export function TakeInBoxes({ job, boxes, onClose }: Props) {
  const read = useCallback(
    (grid: Grid): TableRead => {
      const current = new Map(
        boxes.map((b) => [b.box.tag, { area: b.area, box: b.box, entries: b.entries.map((e) => e.entry) }]),
      );
      const table = readBoxes(grid, current);
      if (!table.ok) return { setup: { types: [], boxes: [] }, rows: [], problems: table.problems };
      const { rows, boxes: good, unknownColumns } = table.value;
      return {
        setup: { types: [], boxes: good },
        rows,
        problems:
          unknownColumns.length === 0
            ? []
            : [{ path: 'file', message: `no column of a box is called ${unknownColumns.join(', ')}` }],
      };
    },
    [boxes],
  );
  const table = useTableIn(job, read);
  return (
    <Panel label="Take in a table of boxes">
      <Typography sx={{ mb: 2 }}>
        Save the boxes as a table, edit it in a spreadsheet, and give it back here. A row for each entry; what
        a box is stands in its first row. What the table does not name stays as it is.
      </Typography>
      <TableSource
        table={table}
        label="Table of boxes, pasted with its headings"
        placeholder="box&#9;entry&#9;hole&#9;wall_mm&#9;chamfer_mm"
      />
      <TableLines table={table} words={BOX_COLUMN_WORDS} />
      <Acts>
        <Button variant="outlined" onClick={onClose}>
          {table.taken === null ? 'Leave it' : 'Done'}
        </Button>
      </Acts>
    </Panel>
  );
}
