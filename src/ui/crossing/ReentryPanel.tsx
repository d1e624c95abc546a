'use client';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { openingName, reentrySteps, type CrossingPlace, type ReentrySchool } from '@/core/frame-building';
import {
  planReentry,
  reentryWords,
  type ReentryRefusal,
  type FrameCable,
  type FramePlan,
  type FrameRequest,
  type Reentry,
} from '@/core/frame-packing';
import type { Problem } from '@/core/kernel';
import { readNumber } from '../common/read-number';
import { Problems } from '../kit-of-parts/Problems';
import { Segments } from '../kit-of-parts/Segments';
import { refWords } from './words';
import styles from './Crossing.module.css';

/** New cables for a built frame: which spare takes them, what must be opened, and the steps for it. Nothing is stored until it is taken. */
export function ReentryPanel({
  request,
  plan,
  place,
  busy,
  onShow,
  onTake,
}: {
  readonly request: FrameRequest;
  readonly plan: FramePlan;
  readonly place: CrossingPlace;
  readonly busy: boolean;
  readonly onShow: (plan: FramePlan, cables: readonly FrameCable[]) => void;
  /** Puts the cables that found a place into the crossing, and records the frame with them. */
  readonly onTake: (plan: FramePlan, cables: readonly FrameCable[]) => void;
}) {
  const [tag, setTag] = useState('');
  const [min, setMin] = useState('');
  const [max, setMax] = useState('');
  const [circuit, setCircuit] = useState('');
  const [add, setAdd] = useState<readonly FrameCable[]>([]);
  const [answer, setAnswer] = useState<Reentry | null>(null);
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const [school, setSchool] = useState<ReentrySchool>('out');
  const circuits = [...new Set(request.cables.flatMap((c) => c.circuit ?? []))].sort();
  const ask = (cables: readonly FrameCable[]) => {
    setAdd(cables);
    if (cables.length === 0) {
      setAnswer(null);
      return;
    }
    const made = planReentry(request, plan, cables);
    setProblems(made.ok ? [] : made.problems);
    setAnswer(made.ok ? made.value : null);
  };
  const include = () => {
    const [lo, hi] = [readNumber(min), readNumber(max === '' ? min : max)];
    if (tag.trim() === '' || !(lo > 0) || !(hi >= lo)) {
      setProblems([
        { path: 'add', message: 'A tag, and the smallest and largest diameter in mm, are needed.' },
      ]);
      return;
    }
    ask([
      ...add,
      { tag: tag.trim(), diameter: { min: lo, max: hi }, ...(circuit === '' ? {} : { circuit }) },
    ]);
    setTag('');
  };
  const steps = answer ? reentrySteps(request, plan, answer, place, school) : [];
  return (
    <div className={styles.setup}>
      <p className={styles.lead}>
        A cable for a frame that stands: the spare that disturbs the fewest others, and the rows to open for
        it.
      </p>
      <div className={styles.apart}>
        <input
          className={styles.field}
          aria-label="tag of the new cable"
          placeholder="tag"
          value={tag}
          onChange={(e) => setTag(e.target.value)}
          maxLength={60}
        />
        <input
          className={`${styles.field} ${styles.short}`}
          aria-label="new cable, smallest diameter, mm"
          placeholder="min mm"
          value={min}
          onChange={(e) => setMin(e.target.value)}
        />
        <input
          className={`${styles.field} ${styles.short}`}
          aria-label="new cable, largest diameter, mm"
          placeholder="max mm"
          value={max}
          onChange={(e) => setMax(e.target.value)}
        />
        <select
          className={styles.field}
          aria-label="circuit of the new cable"
          value={circuit}
          onChange={(e) => setCircuit(e.target.value)}
        >
          <option value="">no circuit</option>
          {circuits.map((c) => (
            <option key={c} value={c}>
              {c}
            </option>
          ))}
        </select>
        <Button variant="contained" color="secondary" onClick={include}>
          Find a place
        </Button>
      </div>
      <Problems problems={problems} />
      {answer ? (
        <>
          <ul className={styles.answers} aria-label="Answers">
            {answer.answers.map((a) => (
              <li key={a.tag}>
                <b>{a.tag}</b>{' '}
                {'place' in a ? (
                  <>
                    into {refWords(a.place)}, {a.module}
                    {a.remeasure ? ', measure again' : ''}
                  </>
                ) : (
                  <span className={styles.why}>
                    <Refused {...reentryWords(a.refused)} />
                  </span>
                )}
                <button
                  type="button"
                  className={styles.remove}
                  aria-label={`leave ${a.tag} out`}
                  onClick={() => ask(add.filter((c) => c.tag !== a.tag))}
                >
                  ×
                </button>
              </li>
            ))}
          </ul>
          {answer.open.map((o) => (
            <p key={openingName(o.frame, o.opening)} className={styles.opened}>
              Open {openingName(o.frame, o.opening)}: <b>{o.rows.length}</b>{' '}
              {o.rows.length === 1 ? 'row' : 'rows'} ({o.rows.map((r) => r + 1).join(', ')}),{' '}
              {o.disturbed.length === 0
                ? 'no cable is disturbed'
                : `${o.disturbed.length} ${o.disturbed.length === 1 ? 'cable' : 'cables'} disturbed: ${o.disturbed.join(', ')}`}
            </p>
          ))}
          {steps.length > 0 ? (
            <>
              <div className={styles.apart}>
                <Segments
                  label="Press unit"
                  options={[
                    ['out', 'press unit out'],
                    ['loosened', 'only loosened'],
                  ]}
                  value={school}
                  onChange={setSchool}
                />
                <Button onClick={() => onShow(answer.plan, add)}>Show it in the frame</Button>
                <Button
                  variant="outlined"
                  disabled={busy}
                  onClick={() => {
                    const placed = new Set(answer.answers.flatMap((a) => ('place' in a ? [a.tag] : [])));
                    onTake(
                      answer.plan,
                      add.filter((c) => placed.has(c.tag)),
                    );
                  }}
                >
                  Take it into the crossing
                </Button>
              </div>
              <ol className={styles.steps}>
                {steps.map((s) => (
                  <li key={s.id}>
                    <b>{s.title}</b>
                    <span>{s.detail}</span>
                  </li>
                ))}
              </ol>
            </>
          ) : null}
        </>
      ) : null}
    </div>
  );
}

const Refused = ({ reason, help }: ReentryRefusal) => (
  <>
    {reason}. What would help: {help}.
  </>
);
