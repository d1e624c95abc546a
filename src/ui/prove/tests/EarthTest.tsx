'use client';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { lowOhmReading, planEarthPath } from '@/core/electrical-test';
import { trimNumber } from '@/core/units';
import { Acts } from '../../kit-of-parts/Acts';
import { Choice } from '../../kit-of-parts/Choice';
import { Folded } from '../../kit-of-parts/Folded';
import { NumberFields } from '../../kit-of-parts/NumberFields';
import { TextField } from '../../kit-of-parts/TextField';
import { Judged } from './Judged';
import { MATERIAL_OPTIONS } from './material-options';
import { SAID, type TestProps } from './parts';
import { earthPathOf, shownBy } from './test-form';

const PATH = [
  { key: 'earthMm2', name: 'earthMm2', label: 'Cross-section', unit: 'mm²' },
  { key: 'overShare', name: 'earthOver', label: 'May have more by', unit: '%' },
] as const;
const READ = [
  { key: 'earthOhm', name: 'earthOhm', label: 'Reading', unit: 'Ω' },
  { key: 'mA', name: 'mA', label: 'At a current of', unit: 'mA' },
  { key: 'earthUncertainty', name: 'earthUncertainty', label: 'Uncertainty', unit: 'Ω' },
] as const;
/** Leads of the shipped tester, Ω, and how much its figures tremble. */
const LEADS_OHM = 0.12;
const NOISE_OHM = 0.003;

/** Armour or earth from end to end: a resistance against its limit. */
export function EarthTest({ view, form, change }: TestProps) {
  const { earthMm2, overShare, earthOhm, mA, earthUncertainty } = form;
  const asked = earthPathOf(form);
  const [count, setCount] = useState(1);
  const request = 'test' in asked && asked.test.of === 'earthPath' ? asked.test.request : null;
  const expected = request === null ? null : planEarthPath(request);
  const read = () => {
    if (request === null) return;
    const ohm = lowOhmReading(request.path, {
      leadsOhm: LEADS_OHM,
      nulled: form.nulled === 'yes',
      noiseOhm: NOISE_OHM,
      seed: count,
    });
    change({
      earthOhm: ohm.toFixed(3),
      mA: '210',
      ...shownBy(form, 'earthPath', 'low-resistance tester'),
    });
    setCount(count + 1);
  };
  return (
    <>
      <Acts label="What is measured" top>
        <TextField
          label="What is measured"
          value={form.earthOf}
          onChange={(e) => change({ earthOf: e.target.value })}
          slotProps={{ htmlInput: { maxLength: 40 } }}
          sx={{ width: 160 }}
        />
        <Choice
          label="It is of"
          value={form.earthMaterial}
          options={[['', 'not said yet'], ...MATERIAL_OPTIONS]}
          onChange={(earthMaterial) => change({ earthMaterial })}
          width={160}
        />
        <NumberFields fields={PATH} values={{ earthMm2, overShare }} onChange={change} />
      </Acts>
      <Acts label="What was read" top>
        <NumberFields fields={READ} values={{ earthOhm, mA, earthUncertainty }} onChange={change} />
        <Choice
          label="Leads nulled"
          value={form.nulled}
          options={SAID}
          onChange={(nulled) => change({ nulled })}
          width={148}
        />
      </Acts>
      {expected === null ? null : (
        <p>
          By its figures {trimNumber(expected.expectedOhm, 3)} Ω; no more than{' '}
          <b>{trimNumber(expected.mostOhm, 3)} Ω</b>.
        </p>
      )}
      <Folded title="Simulated low-resistance tester">
        <Acts>
          <Button variant="outlined" disabled={request === null} onClick={read}>
            Read it
          </Button>
          <span>
            {request === null
              ? 'It reads a cable whose figures are said.'
              : form.nulled === 'yes'
                ? 'Its leads are nulled.'
                : `Its leads have ${LEADS_OHM} Ω, and are in the reading until they are nulled.`}
          </span>
        </Acts>
      </Folded>
      <Judged view={view} of="earthPath" form={form} change={change} asked={asked} />
    </>
  );
}
