'use client';
import { DataTable } from '../../kit-of-parts/DataTable';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import { useState } from 'react';
import { cureTime, potLife, type SealPlan, type TimeMode } from '@/core/compound-cure';
import { compoundClock } from '@/core/procedure';
import { trimNumber } from '@/core/units';
import { Caution } from '../../kit-of-parts/Caution';
import { Problems } from '../../kit-of-parts/Problems';
import { Segments } from '../../kit-of-parts/Segments';
import { useNow } from '../../common/use-now';
import { StepList } from '../../make-off/StepList';
import type { StationProps } from '../../termination/station-props';
import { useRun } from '../../termination/use-run';
import { minutesWords, readTemperature, timeOfDay } from './clock-words';
import { CureChart } from './CureChart';
import { TemperatureLog } from './TemperatureLog';
import { TimeTables } from './TimeTables';
import styles from './Seal.module.css';
import { useSend } from '../../data/use-send';

const ml = (n: number) => `${trimNumber(n, 1)} mL`;

/** What goes into the chamber, how much of it, how long it may be worked and until when nothing moves. */
export function SealStation(props: StationProps) {
  const { view } = props;
  const plan = view.plan?.plan ?? view.preview;
  if (!plan)
    return (
      <>
        <h2 className={styles.headline}>Choose a gland first.</h2>
        <p className={styles.lead}>Whether there is a chamber to fill follows from the gland.</p>
      </>
    );
  if (plan.sealRefusal.length > 0)
    return (
      <>
        <h2 className={styles.headline}>No compound may go in.</h2>
        <Problems problems={plan.sealRefusal} />
        {view.compound !== null ? <Choices {...props} seal={null} /> : null}
      </>
    );
  if (plan.seal === null)
    return (
      <>
        <h2 className={styles.headline}>No compound in this gland.</h2>
        <p className={styles.lead}>
          {plan.size} seals by rings alone; it has no chamber to fill and nothing to cure.
        </p>
      </>
    );
  return <Filled {...props} seal={plan.seal} preview={view.plan === null} />;
}

function Filled({
  seal,
  preview,
  ...props
}: StationProps & { readonly seal: SealPlan; readonly preview: boolean }) {
  const { view } = props;
  const packs = seal.packs.packs.map((p) => `${p.count} × ${p.part}`).join(' and ');
  return (
    <>
      <h2 className={styles.headline}>
        {ml(seal.needMl)} of {seal.product}: {packs}.
      </h2>
      <p className={styles.lead}>
        {ml(seal.packs.leftoverMl)} left over
        {seal.stickMm === null ? '' : `; cut ${seal.stickMm} mm of stick`}. By {seal.sheet.title}, revision{' '}
        {seal.sheet.revision}, as the approval list of the fitting allows.
        {preview ? ' Preview: nothing is taken yet.' : ''}
      </p>
      <Choices {...props} seal={seal} />
      <Running {...props} seal={seal} />
      <WorkTimes seal={seal} />
      <details className={styles.workings}>
        <summary>How the volume came about</summary>
        <DataTable>
          <TableBody>
            {seal.workings.map((w) => (
              <TableRow key={w.label}>
                <TableCell component="th" scope="row">
                  {w.label}
                </TableCell>
                <TableCell>{ml(w.ml)}</TableCell>
              </TableRow>
            ))}
            <TableRow>
              <TableCell component="th" scope="row">
                to be filled in, rounded up
              </TableCell>
              <TableCell>{ml(seal.needMl)}</TableCell>
            </TableRow>
            {seal.extentMm === null ? null : (
              <TableRow>
                <TableCell component="th" scope="row">
                  farthest up the cores beyond the mouth
                </TableCell>
                <TableCell>{trimNumber(seal.extentMm, 1)} mm</TableCell>
              </TableRow>
            )}
          </TableBody>
        </DataTable>
      </details>
      <StepList view={view} station="seal" />
      {seal.cautions.map((c) => (
        <Caution key={c}>{c}</Caution>
      ))}
      <Caution>Gloves and air: compounds sensitise. Check the expiry date of the pack.</Caution>
    </>
  );
}

