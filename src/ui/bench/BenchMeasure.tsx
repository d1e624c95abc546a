'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import {
  METHOD_WORDS,
  nextAngle,
  QUANTITY_WORDS,
  type Method,
  type Quantity,
} from '@/core/cable-measurement';
import type { TerminationView } from '@/core/termination-view';
import type { BenchSession } from './use-bench-session';
import { diameterTexts } from '../common/unit';
import { Tray } from '../devices/Tray';
import { Keypad } from '../kit-of-parts/Keypad';
import { PadField } from '../kit-of-parts/PadField';
import { Problems } from '../kit-of-parts/Problems';
import { Segments } from '../kit-of-parts/Segments';
import { BenchButtons, BenchDetail, BenchPrimary, BenchStep, BenchTitle } from './parts';
import { useBenchReading, type BenchReading } from './use-bench-reading';

const CALIPER = ['caliper'] as const;
const METHODS = (['caliper', 'wrapTape', 'diameterTape'] as const).map((m): readonly [Method, string] => [
  m,
  METHOD_WORDS[m],
]);

interface Props {
  readonly session: BenchSession;
  /** Nothing may go on before this: there is no way back to the steps. */
  readonly demanded: boolean;
  readonly onClose: () => void;
}

/** What is known of a layer, under its name. */
function knownWords(view: TerminationView, quantity: Quantity): string {
  const known = view.measured[quantity];
  if (known === null) return 'not measured';
  return `${diameterTexts(known.interval.min, known.interval.max).mm}${known.provisional ? ', datasheet' : ''}`;
}

/** Readings taken at the bench, from an instrument that types or from the keypad. */
export function BenchMeasure({ session, demanded, onClose }: Props) {
  const { view } = session;
  const reading = useBenchReading(session);
  const { quantity, text, problems } = reading;
  const why = (view.plan?.plan.provisional ?? []).join('; ');
  return (
    <BenchStep>
      <BenchTitle>{demanded ? 'Measure this end first' : 'A reading at the bench'}</BenchTitle>
      <BenchDetail>
        {demanded
          ? `Nothing is cut before this end is measured: ${why}.`
          : 'A changed diameter makes the plan stale: what changes is shown before you go on.'}
      </BenchDetail>
      <Segments
        label="What is measured"
        options={view.needed.map((q) => [q, QUANTITY_WORDS[q], knownWords(view, q)])}
        value={quantity}
        onChange={reading.pick}
      />
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: '20px 40px' }}>
        <Box sx={{ flex: 1, minWidth: 250 }}>
          {quantity === 'armourWire' ? null : (
            <Segments label="Method" options={METHODS} value={reading.method} onChange={reading.setMethod} />
          )}
          <ReadingField reading={reading} />
          <PadField
            name="instrument"
            label={reading.byAngle ? `At ${nextAngle(reading.taken, quantity)}°, with` : 'With'}
            kind="code"
            maxLength={60}
            placeholder="caliper 12"
            value={reading.instrument}
            onChange={reading.setInstrument}
          />
          <Problems problems={problems} />
          <Tray kinds={CALIPER} onShown={reading.take} />
        </Box>
        <Keypad value={text} onChange={reading.type} />
      </Box>
      <BenchButtons>
        {demanded ? null : (
          <Button variant="outlined" onClick={onClose}>
            Back to the step
          </Button>
        )}
        <BenchPrimary onClick={() => void reading.keep()} disabled={text.trim() === ''}>
          Keep this reading
        </BenchPrimary>
      </BenchButtons>
    </BenchStep>
  );
}

/** The reading in figures that are read from two metres, its unit, and what it would come to. */
function ReadingField({ reading }: { readonly reading: BenchReading }) {
  const { method, quantity, unit } = reading;
  return (
    <>
      <Box sx={{ display: 'flex', gap: 1.25, mt: 1.5 }}>
        <Box
          component="input"
          value={reading.text}
          onChange={(e) => reading.type(e.target.value)}
          onKeyDown={(e) => {
            if (e.key === 'Enter') void reading.keep();
          }}
          aria-label={`${method === 'wrapTape' ? 'Circumference' : 'Diameter'}, ${QUANTITY_WORDS[quantity]}`}
          placeholder="0.00"
          inputMode="none"
          autoComplete="off"
          sx={FIGURE}
        />
        <Button variant="outlined" onClick={reading.switchUnit} aria-label={`Unit ${unit}, switch`}>
          {unit}
        </Button>
      </Box>
      <Box component="p" role="status" sx={{ minHeight: 26, my: 1, color: 'text.secondary' }}>
        {reading.ahead}
      </Box>
    </>
  );
}

const FIGURE = {
  minWidth: 0,
  width: 240,
  height: 78,
  px: 1.75,
  font: 'inherit',
  fontSize: 46,
  fontWeight: 700,
  textAlign: 'right',
  color: 'var(--ac-amber-text)',
  bgcolor: 'background.paper',
  border: '2px solid',
  borderColor: 'divider',
  borderRadius: 1,
} as const;
