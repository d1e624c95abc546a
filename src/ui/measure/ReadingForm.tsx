'use client';
import { useId, useRef, useState, type SubmitEvent } from 'react';
import type { Problem, Result } from '@/core/kernel';
import {
  METHOD_WORDS,
  METHODS,
  QUANTITY_WORDS,
  type Measurement,
  type Method,
  type Quantity,
  type Reading,
} from '@/core/cable-measurement';
import type { LengthUnit } from '@/core/units';
import { useInstrument } from '../common/use-instrument';
import { useRun } from '../termination/use-run';
import { diameterTexts } from '../common/unit';
import styles from './ReadingForm.module.css';

interface Props {
  readonly quantity: Quantity;
  readonly unit: LengthUnit;
  readonly flameproof: boolean;
  /** Caliper readings there are already: the next one is at a right angle. */
  readonly count: number;
  readonly add: (reading: Reading) => Promise<Result<{ id: number }>>;
  /** After a reading was kept: moves on to where the next belongs, and says whether it has. */
  readonly onKept: (reading: Reading) => boolean;
  readonly preview: (reading: Reading) => Result<Measurement | null>;
}

const methodsFor = (quantity: Quantity): readonly Method[] =>
  quantity === 'armourWire' ? ['caliper', 'datasheet'] : METHODS;

/** A reading field for calipers that type: value, Enter, next. */
export function ReadingForm({ quantity, unit: jobUnit, count, add, onKept, preview }: Props) {
  const [method, setMethod] = useState<Method>('caliper');
  const [text, setText] = useState('');
  const [unit, setUnit] = useState<LengthUnit>(jobUnit);
  const [angle, setAngle] = useState<string | null>(null);
  const [tolerance, setTolerance] = useState('');
  const [instrument, setInstrument] = useInstrument();
  const field = useRef<HTMLInputElement>(null);
  const id = useId();
  const { run, busy, problems, clear } = useRun();
  const nextAngle = angle ?? String((count % 2) * 90);

  const reading = (): Reading => ({
    quantity,
    method,
    text: text.trim(),
    unit,
    ...(instrument.trim() === '' ? {} : { instrument: instrument.trim() }),
    ...(method === 'caliper' &&
    quantity !== 'armourWire' &&
    nextAngle !== '' &&
    !Number.isNaN(Number(nextAngle))
      ? { angleDeg: Number(nextAngle) }
      : {}),
    ...(method === 'datasheet' && tolerance.trim() !== '' ? { tolerance: tolerance.trim() } : {}),
  });
  const ahead = text.trim() === '' ? null : preview(reading());

  const submit = async (event: SubmitEvent) => {
    event.preventDefault();
    const content = reading();
    const done = await run(() => add(content));
    if (done.ok) {
      setText('');
      setAngle(null);
      if (onKept(content)) return;
    }
    field.current?.focus();
  };

  return (
    <form
      className={styles.form}
      onSubmit={(e) => void submit(e)}
      aria-label={`Add a reading of ${quantity}`}
    >
      <select
        className={styles.control}
        value={method}
        onChange={(e) => setMethod(e.target.value as Method)}
        aria-label="Method"
      >
        {methodsFor(quantity).map((m) => (
          <option key={m} value={m}>
            {METHOD_WORDS[m]}
          </option>
        ))}
      </select>
      <input
        ref={field}
        id={id}
        className={styles.value}
        value={text}
        onChange={(e) => {
          setText(e.target.value);
          clear();
        }}
        placeholder={method === 'wrapTape' ? 'circumference' : unit === 'in' ? '1 3/16' : '0.00'}
        aria-label={`${method === 'wrapTape' ? 'Circumference' : 'Diameter'}, ${QUANTITY_WORDS[quantity]}`}
        aria-invalid={problems.length > 0 || (ahead !== null && !ahead.ok)}
        aria-describedby={`${id}-said`}
        autoComplete="off"
        inputMode="decimal"
        name={`reading-${quantity}`}
      />
      <button
        type="button"
        className={styles.unit}
        onClick={() => setUnit(unit === 'mm' ? 'in' : 'mm')}
        aria-label={`Unit ${unit}, switch`}
      >
        {unit}
      </button>
      {method === 'caliper' && quantity !== 'armourWire' ? (
        <label className={styles.small}>
          at{' '}
          <input
            className={styles.angle}
            value={nextAngle}
            onChange={(e) => setAngle(e.target.value)}
            inputMode="numeric"
            aria-label="Angle in degrees"
          />
          °
        </label>
      ) : null}
      {method === 'datasheet' ? (
        <label className={styles.small}>
          ±{' '}
          <input
            className={styles.angle}
            value={tolerance}
            onChange={(e) => setTolerance(e.target.value)}
            aria-label="Half tolerance as printed"
          />
        </label>
      ) : null}
      <input
        className={styles.instrument}
        value={instrument}
        onChange={(e) => setInstrument(e.target.value)}
        placeholder="instrument"
        aria-label="Instrument"
        maxLength={60}
      />
      <button type="submit" className={styles.add} disabled={busy || text.trim() === ''}>
        Keep
      </button>
      <span id={`${id}-said`} className={styles.said} role="status">
        {said(problems, ahead)}
      </span>
    </form>
  );
}

function said(problems: readonly Problem[], ahead: Result<Measurement | null> | null) {
  const problem =
    problems[0] ?? (ahead !== null && !ahead.ok ? ahead.problems[ahead.problems.length - 1] : undefined);
  if (problem) return <span className={styles.bad}>{problem.message}</span>;
  if (ahead?.ok && ahead.value)
    return <>→ {diameterTexts(ahead.value.interval.min, ahead.value.interval.max).mm}</>;
  return null;
}
