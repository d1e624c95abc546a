'use client';
import { DataTable } from '../kit-of-parts/DataTable';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Button from '@mui/material/Button';
import Link from 'next/link';
import { useEffect, useMemo, useRef, useState } from 'react';
import { refuse, type Problem } from '@/core/kernel';
import { tally, type JobChoicePlan } from '@/core/job-choice';
import type { JobChoiceView } from '@/core/termination-view';
import { trimNumber } from '@/core/units';
import { startChooseJob } from '@/workers/job-choice';
import type { Running } from '@/workers/run-in-worker';
import { Problems } from '../kit-of-parts/Problems';
import { useLook } from '../data/use-look';
import { useSend } from '../data/use-send';
import { stationPath } from '../rack/summaries';
import { useRun } from '../termination/use-run';
import styles from './WholeJobPage.module.css';

interface Props {
  readonly job: string;
}

type State =
  | { readonly kind: 'idle' }
  | { readonly kind: 'running'; readonly stage: string; readonly done: number; readonly of: number }
  | { readonly kind: 'found'; readonly plan: JobChoicePlan; readonly seconds: number };

/** The whole job at once, as soon as every end of it has been judged. */
export function WholeJobPage(props: Props) {
  const { view, problems, reload } = useLook(['viewJobChoice', props.job], { onReturn: false });
  if (view !== null) return <Chosen {...props} view={view} />;
  return (
    <main className={styles.main}>
      <h1>Whole job</h1>
      {problems.length > 0 ? (
        <>
          <Problems problems={problems} />
          <Button variant="outlined" onClick={reload}>
            Try again
          </Button>
        </>
      ) : (
        <p className={styles.lead} role="status">
          Every end of the job is being judged …
        </p>
      )}
    </main>
  );
}

/** What is planned now beside the fewest part numbers that would do, taken or left as one change. */
function Chosen({ job, view }: Props & { readonly view: JobChoiceView }) {
  const send = useSend();
  const [state, setState] = useState<State>({ kind: 'idle' });
  const [failure, setFailure] = useState<readonly Problem[]>([]);
  const running = useRef<Running<JobChoicePlan> | null>(null);
  const { run, busy, problems } = useRun();
  useEffect(() => () => running.current?.cancel(), []);
  const now = useMemo(() => tally(view.request, view.before), [view]);
  const free = view.request.terminations.length - Object.keys(view.open).length;

  const start = () => {
    setFailure([]);
    setState({ kind: 'running', stage: 'loading the solver', done: 0, of: 3 });
    const began = performance.now();
    const choice = startChooseJob(view.request, (stage, done, of) =>
      setState({ kind: 'running', stage, done, of }),
    );
    running.current = choice;
    choice.result.then(
      (plan) => setState({ kind: 'found', plan, seconds: (performance.now() - began) / 1000 }),
      (error: unknown) => {
        setState({ kind: 'idle' });
        const words = error instanceof Error ? error.message : String(error);
        setFailure(refuse('', `The choice could not be worked out: ${words}`).problems);
      },
    );
  };
  const cancel = () => {
    running.current?.cancel();
    setState({ kind: 'idle' });
  };
  const take = (plan: JobChoicePlan) =>
    void run(
      () => send('acceptJobChoice', job, plan.picks),
      'Planned as one change: Undo takes all of it back.',
    ).then((r) => r.ok && setState({ kind: 'idle' }));
  return (
    <main className={styles.main}>
      <div className={styles.title}>
        <h1>Whole job</h1>
        <Button
          size="small"
          variant="text"
          disabled={busy}
          onClick={() => void run(() => send('undo', job))}
          data-shortcut="z"
        >
          Undo
        </Button>
      </div>
      <p className={styles.lead}>
        One size for each of {free} terminations, so that the store carries the fewest gland part numbers; of
        those the fewest adaptors; of those the best worst margin. Only kinds that the profile calls for
        compete. What is locked, or begun at the bench, stays.
      </p>
      <div className={styles.acts}>
        {state.kind === 'running' ? (
          <>
            <progress className={styles.progress} max={state.of} value={state.done} aria-label="Progress" />
            <span role="status">{state.stage} …</span>
            <Button variant="outlined" onClick={cancel}>
              Cancel
            </Button>
          </>
        ) : (
          <Button variant="contained" color="secondary" onClick={start} disabled={busy || free === 0}>
            {state.kind === 'found' ? 'Work it out again' : 'Work it out'}
          </Button>
        )}
      </div>
      <Problems problems={[...failure, ...problems]} />
      <div className={styles.columns}>
        <div>
          {state.kind === 'found' ? (
            <Answer
              job={job}
              view={view}
              plan={state.plan}
              seconds={state.seconds}
              now={now}
              busy={busy}
              onTake={() => take(state.plan)}
              onLeave={() => setState({ kind: 'idle' })}
            />
          ) : (
            <Standing view={view} now={now} />
          )}
        </div>
        <Open job={job} view={view} />
      </div>
    </main>
  );
}

type Tally = ReturnType<typeof tally>;
const mm = (value: number | null) => (value === null ? '–' : `${trimNumber(value, 2)} mm`);

function Standing({ view, now }: { readonly view: JobChoiceView; readonly now: Tally }) {
  return (
    <p className={styles.standing}>
      Planned now: <b>{view.before.length}</b> terminations with <b>{now.parts}</b> gland part numbers,{' '}
      <b>{now.adaptors}</b> through an adaptor, worst margin <b>{mm(now.worstMarginMm)}</b>.
    </p>
  );
}

