'use client';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import type { MineralEndPlan } from '@/core/mineral-insulated';
import { trimNumber } from '@/core/units';
import { Answer } from '../kit-of-parts/Answer';
import { Caution } from '../kit-of-parts/Caution';
import { DataTable } from '../kit-of-parts/DataTable';
import { StepList } from '../make-off/StepList';
import type { StationProps } from '../termination/station-props';
import { InsulationNow } from './InsulationNow';

/** The pot of a mineral-insulated end: compound, how the sheath stands in it, and how its insulation is tested. */
export function PotPanel({
  view,
  mineral,
}: Pick<StationProps, 'view'> & { readonly mineral: MineralEndPlan }) {
  const { insideMm, needMl, packs, test, sheet, depthMm } = mineral;
  const lines: readonly (readonly [string, string])[] = [
    [
      'sheath inside the pot',
      `${trimNumber(insideMm.min, 1)}–${trimNumber(insideMm.max, 1)} mm of ${trimNumber(depthMm, 0)} mm`,
    ],
    ['tested with', `${trimNumber(test.testV, 0)} V, ${trimNumber(test.leastMohm, 0)} MΩ at least`],
    ['a good reading counts for', `${trimNumber(test.holdsMs / 60_000, 0)} min`],
    ['after sealing it may be lower by', `${trimNumber(100 * test.mayFallShare, 0)} %`],
    ['left of the packs', `${trimNumber(packs.leftMl, 1)} mL`],
  ];
  return (
    <>
      <Answer
        words={`${trimNumber(needMl, 1)} mL into the pot: ${packs.count} × ${packs.part}.`}
        lead={`By ${sheet.title}, revision ${sheet.revision}.${view.plan === null ? ' Preview: nothing is taken yet.' : ''}`}
      />
      <InsulationNow view={view} mineral={mineral} />
      <DataTable label="Pot and test">
        <TableBody>
          {lines.map(([label, value]) => (
            <TableRow key={label}>
              <TableCell>{label}</TableCell>
              <TableCell align="right">{value}</TableCell>
            </TableRow>
          ))}
        </TableBody>
      </DataTable>
      <StepList view={view} station="seal" />
      <Caution>
        Mineral insulation draws water as soon as it is open: the far end stays sealed, and nothing is blown
        on it.
      </Caution>
    </>
  );
}
