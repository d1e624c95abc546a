'use client';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { conductorOhm, continuityReadings, type Wiring } from '@/core/electrical-test';
import { Acts } from '../../kit-of-parts/Acts';
import { Choice } from '../../kit-of-parts/Choice';
import { Folded } from '../../kit-of-parts/Folded';
import type { TestProps } from './parts';
import { continuityOf, pairKey, shownBy } from './test-form';

type Cable = 'right' | 'crossed' | 'open' | 'joined';
const CABLES: readonly (readonly [Cable, string])[] = [
  ['right', 'as it should be'],
  ['crossed', 'first and last crossed'],
  ['open', 'the last one open'],
  ['joined', 'first and last joined'],
];

const ANY_OHM = 0.84;

/** A continuity tester that ships with the product: it reads every pair of a cable that somebody has chosen. */
export function ContinuityTester({
  cores,
  form,
  change,
}: Pick<TestProps, 'form' | 'change'> & { readonly cores: readonly string[] }) {
  const [cable, setCable] = useState<Cable>('right');
  const [first = '', last = ''] = [cores[0], cores.at(-1)];
  const read = () => {
    const faults: Readonly<Record<Cable, Partial<Wiring>>> = {
      right: {},
      crossed: { swapped: [[first, last]] },
      open: { open: [last] },
      joined: { joined: [[first, last]] },
    };
    const asked = continuityOf(form, cores);
    const path = 'test' in asked && asked.test.of === 'continuity' ? asked.test.request.path : undefined;
    // As much as its figures give, where they are said.
    const ohm = path === undefined ? ANY_OHM : conductorOhm(path, (path.lengthM.min + path.lengthM.max) / 2);
    const matrix = Object.fromEntries(
      continuityReadings({ cores, ohm: Number(ohm.toFixed(3)), ...faults[cable] }).map((r) => [
        pairKey(r.near, r.far),
        r.ohm === null ? '–' : String(r.ohm),
      ]),
    );
    change({ matrix: { ...form.matrix, ...matrix }, ...shownBy(form, 'continuity', 'continuity tester') });
  };
  return (
    <Folded title="Simulated continuity tester">
      <Acts>
        <Choice label="Cable on it" value={cable} options={CABLES} onChange={setCable} width={220} />
        <Button variant="outlined" onClick={read}>
          Read every pair
        </Button>
      </Acts>
    </Folded>
  );
}
