'use client';
import Link from 'next/link';
import { useMemo, useState } from 'react';
import { planBatches, potLife, type BatchPlan } from '@/core/compound-cure';
import type { Problem, Result } from '@/core/kernel';
import type { CompoundEnd, CompoundView } from '@/core/termination-view';
import { trimNumber } from '@/core/units';
import { Caution } from '../../kit-of-parts/Caution';
import { readNumber } from '../../common/read-number';
import { NumberFields } from '../../kit-of-parts/NumberFields';
import { Problems } from '../../kit-of-parts/Problems';
import { stationPath } from '../../rack/summaries';
import { minutesWords, readTemperature } from '../station/clock-words';
import { ClockList } from './ClockList';
import styles from './CompoundPage.module.css';

type Fields = Readonly<Record<'temp' | 'perPour' | 'people', string>>;

const FIELDS = [
  { key: 'temp', name: 'batch-temp', label: 'Work at', unit: '°C' },
  { key: 'perPour', name: 'batch-perPour', label: 'One pour takes', unit: 'min' },
  { key: 'people', name: 'batch-people', label: 'People pouring', unit: '' },
] as const;

/** Many ends in one go: how many per mix, which packs, and what is curing meanwhile. */
export function CompoundPage({ job, view }: { readonly job: string; readonly view: CompoundView }) {
  const [fields, setFields] = useState<Fields>({ temp: '20', perPour: '4', people: '1' });
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const ready = view.ends.filter((e) => e.state === 'ready');
  const later = view.ends.filter((e) => e.state === 'later' || e.state === 'stale');
  const running = view.ends.filter((e) => e.state === 'mixed' || e.state === 'curing');
  const products = [...new Set(ready.map((e) => e.seal.product))].sort();
  const toggle = (tag: string) => {
    const next = new Set(left);
    if (!next.delete(tag)) next.add(tag);
    setLeft(next);
  };
  return (
    <main className={styles.main}>
      <div className={styles.title}>
        <h1>Compound</h1>
      </div>
      <p className={styles.lead}>
        {view.ends.length === 0
          ? 'No planned gland of this job has a chamber: nothing is mixed and nothing cures.'
          : `Ready to be filled: ${ready.length}. Running: ${running.length}. Later: ${later.length}.`}
      </p>
      {running.length > 0 ? (
        <section className={styles.section} aria-label="Running now">
          <h2>Running now</h2>
          <ClockList job={job} ends={running} />
        </section>
      ) : null}
      {ready.length > 0 ? (
        <>
          <div className={styles.fields}>
            <NumberFields fields={FIELDS} values={fields} onChange={setFields} />
          </div>
          {products.map((product) => (
            <Batches
              key={product}
              job={job}
              product={product}
              ends={ready.filter((e) => e.seal.product === product)}
              left={left}
              onToggle={toggle}
              fields={fields}
              view={view}
            />
          ))}
        </>
      ) : null}
      {later.length > 0 ? (
        <section className={styles.section} aria-label="Later">
          <h2>Other work comes first</h2>
          <ul className={styles.later}>
            {later.map((e) => (
              <li key={e.tag}>
                <Link className={styles.link} href={stationPath(job, e.cable, e.end, 'seal')}>
                  {e.tag}
                </Link>{' '}
                {e.size} · {e.place}
                <span className={styles.quiet}>
                  {e.state === 'stale' ? 'stale: review what changed' : `next: ${e.next.split(':')[0]}`}
                </span>
              </li>
            ))}
          </ul>
        </section>
      ) : null}
      <Caution>
        Gloves, eyes covered, air. A full cup heats by itself. What is past its pot life is waste: it is never
        stretched.
      </Caution>
    </main>
  );
}

