'use client';
import Button from '@mui/material/Button';
import Link from 'next/link';
import { useCallback, useState } from 'react';
import { fillOf, type CrossingSetup, type Side } from '@/core/crossing';
import {
  sameRef,
  type FrameCable,
  type FramePlan,
  type FrameRequest,
  type PlaceRef,
} from '@/core/frame-packing';
import { Caution } from '../common/Caution';
import { RecordFaults } from '../common/RecordFaults';
import { Problems } from '../common/Problems';
import { Segments } from '../common/Segments';
import { UndoesWork } from '../common/UndoesWork';
import { useRun } from '../termination/use-run';
import { CrossingCautions } from './CrossingCautions';
import { ComparePanel } from './ComparePanel';
import { FaceView } from './FaceView';
import { FilesPanel } from './FilesPanel';
import { Legend } from './Legend';
import { cableAt, litWords, lockWords, verdictWords } from './place-words';
import { PlaceTable } from './PlaceTable';
import { ProgressBar } from './ProgressBar';
import { ReentryPanel } from './ReentryPanel';
import { SetupPanel } from './SetupPanel';
import { useDraft, type MoveVerdict } from './use-draft';
import { useTaking } from './use-taking';
import { usePlanning } from './use-planning';
import { crossingPath, provenWords, refWords, restWords, STATE_WORDS } from './words';
import styles from './Crossing.module.css';
import type { CrossingRef } from '@/core/record';
import { useShown } from '../data/use-look';
import { useSend } from '../data/use-send';

interface Props {
  readonly at: CrossingRef;
}

type Tab = 'places' | 'cables' | 'add' | 'compare' | 'files';

