'use client';
import {
  insertionBoundMm,
  measure,
  nextToMeasure,
  QUANTITY_WORDS,
  type Reading,
} from '@/core/cable-measurement';
import { diameterTexts } from '../common/unit';
import { Both } from '../common/Both';
import { Caution } from '../kit-of-parts/Caution';
import type { StationProps } from '../termination/station-props';
import { IntervalChart } from './IntervalChart';
import { ReadingForm } from './ReadingForm';
import { ReadingTable } from './ReadingTable';
import { useRun } from '../termination/use-run';
import { Problems } from '../kit-of-parts/Problems';
import styles from './MeasureStation.module.css';
import { useSend } from '../data/use-send';

/** What this end really measures: readings as typed, and the interval they leave. */
export function MeasureStation({ view }: StationProps) {
  const ref = { job: view.job.slug, cable: view.cable, end: view.end };
  const send = useSend();
  const remove = useRun();
  const flameproof = view.place?.enclosure.concept === 'Ex d';
  return (
    <>
      <h2 className={styles.headline}>{headline(view)}</h2>
      {flameproof ? (
        <p className={styles.lead}>
          A flameproof entry asks for both: calipers miss a three-lobed cable, a tape misses an oval one.
        </p>
      ) : (
        <p className={styles.lead}>
          A diameter is an interval. Two caliper readings at right angles, or a tape and a caliper, keep it
          narrow.
        </p>
      )}
      <Problems problems={[...view.measureProblems, ...remove.problems]} />
      {view.collar.blockedBy !== null && view.measureProblems.length === 0 ? (
        <Caution>{view.collar.blockedBy}</Caution>
      ) : null}
      {view.needed.map((quantity) => {
        const own = view.readings.filter((r) => r.reading.quantity === quantity);
        const m = view.measured[quantity];
        return (
          <section key={quantity} className={styles.quantity} aria-labelledby={`q-${quantity}`}>
            <div className={styles.row}>
              <h3 id={`q-${quantity}`} className={styles.name}>
                {QUANTITY_WORDS[quantity][0]?.toUpperCase()}
                {QUANTITY_WORDS[quantity].slice(1)}
              </h3>
              {m ? (
                <span className={styles.interval} data-provisional={m.provisional ? 'yes' : undefined}>
                  <Both texts={diameterTexts(m.interval.min, m.interval.max)} />
                  {m.provisional ? <span className={styles.tagProvisional}>provisional</span> : null}
                </span>
              ) : (
                <span className={styles.missing}>not measured</span>
              )}
              {m && m.ovality !== null ? (
                <span className={styles.ovality}>oval by {(m.ovality * 100).toFixed(1)} %</span>
              ) : null}
            </div>
            {m ? <IntervalChart measurement={m} readings={view.readings.map((r) => r.reading)} /> : null}
            <ReadingTable
              readings={own}
              onWithdraw={(id) =>
                void remove.run(
                  () => send('withdrawReading', ref, id),
                  'Reading withdrawn. Undo brings it back.',
                )
              }
              rules={view.job.rules}
            />
            <ReadingForm
              quantity={quantity}
              unit={view.job.unit}
              flameproof={flameproof}
              count={own.filter((r) => r.reading.method === 'caliper').length}
              add={(reading) => send('addReading', ref, reading)}
              onKept={(reading) => goOn(view, reading)}
              preview={(reading: Reading) =>
                measure([...view.readings.map((r) => r.reading), reading], quantity, view.job.rules)
              }
            />
            {(m?.advice ?? []).map((line) => (
              <Caution key={line} tone="marginal">
                {line}
              </Caution>
            ))}
          </section>
        );
      })}
    </>
  );
}

/** Puts the cursor where the next reading belongs, when that is another layer. */
function goOn({ needed, readings }: StationProps['view'], kept: Reading): boolean {
  const next = nextToMeasure(needed, [...readings.map((r) => r.reading), kept], kept.quantity);
  if (next === null || next === kept.quantity) return false;
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
