'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import { MOST_CORES } from '@/core/electrical-test';
import { Acts } from '../../kit-of-parts/Acts';
import { CellField } from '../../kit-of-parts/CellField';
import { Choice } from '../../kit-of-parts/Choice';
import { DataTable } from '../../kit-of-parts/DataTable';
import { Empty } from '../../kit-of-parts/Empty';
import { Folded } from '../../kit-of-parts/Folded';
import { NumberFields } from '../../kit-of-parts/NumberFields';
import { ContinuityTester } from './ContinuityTester';
import { Judged } from './Judged';
import { MATERIAL_OPTIONS } from './material-options';
import type { TestProps } from './parts';
import { continuityOf, coreNames, pairKey } from './test-form';

const HOUSE = [
  { key: 'throughOhm', name: 'throughOhm', label: 'A connection up to', unit: 'Ω' },
  { key: 'openOhm', name: 'openOhm', label: 'None from', unit: 'Ω' },
  { key: 'matrixOhm', name: 'matrixOhm', label: 'Uncertainty', unit: 'Ω' },
  { key: 'coreMm2', name: 'coreMm2', label: 'A core', unit: 'mm²' },
  { key: 'overShare', name: 'overShare', label: 'May have more by', unit: '%' },
] as const;

/** Each core of this end against each of the far end. */
export function ContinuityTest({ view, form, change }: TestProps) {
  const cores = coreNames(view.cableType);
  if (cores.length > MOST_CORES)
    return (
      <Empty>
        A cable of {cores.length} cores is tested in groups: no more than {MOST_CORES} at a time.
      </Empty>
    );
  const pins = view.plan?.plan.plugIn?.pins?.map ?? [];
  const pinOf = (core: string) => {
    const position = pins.find((p) => p.core === core)?.position;
    return position === undefined ? '' : `, position ${position}`;
  };
  const set = (near: string, far: string, text: string) =>
    change({ matrix: { ...form.matrix, [pairKey(near, far)]: text } });
  const restOpen = (far: string) =>
    change({
      matrix: {
        ...form.matrix,
        ...Object.fromEntries(
          cores
            .map((near) => pairKey(near, far))
            .filter((key) => (form.matrix[key] ?? '').trim() === '')
            .map((key) => [key, '–']),
        ),
      },
    });
  const { throughOhm, openOhm, matrixOhm, coreMm2, overShare } = form;
  return (
    <>
      <Typography sx={{ my: 1 }}>
        At the far end join one core after the other to the return; here measure each core against it. Ω, or a
        dash for nothing.
      </Typography>
      <DataTable label="Cores of this end against those of the far end">
        <TableHead>
          <TableRow>
            <TableCell>joined there</TableCell>
            {cores.map((near) => (
              <TableCell key={near}>
                here {near}
                {pinOf(near)}
              </TableCell>
            ))}
            <TableCell />
          </TableRow>
        </TableHead>
        <TableBody>
          {cores.map((far) => (
            <TableRow key={far}>
              <TableCell>
                <b>{far}</b>
              </TableCell>
              {cores.map((near) => (
                <TableCell key={near} sx={{ bgcolor: near === far ? 'background.paper' : undefined }}>
                  <CellField
                    label={`${near} here, ${far} there`}
                    width={72}
                    value={form.matrix[pairKey(near, far)] ?? ''}
                    onChange={(e) => set(near, far, e.target.value)}
                  />
                </TableCell>
              ))}
              <TableCell>
                <Button size="small" onClick={() => restOpen(far)} aria-label={`Rest: nothing, of ${far}`}>
                  Rest: nothing
                </Button>
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </DataTable>
      <Folded title="Limits, and the resistance of a core">
        <Acts top>
          <NumberFields
            fields={HOUSE}
            values={{ throughOhm, openOhm, matrixOhm, coreMm2, overShare }}
            onChange={change}
          />
          <Choice
            label="Cores are of"
            value={form.coreMaterial}
            options={[['', 'not judged by resistance'], ...MATERIAL_OPTIONS]}
            onChange={(coreMaterial) => change({ coreMaterial })}
          />
        </Acts>
        <Box component="p" sx={{ m: 0, color: 'text.secondary' }}>
          The resistance of each core is judged where material, length and temperature are said.
        </Box>
      </Folded>
      <ContinuityTester cores={cores} form={form} change={change} />
      <Judged view={view} of="continuity" form={form} change={change} asked={continuityOf(form, cores)} />
    </>
  );
}
