'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import InputAdornment from '@mui/material/InputAdornment';
import { TextField } from '../kit-of-parts/TextField';
import { useId, useRef, useState, type SubmitEvent } from 'react';
import { Controller, useForm, useWatch } from 'react-hook-form';
import {
  METHOD_WORDS,
  METHODS,
  QUANTITY_WORDS,
  type Measurement,
  type Method,
  type Quantity,
  type Reading,
} from '@/core/cable-measurement';
import type { Result } from '@/core/kernel';
import type { LengthUnit } from '@/core/units';
import { readNumber } from '../common/read-number';
import { diameterTexts } from '../common/unit';
import { useInstrument } from '../common/use-instrument';
import { Choice } from '../kit-of-parts/Choice';

interface Props {
  readonly quantity: Quantity;
  readonly unit: LengthUnit;
  readonly flameproof: boolean;
  /** Caliper readings there are already, those on their way with them: the next one is at a right angle. */
  readonly count: number;
  /** Of this layer, on their way to the server. */
  readonly onTheWay: readonly Reading[];
  readonly add: (reading: Reading) => Promise<Result<unknown>>;
  /** As soon as a reading is typed: moves on to where the next belongs, and says whether that is elsewhere. */
  readonly onTyped: (reading: Reading) => boolean;
  readonly preview: (reading: Reading) => Result<Measurement | null>;
}

const methodsFor = (quantity: Quantity): readonly Method[] =>
  quantity === 'armourWire' ? ['caliper', 'datasheet'] : METHODS;

interface Typed {
  readonly method: Method;
  readonly text: string;
  readonly unit: LengthUnit;
  /** Null until a hand has typed one. */
  readonly angle: string | null;
  readonly tolerance: string;
}

/** What was typed as a reading; an angle only where the method has one. */
function readingOf(quantity: Quantity, typed: Typed, angle: string, instrument: string): Reading {
  const degrees = readNumber(angle);
  const { method, text, unit, tolerance } = typed;
  return {
    quantity,
    method,
    text: text.trim(),
    unit,
    ...(instrument.trim() === '' ? {} : { instrument: instrument.trim() }),
    ...(hasAngle(method, quantity) && !Number.isNaN(degrees) ? { angleDeg: degrees } : {}),
    ...(method === 'datasheet' && tolerance.trim() !== '' ? { tolerance: tolerance.trim() } : {}),
  };
}
const hasAngle = (method: Method, quantity: Quantity): boolean =>
  method === 'caliper' && quantity !== 'armourWire';

/**
 * A reading field for calipers that type: value, Enter, next. An instrument does not wait for the server, so the field is free for the next
 * value at once; one that the server refuses comes back with the reason.
 */
