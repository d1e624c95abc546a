'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useEffect, useRef, useState } from 'react';
import { INSULATION_MODELS, insulationAt, READ_AT, type InsulationModelName } from '@/core/electrical-test';
import { trimNumber } from '@/core/units';
import { CASE, DISPLAY, PRESS } from '../../devices/case';
import { Acts } from '../../kit-of-parts/Acts';
import { Choice } from '../../kit-of-parts/Choice';
import { Folded } from '../../kit-of-parts/Folded';
import type { TestProps } from './parts';
import { shownBy } from './test-form';

const CABLES: readonly (readonly [InsulationModelName, string])[] = [
  ['good', 'good'],
  ['damp', 'damp'],
  ['faulty', 'faulty'],
];
const PACES = [
  ['1', 'as it is'],
  ['60', 'a minute in a second'],
] as const;
/** Between two looks of the tester at its own reading, ms. */
const TICK_MS = 100;
const CHARGED_S = 60;

type Phase =
  | { readonly kind: 'idle' }
  | { readonly kind: 'charging'; readonly s: number }
  | { readonly kind: 'discharging'; readonly s: number };

interface Props extends Pick<TestProps, 'form' | 'change'> {
  readonly tests: readonly string[];
  readonly dischargeS: number | null;
  readonly onDischarging: (discharging: boolean) => void;
}

/**
 * An insulation tester that ships with the product: charges a cable that somebody has chosen, reads it by its formula at the times that count,
 * and discharges it, for as long as a test of a minute asks for, before it lets go.
 */
export function InsulationTester({ tests, form, change, dischargeS, onDischarging }: Props) {
  const [cable, setCable] = useState<InsulationModelName>('good');
  const [of, setOf] = useState(tests[0] ?? '');
  const [pace, setPace] = useState<(typeof PACES)[number][0]>('1');
  const [phase, setPhase] = useState<Phase>({ kind: 'idle' });
  const model = INSULATION_MODELS[cable];
  const latest = useRef({ form, change, of, model });
  useEffect(() => {
    latest.current = { form, change, of, model };
  });
  const running = phase.kind !== 'idle';
  const wait = dischargeS ?? CHARGED_S * 4;
  useEffect(() => {
    if (!running) return undefined;
    const timer = setInterval(
      () =>
        setPhase((now) => {
          if (now.kind === 'idle') return now;
          const s = now.s + (TICK_MS / 1000) * Number(pace);
          if (now.kind === 'charging') return s >= CHARGED_S ? { kind: 'discharging', s: 0 } : { ...now, s };
          return s >= wait ? { kind: 'idle' } : { ...now, s };
        }),
      TICK_MS,
    );
    return () => clearInterval(timer);
  }, [running, pace, wait]);
  useEffect(() => onDischarging(phase.kind === 'discharging'), [phase.kind, onDischarging]);
  // What it has read by now stands in the table.
  const passed = phase.kind === 'charging' ? READ_AT.filter((s) => s <= phase.s).length : 0;
  const done = phase.kind === 'discharging';
  useEffect(() => {
    const { form: now, change: put, of: at, model: under } = latest.current;
    const count = done ? READ_AT.filter((s) => s <= CHARGED_S).length : passed;
    if (count === 0) return;
    const row = READ_AT.map((s, k) =>
      k < count ? trimNumber(insulationAt(under, s), 2) : (now.curves[at]?.[k] ?? ''),
    );
    put({ curves: { ...now.curves, [at]: row }, ...shownBy(now, 'insulation', 'insulation tester') });
  }, [passed, done]);
  const press = () => {
    setPhase({ kind: 'charging', s: 0.1 });
  };
  return (
    <Folded title="Simulated insulation tester">
      <Acts top>
        <Choice
          label="Cable on it"
          value={cable}
          options={CABLES}
          onChange={setCable}
          disabled={running}
          width={120}
        />
        <Choice
          label="Connected to"
          value={of}
          options={tests.map((t) => [t, t] as const)}
          onChange={setOf}
          disabled={running}
          width={270}
        />
        <Choice label="Time runs" value={pace} options={PACES} onChange={setPace} width={210} />
      </Acts>
      <Box sx={CASE}>
        <Box role="status" sx={DISPLAY}>
          {phase.kind === 'charging' ? (
            <>
              <b>{reading(insulationAt(model, phase.s))}</b>
              <span>{trimNumber(Math.floor(phase.s), 0)} s under voltage</span>
            </>
          ) : phase.kind === 'discharging' ? (
            <>
              <b>{trimNumber(Math.ceil(wait - phase.s), 0)} s</b>
              <span>discharging: do not touch</span>
            </>
          ) : (
            <>
              <b>– – –</b>
              <span>no voltage on the leads</span>
            </>
          )}
        </Box>
        <Button
          variant="contained"
          color="secondary"
          size="large"
          disabled={running || form.apart !== 'yes' || form.guarded !== 'yes' || !form.dead}
          onClick={press}
          sx={PRESS}
        >
          Charge
        </Button>
      </Box>
      {form.dead && form.apart === 'yes' && form.guarded === 'yes' ? null : (
        <p>
          It charges nothing before the cable is proved dead, electronics are off it and the far end is
          guarded.
        </p>
      )}
    </Folded>
  );
}

const reading = (mohm: number): string =>
  mohm >= 1000 ? `${trimNumber(mohm / 1000, 2)} GΩ` : `${trimNumber(mohm, 2)} MΩ`;
