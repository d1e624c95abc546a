'use client';
import Box from '@mui/material/Box';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { useState } from 'react';
import { planInsulation, READ_AT, TEST_VOLTAGES } from '@/core/electrical-test';
import type { EventBody } from '@/core/record';
import { trimNumber } from '@/core/units';
import { readNumber } from '../../common/read-number';
import { Acts } from '../../kit-of-parts/Acts';
import { CellField } from '../../kit-of-parts/CellField';
import { Choice } from '../../kit-of-parts/Choice';
import { DataTable } from '../../kit-of-parts/DataTable';
import { Folded } from '../../kit-of-parts/Folded';
import { NumberFields } from '../../kit-of-parts/NumberFields';
import { Tick } from '../../kit-of-parts/Tick';
import { InsulationChart } from './InsulationChart';
import { InsulationTester } from './InsulationTester';
import { Judged } from './Judged';
import { INSULATION_OPTIONS } from './material-options';
import { SAID, type TestProps } from './parts';
import { insulationOf, insulationTests } from './test-form';

const CIRCUIT = [{ key: 'circuitV', name: 'circuitV', label: 'Circuit', unit: 'V' }] as const;
const TESTER = [
  { key: 'volts', name: 'volts', label: 'Tested with', unit: 'V' },
  { key: 'testerPercent', name: 'testerPercent', label: 'Uncertainty', unit: '%' },
] as const;
const SHEET = [{ key: 'typeLimit', name: 'typeLimit', label: 'Its sheet asks for', unit: 'MΩ·km' }] as const;
const HOUSE = [
  { key: 'trendPercent', name: 'trendPercent', label: 'Ask below, of before', unit: '%' },
  { key: 'dischargeTimes', name: 'dischargeTimes', label: 'Discharge, times the test', unit: '×' },
  { key: 'dischargeLeast', name: 'dischargeLeast', label: 'Discharge at least', unit: 's' },
] as const;

/** MΩ·km at 20 °C of the last test that is kept, by what was tested. */
function earlierOf(kept: readonly EventBody<'test'>[]): Map<string, number> {
  const last = kept.findLast((t) => t.of === 'insulation')?.read;
  if (last?.of !== 'insulation') return new Map();
  return new Map(
    planInsulation(last.request).tested.flatMap((t) =>
      t.mohmKm === null ? [] : [[t.of, t.mohmKm] as const],
    ),
  );
}

/** Insulation: the curve of each core, against the standard as read and against the cable's own sheet at 20 °C. */
export function InsulationTest({
  view,
  form,
  change,
  kept,
}: TestProps & { readonly kept: readonly EventBody<'test'>[] }) {
  const [discharging, setDischarging] = useState(false);
  const tests = insulationTests(view.cableType);
  const asked = insulationOf(form, tests, earlierOf(kept));
  const request = 'test' in asked && asked.test.of === 'insulation' ? asked.test.request : null;
  const plan = request === null ? null : planInsulation(request);
  const set = (of: string, k: number, text: string) =>
    change({
      curves: {
        ...form.curves,
        [of]: READ_AT.map((_, i) => (i === k ? text : (form.curves[of]?.[i] ?? ''))),
      },
    });
  const volts = readNumber(form.circuitV);
  const wanted = TEST_VOLTAGES.find((v) => volts <= v.upToV);
  const { circuitV, typeLimit, testerPercent, trendPercent, dischargeTimes, dischargeLeast } = form;
  return (
    <>
      <Acts label="What is tested" top>
        <NumberFields fields={CIRCUIT} values={{ circuitV }} onChange={change} width={110} />
        <Choice
          label="Insulation"
          value={form.insulation}
          options={[['', 'not said yet'], ...INSULATION_OPTIONS]}
          onChange={(insulation) => change({ insulation })}
          width={220}
        />
        <NumberFields fields={SHEET} values={{ typeLimit }} onChange={change} width={180} />
        <Tick
          label="Its sheet asks for nothing"
          checked={form.noTypeLimit}
          onChange={(noTypeLimit) => change({ noTypeLimit })}
        />
      </Acts>
      <Acts label="Before it is charged" top>
        <Choice
          label="Electronics off the cable"
          value={form.apart}
          options={SAID}
          onChange={(apart) => change({ apart })}
          width={190}
        />
        <Choice
          label="Far end guarded"
          value={form.guarded}
          options={SAID}
          onChange={(guarded) => change({ guarded })}
          width={160}
        />
        <NumberFields
          fields={TESTER}
          values={{ volts: form.volts, testerPercent }}
          onChange={change}
          width={130}
        />
        {wanted === undefined ? null : (
          <Box component="p" sx={{ m: 0, flexBasis: '100%' }}>
            This circuit asks for <b>{wanted.volts} V</b>, and {trimNumber(wanted.leastMohm, 1)} MΩ at least.
            Each core is tested against {tests.length === 1 ? 'the armour' : 'all others and the armour'}.
          </Box>
        )}
      </Acts>
      <DataTable label="Insulation as read, MΩ">
        <TableHead>
          <TableRow>
            <TableCell>core</TableCell>
            {READ_AT.map((s) => (
              <TableCell key={s}>{s < 600 ? `${s} s, MΩ` : '10 min, MΩ'}</TableCell>
            ))}
            <TableCell sx={{ whiteSpace: 'nowrap' }}>MΩ·km, 20 °C</TableCell>
            <TableCell>R60/R30</TableCell>
            <TableCell>R600/R60</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {tests.map((of, row) => {
            const tested = plan?.tested[row];
            return (
              <TableRow key={of}>
                <TableCell>
                  <b>{of.split(' ')[0]}</b>
                </TableCell>
                {READ_AT.map((s, k) => (
                  <TableCell key={s}>
                    <CellField
                      label={`${of}, MΩ at ${s} s`}
                      width={72}
                      value={form.curves[of]?.[k] ?? ''}
                      onChange={(e) => set(of, k, e.target.value)}
                    />
                  </TableCell>
                ))}
                {[tested?.mohmKm, tested?.r60over30, tested?.r600over60].map((v, k) => (
                  <TableCell key={k}>{v === null || v === undefined ? '–' : trimNumber(v, 2)}</TableCell>
                ))}
              </TableRow>
            );
          })}
        </TableBody>
      </DataTable>
      {plan === null || request === null ? null : (
        <p>
          {plan.ratiosMean
            ? 'R600/R60 says something of this insulation: it rises while it dries.'
            : 'R60/R30 and R600/R60 say little of this insulation, least of all on a short cable: they are shown, not judged.'}{' '}
          After each test discharge for <b>{trimNumber(plan.dischargeS, 0)} s</b>.
        </p>
      )}
      {request === null ? null : <InsulationChart request={request} leastMohm={plan?.leastMohm ?? null} />}
      <InsulationTester
        tests={tests}
        form={form}
        change={change}
        dischargeS={plan?.dischargeS ?? null}
        onDischarging={setDischarging}
      />
      <Folded title="House figures">
        <Acts top>
          <NumberFields
            fields={HOUSE}
            values={{ trendPercent, dischargeTimes, dischargeLeast }}
            onChange={change}
            width={210}
          />
        </Acts>
      </Folded>
      <Judged
        view={view}
        of="insulation"
        form={form}
        change={change}
        asked={asked}
        first={discharging ? 'It is discharging: wait until it is done.' : null}
      />
    </>
  );
}