interface AnswerProps {
  readonly job: string;
  readonly view: JobChoiceView;
  readonly plan: JobChoicePlan;
  readonly seconds: number;
  readonly now: Tally;
  readonly busy: boolean;
  readonly onTake: () => void;
  readonly onLeave: () => void;
}

function Answer({ job, view, plan, seconds, now, busy, onTake, onLeave }: AnswerProps) {
  const before = new Map(view.before.map((p) => [p.tag, p.part]));
  const changed = plan.picks.filter((p) => before.get(p.tag) !== p.part);
  const code = (part: string | undefined) => (part === undefined ? '–' : (view.sizes[part] ?? part));
  const counts = new Map<string, number>();
  for (const p of plan.picks) counts.set(p.part, (counts.get(p.part) ?? 0) + 1);
  return (
    <section aria-label="Answer">
      <h2 className={styles.headline}>
        {plan.parts} part numbers for {plan.picks.length} terminations,{' '}
        {plan.status === 'optimal'
          ? 'proven to be the fewest.'
          : `at most ${plan.parts - plan.partsBound} above the proven bound of ${plan.partsBound}.`}
      </h2>
      <DataTable className={styles.compare}>
        <TableHead>
          <TableRow>
            <TableCell scope="col" />
            <TableCell scope="col">planned now</TableCell>
            <TableCell scope="col">this choice</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {(
            [
              ['Terminations', view.before.length, plan.picks.length],
              ['Gland part numbers', now.parts, plan.parts],
              ['Adaptors', now.adaptors, plan.adaptors],
              ['Worst margin', mm(now.worstMarginMm), mm(plan.worstMarginMm)],
            ] as const
          ).map(([title, a, b]) => (
            <TableRow key={title}>
              <TableCell component="th" scope="row">
                {title}
              </TableCell>
              <TableCell>{a}</TableCell>
              <TableCell>
                <b>{b}</b>
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </DataTable>
      <PartBars counts={counts} code={code} />
      <div className={styles.acts}>
        <Button
          variant="contained"
          color="secondary"
          disabled={busy || changed.length === 0}
          onClick={onTake}
        >
          {changed.length === 0 ? 'Planned like this already' : `Plan these ${changed.length} changes`}
        </Button>
        <Button variant="outlined" disabled={busy} onClick={onLeave}>
          Leave it as it is
        </Button>
        <span className={styles.quiet}>worked out in {trimNumber(seconds, 1)} s</span>
      </div>
      {changed.length === 0 ? null : (
        <DataTable className={styles.changes}>
          <TableHead>
            <TableRow>
              <TableCell scope="col">Termination</TableCell>
              <TableCell scope="col">now</TableCell>
              <TableCell scope="col">then</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {changed.map((p) => (
              <TableRow key={p.tag}>
                <TableCell component="th" scope="row">
                  <TagLink job={job} tag={p.tag} />
                </TableCell>
                <TableCell>{code(before.get(p.tag))}</TableCell>
                <TableCell>
                  <b>{code(p.part)}</b>
                </TableCell>
              </TableRow>
            ))}
          </TableBody>
        </DataTable>
      )}
    </section>
  );
}

/** How many terminations each part number serves. */
function PartBars({
  counts,
  code,
}: {
  readonly counts: ReadonlyMap<string, number>;
  readonly code: (part: string) => string;
}) {
  const most = Math.max(1, ...counts.values());
  return (
    <ul className={styles.bars} aria-label="Terminations by part number">
      {[...counts]
        .sort((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1))
        .map(([part, n]) => (
          <li key={part}>
            <b>{code(part)}</b>
            <span className={styles.track}>
              <span style={{ width: `${(n / most) * 100}%` }} />
            </span>
            <span>{n}</span>
          </li>
        ))}
    </ul>
  );
}

function TagLink({ job, tag }: { readonly job: string; readonly tag: string }) {
  const [cable = '', end = 'A'] = tag.split('/');
  return <Link href={stationPath(job, cable, end === 'B' ? 'B' : 'A', 'choose')}>{tag}</Link>;
}

function Open({ job, view }: { readonly job: string; readonly view: JobChoiceView }) {
  const open = Object.entries(view.open);
  const kept = Object.entries(view.kept);
  return (
    <div className={styles.side}>
      <section aria-label="Undecided">
        <h2 className={styles.sub}>Nothing may be taken for {open.length}</h2>
        {open.length === 0 ? (
          <p className={styles.quiet}>Every termination has something that fits.</p>
        ) : null}
        <ul className={styles.list}>
          {open.map(([tag, why]) => (
            <li key={tag}>
              <TagLink job={job} tag={tag} /> <span className={styles.quiet}>{why}</span>
            </li>
          ))}
        </ul>
      </section>
      <section aria-label="Kept">
        <h2 className={styles.sub}>{kept.length} stay as they are</h2>
        {kept.length === 0 ? (
          <p className={styles.quiet}>Lock a size at its Choose station to keep it out of this.</p>
        ) : null}
        <ul className={styles.list}>
          {kept.map(([tag, why]) => (
            <li key={tag}>
              <TagLink job={job} tag={tag} /> <span className={styles.quiet}>{why}</span>
            </li>
          ))}
        </ul>
      </section>
    </div>
  );
}
