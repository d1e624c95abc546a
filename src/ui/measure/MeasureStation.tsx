'use client';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import {
  insertionBoundMm,
  measure,
  nextToMeasure,
  QUANTITY_WORDS,
  type Measurement,
  type Quantity,
  type Reading,
} from '@/core/cable-measurement';
import { diameterTexts } from '../common/unit';
import { Both } from '../common/Both';
import { Answer } from '../kit-of-parts/Answer';
import { Caution } from '../kit-of-parts/Caution';
import type { StationProps } from '../termination/station-props';
import { IntervalChart } from './IntervalChart';
import { ReadingForm } from './ReadingForm';
import { ReadingTable } from './ReadingTable';
import { useReadingQueue, type ReadingQueue } from './use-reading-queue';
import { useRun } from '../termination/use-run';
import { Problems } from '../kit-of-parts/Problems';
import { useSend } from '../data/use-send';

/** What this end really measures: readings as typed, and the interval they leave. */
export function MeasureStation({ view }: StationProps) {
  const remove = useRun();
  const send = useSend();
  const ref = { job: view.job.slug, cable: view.cable, end: view.end };
  const queue = useReadingQueue(view.readings, (reading) => send('addReading', ref, reading));
  const flameproof = view.place?.enclosure.concept === 'Ex d';
  return (
    <>
      <Answer
        words={headline(view)}
        lead={
          flameproof
            ? 'A flameproof entry asks for both: calipers miss a three-lobed cable, a tape misses an oval one.'
            : 'A diameter is an interval. Two caliper readings at right angles, or a tape and a caliper, keep it narrow.'
        }
      />
      <Problems problems={[...view.measureProblems, ...remove.problems]} />
      {view.collar.blockedBy !== null && view.measureProblems.length === 0 ? (
        <Caution>{view.collar.blockedBy}</Caution>
      ) : null}
      {view.needed.map((quantity) => (
        <Layer
          key={quantity}
          view={view}
          quantity={quantity}
          flameproof={flameproof}
          remove={remove}
          queue={queue}
        />
      ))}
    </>
  );
}

interface LayerProps extends Pick<StationProps, 'view'> {
  readonly quantity: Quantity;
  readonly flameproof: boolean;
  readonly remove: ReturnType<typeof useRun>;
  readonly queue: ReadingQueue;
}

/** One layer of the cable: its interval, the readings it comes from, and a field for the next. */
function Layer({ view, quantity, flameproof, remove, queue }: LayerProps) {
  const ref = { job: view.job.slug, cable: view.cable, end: view.end };
  const send = useSend();
  const taken = view.readings.map((r) => r.reading);
  const own = view.readings.filter((r) => r.reading.quantity === quantity);
  const onTheWay = queue.onTheWay.filter((r) => r.quantity === quantity);
  const measured = view.measured[quantity];
  return (
    <Box
      component="section"
      aria-labelledby={`q-${quantity}`}
      sx={{ p: '12px 0 14px', borderTop: '2px solid', borderColor: 'divider' }}
    >
      <LayerHead quantity={quantity} measured={measured} ofType={own.length === 0} />
      {measured ? <IntervalChart measurement={measured} readings={taken} /> : null}
      <ReadingTable
        readings={own}
        onWithdraw={(id) =>
          void remove.run(() => send('withdrawReading', ref, id), 'Reading withdrawn. Undo brings it back.')
        }
        rules={view.job.rules}
      />
      <ReadingForm
        quantity={quantity}
        unit={view.job.unit}
        flameproof={flameproof}
        count={[...own.map((r) => r.reading), ...onTheWay].filter((r) => r.method === 'caliper').length}
        onTheWay={onTheWay}
        add={queue.add}
        onTyped={(reading) => goOn(view.needed, [...taken, ...queue.onTheWay, reading], quantity)}
        preview={(reading: Reading) =>
          measure([...taken, ...queue.onTheWay, reading], quantity, view.job.rules)
        }
      />
      {(measured?.advice ?? []).map((line) => (
        <Caution key={line} tone="marginal">
          {line}
        </Caution>
      ))}
    </Box>
  );
}

interface HeadProps {
  readonly quantity: Quantity;
  readonly measured: Measurement | null;
  /** Nobody read anything of it: what is known is what the datasheet of the cable's type says. */
  readonly ofType: boolean;
}

function LayerHead({ quantity, measured: m, ofType }: HeadProps) {
  const words = QUANTITY_WORDS[quantity];
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'baseline', gap: '4px 18px' }}>
      <Typography variant="h3" id={`q-${quantity}`} sx={{ flex: 'none', width: 120, fontSize: 16 }}>
        {words[0]?.toUpperCase()}
        {words.slice(1)}
      </Typography>
      {m ? (
        <Box component="span" sx={{ fontSize: 18 }}>
          <Both texts={diameterTexts(m.interval.min, m.interval.max)} />
          {m.provisional ? (
            <Box component="span" sx={PROVISIONAL}>
              {ofType ? 'provisional, by the datasheet of its type' : 'provisional'}
            </Box>
          ) : null}
        </Box>
      ) : (
        <Box component="b" sx={{ fontWeight: 600, color: 'error.main' }}>
          not measured
        </Box>
      )}
      {m && m.ovality !== null ? (
        <Box component="span" sx={{ ml: 'auto', color: 'text.secondary' }}>
          oval by {(m.ovality * 100).toFixed(1)} %
        </Box>
      ) : null}
    </Box>
  );
}

const PROVISIONAL = {
  ml: 1.25,
  px: 0.75,
  fontSize: 13,
  fontWeight: 600,
  color: 'warning.main',
  border: '2px dashed',
  borderRadius: 1,
} as const;

/** Puts the cursor where the next reading belongs, when that is another layer; says whether it has. */
function goOn(needed: readonly Quantity[], readings: readonly Reading[], current: Quantity): boolean {
  const next = nextToMeasure(needed, readings, current);
  if (next === null || next === current) return false;
  const field = document.querySelector<HTMLInputElement>(`input[name="reading-${next}"]`);
  field?.focus();
  return field !== null;
}

function headline(view: StationProps['view']): string {
  const missing = view.needed.filter((q) => view.measured[q] === null);
  if (missing.length > 0) return `Measure ${missing.map((q) => QUANTITY_WORDS[q]).join(', ')}.`;
  if (view.needed.some((q) => view.measured[q]?.provisional))
    return 'Datasheet only: good for planning, not for cutting.';
  const top = insertionBoundMm([view.measured.outerSheath]);
  return top === null ? 'Measured.' : `Measured. Passes any bore over ${top.toFixed(2)} mm.`;
}