export function ReadingForm({ quantity, unit: jobUnit, count, onTheWay, add, onTyped, preview }: Props) {
  const { control, setValue, getValues } = useForm<Typed>({
    defaultValues: { method: 'caliper', text: '', unit: jobUnit, angle: null, tolerance: '' },
  });
  const typed = { ...getValues(), ...useWatch({ control }) };
  const { method, text, unit } = typed;
  const [instrument, setInstrument] = useInstrument('length');
  const id = useId();
  const [refused, setRefused] = useState<string | null>(null);
  // The form's own way of setting the focus is late, and would take it back from where the next reading belongs.
  const field = useRef<HTMLInputElement>(null);
  const angle = typed.angle ?? String((count % 2) * 90);
  const reading = readingOf(quantity, typed, angle, instrument);
  const ahead = text.trim() === '' ? null : preview(reading);
  const keep = async (event: SubmitEvent) => {
    event.preventDefault();
    if (text.trim() === '') return;
    if (ahead?.ok !== true) {
      // What is typed next takes its place.
      field.current?.focus();
      field.current?.select();
      return;
    }
    setValue('text', '');
    setValue('angle', null);
    setRefused(null);
    const kept = add(reading);
    if (!onTyped(reading)) field.current?.focus();
    const done = await kept;
    if (done.ok) return;
    setRefused(`${reading.text} is not kept: ${done.problems.map((p) => p.message).join('; ')}`);
    if (getValues('text') === '') setValue('text', reading.text);
  };
  return (
    <Box
      component="form"
      onSubmit={(e) => void keep(e)}
      aria-label={`Add a reading of ${quantity}`}
      sx={FORM}
    >
      <Choice
        label="Method"
        options={methodsFor(quantity).map((m) => [m, METHOD_WORDS[m]])}
        value={method}
        onChange={(m) => setValue('method', m)}
      />
      <Controller
        name="text"
        control={control}
        render={({ field: { ref, ...text } }) => (
          <TextField
            {...text}
            inputRef={(input: HTMLInputElement | null) => {
              ref(input);
              field.current = input;
            }}
            id={id}
            name={`reading-${quantity}`}
            label={method === 'wrapTape' ? 'Circumference' : 'Diameter'}
            onChange={(e) => {
              text.onChange(e);
              setRefused(null);
            }}
            placeholder={unit === 'in' ? '1 3/16' : '0.00'}
            error={refused !== null || (ahead !== null && !ahead.ok)}
            slotProps={{
              htmlInput: {
                inputMode: 'decimal',
                'aria-label': `${method === 'wrapTape' ? 'Circumference' : 'Diameter'}, ${QUANTITY_WORDS[quantity]}`,
                'aria-describedby': `${id}-said`,
              },
            }}
            sx={{ width: 128, '& input': { fontSize: 17, fontWeight: 650, textAlign: 'right' } }}
          />
        )}
      />
      <Button
        variant="outlined"
        onClick={() => setValue('unit', unit === 'mm' ? 'in' : 'mm')}
        aria-label={`Unit ${unit}, switch`}
        sx={{ minWidth: 52, px: 0 }}
      >
        {unit}
      </Button>
      {hasAngle(method, quantity) ? (
        <Aside
          label="At"
          says="Angle in degrees"
          end="°"
          value={angle}
          onChange={(a) => setValue('angle', a)}
        />
      ) : null}
      {method === 'datasheet' ? (
        <Aside
          label="±"
          says="Half tolerance as printed"
          value={typed.tolerance}
          onChange={(t) => setValue('tolerance', t)}
        />
      ) : null}
      <TextField
        label="Instrument"
        value={instrument}
        onChange={(e) => setInstrument(e.target.value)}
        slotProps={{ htmlInput: { maxLength: 60 } }}
        sx={{ width: 124 }}
      />
      <Button type="submit" variant="contained" disabled={text.trim() === ''}>
        Keep
      </Button>
      <Box component="span" id={`${id}-said`} role="status" sx={{ minWidth: 0, color: 'text.secondary' }}>
        {said(refused, ahead, onTheWay)}
      </Box>
    </Box>
  );
}

const FORM = {
  display: 'flex',
  flexWrap: 'wrap',
  alignItems: 'center',
  gap: '10px 6px',
  mt: 1.5,
  mb: 0.75,
} as const;

interface AsideProps {
  readonly label: string;
  /** What the short label stands for. */
  readonly says: string;
  readonly end?: string;
  readonly value: string;
  readonly onChange: (text: string) => void;
}

const Aside = ({ label, says, end, value, onChange }: AsideProps) => (
  <TextField
    label={label}
    value={value}
    onChange={(e) => onChange(e.target.value)}
    slotProps={{
      htmlInput: { 'aria-label': says, inputMode: 'decimal' },
      input: end === undefined ? {} : { endAdornment: <InputAdornment position="end">{end}</InputAdornment> },
    }}
    sx={{ width: 78 }}
  />
);

function said(
  refused: string | null,
  ahead: Result<Measurement | null> | null,
  onTheWay: readonly Reading[],
) {
  const problem =
    refused ?? (ahead !== null && !ahead.ok ? ahead.problems[ahead.problems.length - 1]?.message : undefined);
  if (problem)
    return (
      <Box component="b" sx={{ fontWeight: 600, color: 'error.main' }}>
        {problem}
      </Box>
    );
  if (ahead?.ok && ahead.value)
    return <>→ {diameterTexts(ahead.value.interval.min, ahead.value.interval.max).mm}</>;
  return onTheWay.length > 0 ? <>keeping {onTheWay.map((r) => r.text).join(', ')} …</> : null;
}