/** The fitting's approval list: what is allowed may be asked for, what is not says why. */
function Choices({ view, seal }: StationProps & { readonly seal: SealPlan | null }) {
  const send = useSend();
  const { run, busy, problems } = useRun();
  const ask = (product: string | null) =>
    void run(() =>
      send(
        'setCompound',
        { job: view.job.slug, cable: view.cable, end: view.end },
        view.versions[view.end],
        product,
      ),
    );
  return (
    <div className={styles.choices} role="group" aria-label="Compound">
      {(seal?.verdicts ?? []).map((v) => (
        <button
          key={v.product}
          type="button"
          className={styles.choice}
          aria-pressed={v.product === seal?.product}
          disabled={busy || !v.allowed || view.plan === null}
          onClick={() => ask(v.product)}
        >
          <b>{v.product}</b>
          <span>{v.reason}</span>
        </button>
      ))}
      {seal === null ? (
        <button type="button" className={styles.choice} disabled={busy} onClick={() => ask(null)}>
          <b>Let the fitting’s list choose</b>
          <span>instead of {view.compound}</span>
        </button>
      ) : null}
      <Problems problems={problems} />
    </div>
  );
}

/** The pot life or the cure that runs at this very end. */
function Running({ view, seal }: StationProps & { readonly seal: SealPlan }) {
  const now = useNow();
  if (now === null) return null;
  const clock = compoundClock(seal, view.acts, now);
  if (clock.filledMs !== null && clock.cure !== null)
    return (
      <section className={styles.running} aria-label="Cure">
        <h3>
          {clock.cure.hardAt !== null
            ? `Hard since ${timeOfDay(clock.cure.hardAt * 60_000)}.`
            : `${Math.floor(clock.cure.progress * 100)} % cured${clock.cure.ready ? `, hard at about ${timeOfDay(clock.cure.ready.at * 60_000)}` : ''}.`}
        </h3>
        <CureChart track={clock.cure} readings={clock.readings} />
        {clock.cure.standing ? (
          <Caution tone="hold">It stands still: {clock.cure.standing.words}.</Caution>
        ) : null}
        {clock.cure.hardAt === null ? <TemperatureLog view={view} /> : null}
      </section>
    );
  if (clock.mix !== null)
    return (
      <Caution tone="hold">
        Mixed at {timeOfDay(clock.mix.atMs)} from batch {clock.mix.batch}, work at {clock.mix.tempC} °C: fill
        in by {timeOfDay(clock.mix.endsMs)}.
      </Caution>
    );
  return null;
}

const MODES = [
  ['neighbour', 'By the printed points'],
  ['estimate', 'Estimate between them'],
] as const satisfies readonly (readonly [TimeMode, string])[];

/** Pot life and cure for a temperature of the work. */
function WorkTimes({ seal }: { readonly seal: SealPlan }) {
  const [text, setText] = useState('20');
  const [mode, setMode] = useState<TimeMode>('neighbour');
  const tempC = readTemperature(text);
  const pot = tempC === null ? null : potLife(seal.potLife, tempC, mode);
  const cure = tempC === null ? null : cureTime(seal.cure, tempC, mode);
  return (
    <section className={styles.times} aria-label="Times by temperature">
      <div className={styles.timesHead}>
        <label>
          Work at{' '}
          <input
            className={styles.temp}
            value={text}
            inputMode="decimal"
            name="PlanTemperature"
            onChange={(e) => setText(e.target.value)}
            aria-invalid={tempC === null}
          />{' '}
          °C
        </label>
        <Segments label="How between two printed points" options={MODES} value={mode} onChange={setMode} />
      </div>
      <dl className={styles.answers}>
        {(
          [
            ['Pot life', pot],
            ['Hard after', cure],
          ] as const
        ).map(([name, time]) => (
          <div key={name}>
            <dt>{name}</dt>
            {time === null ? (
              <dd>–</dd>
            ) : time.ok ? (
              <dd>
                <b data-estimate={time.value.basis === 'estimate' ? 'yes' : undefined}>
                  {time.value.basis === 'estimate' ? 'about ' : ''}
                  {minutesWords(time.value.minutes)}
                </b>
                <span>{time.value.words}</span>
              </dd>
            ) : (
              <dd>
                <b className={styles.refused}>refused</b>
                <span>{time.problems[0]?.message}</span>
              </dd>
            )}
          </div>
        ))}
      </dl>
      <TimeTables seal={seal} tempC={tempC} />
    </section>
  );
}
