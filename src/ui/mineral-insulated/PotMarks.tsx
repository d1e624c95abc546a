import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import { markText } from '@/core/cut-back';
import type { MineralEndPlan } from '@/core/mineral-insulated';
import type { LengthUnit } from '@/core/units';
import { DataTable } from '../kit-of-parts/DataTable';

interface Props {
  readonly mineral: MineralEndPlan;
  readonly unit: LengthUnit;
}

/** Marks of a mineral-insulated end besides its cut, as the fitter sets them: from the cable end. */
export function PotMarks({ mineral, unit }: Props) {
  const lines: readonly (readonly [string, number])[] = [
    ...mineral.tools.map((t) => [`Grip of the ${t.id}`, t.gripAtMm] as const),
    ['Lower edge of the pot', mineral.potAtMm],
    ['Straight up to', mineral.straightToMm],
  ];
  return (
    <DataTable label="Marks besides the cut">
      <TableBody>
        {lines.map(([label, mm]) => (
          <TableRow key={label}>
            <TableCell>{label}</TableCell>
            <TableCell align="right">
              <b>{markText(mm, unit)}</b> {unit}
            </TableCell>
          </TableRow>
        ))}
      </TableBody>
    </DataTable>
  );
}
