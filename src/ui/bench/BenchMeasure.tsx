'use client';
import Button from '@mui/material/Button';
import { useState } from 'react';
import {
  measure,
  METHOD_WORDS,
  nextAngle,
  nextToMeasure,
  QUANTITY_WORDS,
  type Method,
  type Reading,
} from '@/core/cable-measurement';
import type { LengthUnit } from '@/core/units';
import type { TerminationView } from '@/core/termination-view';
import { Problems } from '../kit-of-parts/Problems';
import { diameterTexts } from '../common/unit';
import { useRun } from '../termination/use-run';
import { useInstrument } from '../common/use-instrument';
import { Keypad } from '../kit-of-parts/Keypad';
import { PadField } from '../kit-of-parts/PadField';
import styles from './Bench.module.css';
import { useSend } from '../data/use-send';

const METHODS: readonly Method[] = ['caliper', 'wrapTape', 'diameterTape'];

interface Props {
  readonly view: TerminationView;
  /** Nothing may go on before this: there is no way back to the steps. */
  readonly demanded: boolean;
  readonly onClose: () => void;
}

/** Readings taken at the bench, from an instrument that types or from the keypad. */
export function BenchMeasure({ view, demanded, onClose }: Props) {
  const open =
    view.needed.find((q) => view.measured[q] === null || view.measured[q].provisional) ?? 'outerSheath';
  const [picked, setPicked] = useState(open);
  const quantity = view.needed.includes(picked) ? picked : open;
  const [instrument, setInstrument] = useInstrument();
  const [method, setMethod] = useState<Method>('caliper');
  const [unit, setUnit] = useState<LengthUnit>(view.job.unit);
  const [text, setText] = useState('');
  const send = useSend();
  const { run, busy, problems, clear } = useRun();
  const measured = view.measured[quantity];
  const taken = view.readings.map((r) => r.reading);
  const reading = (): Reading => ({
    quantity,
    method: quantity === 'armourWire' ? 'caliper' : method,
    text: text.trim(),
    unit,
    ...(instrument.trim() === '' ? {} : { instrument: instrument.trim() }),
    ...(method === 'caliper' && quantity !== 'armourWire' ? { angleDeg: nextAngle(taken, quantity) } : {}),
  });
  const ahead = text.trim() === '' ? null : measure([...taken, reading()], quantity, view.job.rules);
  const keep = async () => {
    const content = reading();
    const ref = { job: view.job.slug, cable: view.cable, end: view.end };
    const done = await run(() => send('addReading', ref, content));
    if (!done.ok) return;
    setText('');
    // The layer stays until it has both its angles: what an instrument types next is of it.
    setPicked(nextToMeasure(view.needed, [...taken, content], quantity) ?? quantity);
  };
  return (
    <div className={styles.step}>
      <h1 className={styles.title}>{demanded ? 'Measure this end first' : 'A reading at the bench'}</h1>
      <p className={styles.detail}>
        {demanded
          ? `Nothing is cut before this end is measured: ${(view.plan?.plan.provisional ?? []).join('; ')}.`
          : 'A changed diameter makes the plan stale: what changes is shown before you go on.'}
      </p>
      <div className={styles.choices} role="radiogroup" aria-label="What is measured">
        {view.needed.map((q) => (
          <button
            key={q}
            type="button"
            role="radio"
            aria-checked={q === quantity}
            className={styles.choice}
            onClick={() => setPicked(q)}
          >
            {QUANTITY_WORDS[q]}
            <span className={styles.small}>
              {view.measured[q] === null
                ? 'not measured'
                : `${diameterTexts(view.measured[q].interval.min, view.measured[q].interval.max).mm}${view.measured[q].provisional ? ', datasheet' : ''}`}
            </span>
          </button>
        ))}
      </div>
      <div className={styles.measure}>
        <div>
          {quantity === 'armourWire' ? null : (
            <div className={styles.choices} role="radiogroup" aria-label="Method">
              {METHODS.map((m) => (
                <button
                  key={m}
                  type="button"
                  role="radio"
                  aria-checked={m === method}
                  className={styles.choice}
                  onClick={() => setMethod(m)}
                >
                  {METHOD_WORDS[m]}
                </button>
              ))}
            </div>
          )}
          <div className={styles.reading}>
            <input
              className={styles.value}
              value={text}
              onChange={(e) => {
                setText(e.target.value);
                clear();
              }}
              onKeyDown={(e) => {
                if (e.key === 'Enter') void keep();
              }}
              aria-label={`${method === 'wrapTape' ? 'Circumference' : 'Diameter'}, ${QUANTITY_WORDS[quantity]}`}
              placeholder="0.00"
              inputMode="none"
              autoComplete="off"
            />
            <button
              type="button"
              className={styles.choice}
              onClick={() => setUnit(unit === 'mm' ? 'in' : 'mm')}
              aria-label={`Unit ${unit}, switch`}
            >
              {unit}
            </button>
          </div>
          <p className={styles.ahead} role="status">
            {ahead?.ok && ahead.value
              ? `→ ${diameterTexts(ahead.value.interval.min, ahead.value.interval.max).mm}`
              : ahead && !ahead.ok
                ? ahead.problems[ahead.problems.length - 1]?.message
                : measured
                  ? `now ${diameterTexts(measured.interval.min, measured.interval.max).mm}`
                  : ''}
          </p>
          <PadField
            name="instrument"
            label={
              method === 'caliper' && quantity !== 'armourWire'
                ? `At ${nextAngle(taken, quantity)}°, with`
                : 'With'
            }
            kind="code"
            maxLength={60}
            placeholder="caliper 12"
            value={instrument}
            onChange={setInstrument}
          />
          <Problems problems={problems} />
        </div>
        <Keypad value={text} onChange={setText} />
      </div>
      <div className={styles.buttons}>
        {demanded ? null : (
          <Button variant="outlined" onClick={onClose}>
            Back to the step
          </Button>
        )}
        <button
          type="button"
          className={styles.primary}
          onClick={() => void keep()}
          disabled={busy || text.trim() === ''}
        >
          Keep this reading
        </button>
      </div>
    </div>
  );
}