/** One crossing: what goes through, the plan seen from either side, and everything that can be done with it. */
export function CrossingPage({ at: ref }: Props) {
  const view = useShown(['viewCrossing', ref]);
  const send = useSend();
  const { request } = view.asked;
  const [inForce] = view.plans;
  const [shown, setShown] = useState<{ readonly request: FrameRequest; readonly plan: FramePlan } | null>(
    null,
  );
  const draft = useDraft(request, inForce?.plan ?? null, view.setup.locked ?? []);
  const [side, setSide] = useState<Side>('front');
  const [only, setOnly] = useState<number | null>(null);
  const [tab, setTab] = useState<Tab>(inForce ? 'places' : 'cables');
  const [lit, setLit] = useState<string | null>(null);
  const [picked, setPicked] = useState<PlaceRef | null>(null);
  const [over, setOver] = useState<{ readonly ref: PlaceRef; readonly verdict: MoveVerdict } | null>(null);
  const [words, setWords] = useState<{ readonly good: boolean; readonly text: string } | null>(null);
  const { run, busy: saving, problems: unsaved } = useRun();
  const taking = useTaking();
  const busy = saving || taking.busy;
  const problems = [...unsaved, ...taking.problems];

  const planning = usePlanning(view, (plan) => {
    draft.put(plan);
    setTab('places');
    setPicked(null);
    setWords(null);
  });
  const around = (plan: FramePlan) => () => planning.planAround(plan, draft.locked);
  const begin = (plan: () => void) => {
    setShown(null);
    plan();
  };
  const judged = (from: PlaceRef, to: PlaceRef) => {
    const verdict = draft.judge(from, to);
    setOver(verdict ? { ref: to, verdict } : null);
    setWords(verdict ? verdictWords(verdict, to, draft.plan) : null);
    return verdict;
  };
  const drop = (from: PlaceRef, to: PlaceRef) => {
    setOver(null);
    const verdict = draft.judge(from, to);
    if (!verdict) return;
    setWords(verdictWords(verdict, to, draft.plan));
    if (verdict.problems.length > 0) return;
    draft.put(verdict.plan);
    setPicked(null);
  };
  const pick = (at: PlaceRef) => {
    setWords(null);
    if (picked === null) {
      setPicked(at);
      return;
    }
    if (sameRef(picked, at)) setPicked(null);
    else if (cableAt(draft.plan, picked) === undefined) setPicked(at);
    else drop(picked, at);
  };
  const take = (kind: 'planned' | 'asBuilt', note: string) => {
    if (!draft.plan) return;
    const plan = draft.plan;
    const { requestHash } = view;
    taking.take({
      send: (id, knowing) => send('takeCrossingPlan', ref, { id, knowing, kind, requestHash, plan, note }),
      said: kind === 'planned' ? 'This plan is in force now.' : 'Recorded as built.',
      then: () => draft.reset(plan),
    });
  };
  const lock = (tag: string) => {
    const locked = draft.lock(tag);
    void run(
      () => send('setCrossing', ref, view.version, { ...view.setup, locked }),
      'Kept with the crossing.',
    );
  };

  const save = useCallback(
    (setup: CrossingSetup) =>
      void run(
        () => send('setCrossing', { job: view.job, crossing: view.name }, view.version, setup),
        'Saved.',
      ),
    [run, send, view.job, view.name, view.version],
  );

  const takeReentry = (after: FramePlan, cables: readonly FrameCable[]) =>
    taking.take({
      send: (id, knowing) =>
        send('takeReentry', ref, { id, knowing, version: view.version, cables, plan: after }),
      said: 'In the crossing now: its rows are to be built again.',
      then: () => {
        setShown(null);
        draft.reset(after);
      },
    });

  const plan = shown?.plan ?? draft.plan;
  const planRequest = shown?.request ?? request;
  const fill = plan ? fillOf(planRequest.modules, plan) : null;
  const pickedPlace = picked && plan ? cableAt(plan, picked) : undefined;
  return (
    <main className={styles.page}>
      <div className={styles.left}>
        <div className={styles.title}>
          <h1>{view.name}</h1>
          <span>{view.setup.place}</span>
          <b data-state={view.state}>{STATE_WORDS[view.state]}</b>
        </div>
        <RecordFaults faults={view.faults} />
        <div className={styles.acts}>
          {planning.working ? (
            <>
              <ProgressBar store={planning.progress} />
              <Button variant="outlined" onClick={planning.cancel}>
                Cancel
              </Button>
            </>
          ) : (
            <>
              <Button
                variant={plan ? 'outlined' : 'contained'}
                color="secondary"
                disabled={busy || request.cables.length === 0}
                onClick={() =>
                  begin(draft.plan && draft.locked.length > 0 ? around(draft.plan) : planning.plan)
                }
              >
                {draft.locked.length > 0
                  ? `Plan again around ${draft.locked.length} locked`
                  : plan
                    ? 'Plan again'
                    : 'Plan it'}
              </Button>
              <Button disabled={!draft.changed || busy} onClick={draft.undo} data-shortcut="z">
                Undo
              </Button>
              {draft.changed && !shown ? (
                <Button
                  variant="contained"
                  color="secondary"
                  disabled={busy || draft.violations.length > 0}
                  onClick={() => take('planned', '')}
                >
                  Take this plan
                </Button>
              ) : null}
              {inForce && !draft.changed ? (
                <Link
                  className={styles.link}
                  href={crossingPath(view.job, view.name, '/build')}
                  data-shortcut="b"
                >
                  Build it
                </Link>
              ) : null}
              {view.events.length > 0 ? (
                <Link className={styles.link} href={crossingPath(view.job, view.name, '/record')}>
                  Record
                </Link>
              ) : null}
            </>
          )}
        </div>
        <CrossingCautions view={view} />
        <Problems problems={[...planning.failure, ...problems]} />
        <UndoesWork
          code="this plan"
          words={taking.asked?.words ?? null}
          onTake={taking.confirm}
          onLeave={taking.leave}
        />
        {plan && plan.frames.length > 0 ? (
          <>
            <p className={styles.summary}>
              <b>{plan.frames.map((f) => f.frame).join(' + ')}</b>, cost {plan.cost ?? '–'},{' '}
              {provenWords(plan)}. {restWords(plan, fill)}.
            </p>
            <div className={styles.tools}>
              <Segments
                label="Side"
                options={[
                  ['front', 'front'],
                  ['back', 'back'],
                ]}
                value={side}
                onChange={setSide}
              />
              {plan.frames.length > 1 ? (
                <Segments
                  label="Frames"
                  options={[
                    ['all', 'all'] as const,
                    ...plan.frames.map((_, i) => [String(i), `frame ${i + 1}`] as const),
                  ]}
                  value={only === null ? 'all' : String(only)}
                  onChange={(v) => setOnly(v === 'all' ? null : Number(v))}
                />
              ) : null}
              <Legend request={planRequest} />
              {shown ? (
                <Button size="small" onClick={() => setShown(null)}>
                  Back to the plan
                </Button>
              ) : null}
            </div>
            <FaceView
              request={planRequest}
              plan={plan}
              side={side}
              only={only !== null && only < plan.frames.length ? only : null}
              lit={lit}
              picked={picked}
              target={over ? { ref: over.ref, good: over.verdict.problems.length === 0 } : null}
              locked={draft.locked}
              along={draft.staying}
              onLight={setLit}
              onPick={shown ? () => undefined : pick}
              onOver={(from, to) => {
                if (shown) return;
                if (to) judged(from, to);
                else {
                  setOver(null);
                  setWords(null);
                }
              }}
              onDrop={shown ? () => undefined : drop}
            />
            <p
              className={styles.verdict}
              role="status"
              data-good={words ? (words.good ? 'yes' : 'no') : undefined}
            >
              {words?.text ??
                (picked
                  ? `${refWords(picked)}, ${pickedPlace ?? 'spare'}: ${pickedPlace ? lockWords(draft, picked) : 'a spare.'}`
                  : lit
                    ? litWords(plan, lit)
                    : 'Drag a cable to another place, or choose it and then the place.')}
              {picked && pickedPlace !== undefined && !shown ? (
                <Button size="small" disabled={busy} onClick={() => lock(pickedPlace)}>
                  {draft.locked.some((l) => sameRef(l, picked)) ? 'Unlock' : 'Lock it'}
                </Button>
              ) : null}
            </p>
            {draft.violations.length > 0 && !shown ? (
              <Problems problems={draft.violations.slice(0, 6)} />
            ) : null}
            {plan.unplaced.length > 0 ? (
              <Caution>
                Not in any place:{' '}
                {plan.unplaced
                  .slice(0, 6)
                  .map((u) => `${u.tag}: ${u.reason}`)
                  .join('; ')}
              </Caution>
            ) : null}
          </>
        ) : (
          <p className={styles.empty}>
            {request.cables.length === 0
              ? 'Nothing goes through yet. Choose cables from the schedule, then plan.'
              : `${request.cables.length} cables wait to be planned.`}
          </p>
        )}
      </div>
      <aside className={styles.right}>
        <Segments<Tab>
          label="Panel"
          options={[
            ['places', 'Places'],
            ['cables', 'Cables'],
            ['add', 'Add a cable'],
            ['compare', 'Compare'],
            ['files', 'Files'],
          ]}
          value={tab}
          onChange={setTab}
        />
        {tab === 'cables' ? (
          <SetupPanel key={view.version} view={view} busy={busy} problems={problems} onSave={save} />
        ) : plan && plan.frames.length > 0 ? (
          tab === 'places' ? (
            <PlaceTable
              plan={plan}
              only={only !== null && only < plan.frames.length ? only : null}
              lit={lit}
              onLight={setLit}
              onPick={pick}
            />
          ) : tab === 'add' ? (
            <ReentryPanel
              request={inForce?.request ?? request}
              plan={inForce?.plan ?? plan}
              place={{ name: view.setup.place, rating: view.setup.rating }}
              busy={busy}
              onTake={takeReentry}
              onShow={(after, cables: readonly FrameCable[]) => {
                const base = inForce?.request ?? request;
                setShown({ request: { ...base, cables: [...base.cables, ...cables] }, plan: after });
              }}
            />
          ) : tab === 'compare' ? (
            <ComparePanel request={planRequest} plan={plan} plans={view.plans} />
          ) : (
            <FilesPanel
              view={view}

              onRead={(read) => {
                setShown(null);
                draft.put(read);
              }}
              onAsBuilt={draft.changed ? () => take('asBuilt', 'as built') : null}
              busy={busy}
            />
          )
        ) : tab === 'files' ? (
          <FilesPanel view={view} onRead={draft.put} onAsBuilt={null} busy={busy} />
        ) : (
          <p className={styles.empty}>There is no plan yet.</p>
        )}
      </aside>
    </main>
  );
}