function Batches({
  job,
  product,
  ends,
  left,
  onToggle,
  fields,
  view,
}: {
  readonly job: string;
  readonly product: string;
  readonly ends: readonly CompoundEnd[];
  readonly left: ReadonlySet<string>;
  readonly onToggle: (tag: string) => void;
  readonly fields: Fields;
  readonly view: CompoundView;
}) {
  const taken = ends.filter((e) => !left.has(e.tag));
  const compound = view.compounds.find((c) => c.product === product);
  const tempC = readTemperature(fields.temp);
  const plan = useMemo((): Result<{ batches: BatchPlan; pot: string }> => {
    const wrong = (path: string, message: string): Result<never> => ({
      ok: false,
      problems: [{ path, message }],
    });
    if (!compound) return wrong('compound', `${product} is not in the catalogue any more`);
    if (tempC === null) return wrong('temp', 'the temperature of the work is not a number');
    const pot = potLife(compound.potLife, tempC);
    if (!pot.ok) return pot;
    const batches = planBatches({
      pours: taken.map((e) => ({ tag: e.tag, ml: e.seal.needMl })),
      compound,
      potLifeMinutes: pot.value.minutes,
      minutesPerPour: readNumber(fields.perPour),
      people: readNumber(fields.people),
    });
    return batches.ok ? { ok: true, value: { batches: batches.value, pot: pot.value.words } } : batches;
  }, [compound, product, tempC, taken, fields.perPour, fields.people]);
  const problems: readonly Problem[] = plan.ok ? [] : plan.problems;
  return (
    <section className={styles.section} aria-label={product}>
      <h2>
        {product}
        {plan.ok && taken.length > 0
          ? `: ${plan.value.batches.mixes.length} mix${plan.value.batches.mixes.length === 1 ? '' : 'es'}, up to ${plan.value.batches.perMix} ends each`
          : ''}
      </h2>
      {plan.ok ? (
        <p className={styles.quiet}>
          Pot life {plan.value.pot}. {trimNumber(plan.value.batches.totalMl, 1)} mL in all,{' '}
          {minutesWords(plan.value.batches.minutes)} from the first mixing to the last pour.
        </p>
      ) : (
        <Problems problems={problems} />
      )}
      <div className={styles.columns}>
        <ul className={styles.ends}>
          {ends.map((e) => (
            <li key={e.tag}>
              <label>
                <input type="checkbox" checked={!left.has(e.tag)} onChange={() => onToggle(e.tag)} />
                <b>{e.tag}</b>
                <span className={styles.quiet}>
                  {e.size} · {e.place}
                </span>
                <span className={styles.ml}>{trimNumber(e.seal.needMl, 1)} mL</span>
              </label>
              <Link
                className={styles.link}
                href={`/job/${encodeURIComponent(job)}/bench/${encodeURIComponent(e.cable)}/${e.end}`}
                prefetch={false}
              >
                Bench
              </Link>
            </li>
          ))}
        </ul>
        {plan.ok ? (
          <ol className={styles.mixes}>
            {plan.value.batches.mixes.map((mix, i) => (
              <li key={i}>
                <b>
                  Mix {i + 1}: {mix.packs.packs.map((p) => `${p.count} × ${p.part}`).join(', ')}
                </b>
                <span className={styles.quiet}>
                  {trimNumber(mix.ml, 1)} mL, {trimNumber(mix.packs.leftoverMl, 1)} mL left over,{' '}
                  {trimNumber(mix.marginMinutes, 1)} min of pot life to spare
                </span>
                <ol className={styles.pours}>
                  {mix.pours.map((p) => (
                    <li key={p.tag}>
                      <span>
                        {trimNumber(p.fromMinute, 1)}–{trimNumber(p.toMinute, 1)} min
                      </span>
                      <b>{p.tag}</b>
                      <span className={styles.quiet}>
                        {trimNumber(p.ml, 1)} mL{readNumber(fields.people) > 1 ? ` · person ${p.person}` : ''}
                      </span>
                    </li>
                  ))}
                </ol>
              </li>
            ))}
          </ol>
        ) : null}
      </div>
    </section>
  );
}
