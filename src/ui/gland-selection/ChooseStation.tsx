'use client';
import Button from '@mui/material/Button';
import Link from 'next/link';
import { useState } from 'react';
import type { NearestView } from '@/core/gland-selection';
import { compareTags } from '@/core/schedule';
import type { CandidateView } from '@/core/termination-view';
import { Caution } from '../kit-of-parts/Caution';
import { Segments } from '../kit-of-parts/Segments';
import { Problems } from '../kit-of-parts/Problems';
import { stationPath } from '../rack/summaries';
import type { StationProps } from '../termination/station-props';
import { useRun } from '../termination/use-run';
import { trimNumber } from '@/core/units';
import { BarrierPath } from './BarrierPath';
import { Comparison } from './Comparison';
import { DecisionTable } from './DecisionTable';
import { FindingList } from './FindingList';
import { findingIn, LADDER_COLUMNS } from './ladder-scale';
import { Questions } from './Questions';
import { RangeLadder } from './RangeLadder';
import { shortList } from './short-list';
import { UndoesWork } from '../common/UndoesWork';
import styles from './ChooseStation.module.css';
import { useSend } from '../data/use-send';

/** Sizes in the order of the shelf, family by family, so that the band is seen to pass through them. */
const byShelf = (candidates: readonly CandidateView[]): CandidateView[] =>
  [...candidates].sort((a, b) => a.family.localeCompare(b.family) || compareTags(a.code, b.code));

type Look = 'ladder' | 'table' | 'compare';

/** Every size judged; one sentence for the answer, bars for the eye, reasons for the one who doubts. */
export function ChooseStation({ view }: StationProps) {
  const { choice, plan } = view;
  const taken = plan?.plan.size ?? null;
  const [picked, setPicked] = useState<string | null>(null);
  const [look, setLook] = useState<Look>('ladder');
  const [all, setAll] = useState(false);
  const [pair, setPair] = useState<readonly [string, string] | null>(null);
  // A size whose taking would undo work, with what would go.
  const [asked, setAsked] = useState<{ readonly code: string; readonly words: string } | null>(null);
  const send = useSend();
  const { run, busy, problems } = useRun();
  if (choice === null) return <Nothing view={view} />;
  const best = choice.candidates[0];
  const selected =
    choice.candidates.find((c) => c.code === picked) ??
    choice.candidates.find((c) => c.code === taken) ??
    best;
  if (!best || !selected)
    return <h2 className={styles.headline}>The catalogue is empty: import one under Catalogue.</h2>;
  const ref = { job: view.job.slug, cable: view.cable, end: view.end };
  const provisional = choice.provisional.length > 0;
  const shown = all ? choice.candidates : shortList(choice.candidates, taken);
  const second = choice.candidates.find((c) => c.code !== selected.code) ?? best;
  const take = (code: string, knowing = false) => {
    const candidate = choice.candidates.find((c) => c.code === code);
    if (!candidate || busy || candidate.refusal !== null) return;
    setAsked(null);
    void run(() => send('takeSize', ref, code, knowing), `${code} taken for ${view.tag}.`).then((r) => {
      const goes = r.ok ? undefined : r.problems.find((p) => p.path === 'knowing');
      if (goes) setAsked({ code, words: goes.message });
    });
  };
  const lock = () =>
    void run(
      () => send('lockSize', ref, view.versions[view.end], !view.sizeLocked),
      view.sizeLocked ? 'Unlocked.' : `Locked: the whole-job choice leaves ${taken ?? 'it'} alone.`,
    );
  return (
    <>
      <h2 className={styles.headline}>{choice.answer}</h2>
      <p className={styles.lead}>{leadFor(best, choice.candidates)}</p>
      {choice.nearest === null ? null : <NearestHelp nearest={choice.nearest} />}
      <BarrierPath view={view} />
      <Questions view={view} />
      {provisional ? <Caution tone="marginal">Provisional: {choice.provisional.join('; ')}.</Caution> : null}
      <div className={styles.acts}>
        <Button
          variant="contained"
          color="secondary"
          onClick={() => take(selected.code)}
          disabled={busy || selected.refusal !== null || (selected.code === taken && !view.stale)}
        >
          {selected.code === taken
            ? `${selected.code} is taken`
            : selected.verdict === 'marginal'
              ? `Take ${selected.code} provisionally`
              : `Take ${selected.code}`}
        </Button>
        {taken === null ? null : (
          <Button variant="outlined" onClick={lock} disabled={busy} aria-pressed={view.sizeLocked}>
            {view.sizeLocked ? `Unlock ${taken}` : `Lock ${taken}`}
          </Button>
        )}
        {selected.refusal !== null ? (
          <span className={styles.refusal}>{selected.refusal}</span>
        ) : (
          <span className={styles.ring}>
            {[
              selected.ringWords,
              selected.notCalledFor ?? '',
              selected.planOnly ? 'plan only: no marks or steps come from this family yet' : '',
            ]
              .filter((w) => w !== '')
              .join(' · ')}
          </span>
        )}
      </div>
      {selected.goesWith.length > 0 ? (
        <p className={styles.with}>
          <b>With it:</b> {selected.goesWith.join(' · ')}
        </p>
      ) : null}
      <Problems problems={problems.filter((p) => p.path !== 'knowing')} />
      <UndoesWork
        code={asked?.code ?? ''}
        words={asked?.words ?? null}
        onTake={() => asked && take(asked.code, true)}
        onLeave={() => setAsked(null)}
      />
      <div className={styles.looks}>
        <Segments label="How the candidates are shown" options={LOOKS} value={look} onChange={setLook} />
        {look === 'compare' ? null : (
          <button type="button" className={styles.more} onClick={() => setAll(!all)}>
            {all ? 'Short list' : `All ${choice.candidates.length} sizes`}
          </button>
        )}
      </div>
      {look === 'ladder' ? (
        <RangeLadder
          candidates={byShelf(shown)}
          selected={selected.code}
          taken={taken}
          provisional={provisional}
          measured={view.measured}
          onSelect={setPicked}
          onTake={take}
        />
      ) : null}
      {look === 'table' ? (
        <DecisionTable
          candidates={shown}
          selected={selected.code}
          taken={taken}
          onSelect={setPicked}
          onTake={take}
        />
      ) : null}
      {look === 'compare' ? (
        <Comparison
          candidates={choice.candidates}
          pair={pair ?? [selected.code, second.code]}
          onPair={setPair}
        />
      ) : (
        <FindingList candidate={selected} />
      )}
    </>
  );
}

/** Where nothing fits: what would help the size that comes nearest. */
function NearestHelp({ nearest }: { readonly nearest: NearestView }) {
  // The first stands in the answer already.
  const [, ...more] = nearest.remedies;
  if (more.length === 0) return null;
  return (
    <div className={styles.nearest}>
      <b>For {nearest.size} this would help too:</b>
      <ul>
        {more.map((remedy) => (
          <li key={`${remedy.criterion} ${remedy.kind}`}>{remedy.words}.</li>
        ))}
      </ul>
    </div>
  );
}

const LOOKS: readonly (readonly [Look, string])[] = [
  ['ladder', 'Ranges'],
  ['table', 'Decision table'],
  ['compare', 'Compare two'],
];

function leadFor(best: CandidateView, all: readonly CandidateView[]): string {
  const fitting = all.filter((c) => c.verdict === 'fits' && c.notCalledFor === null).length;
  if (best.verdict === 'fits') {
    const others =
      fitting <= 1
        ? 'It is the only size that fits.'
        : `${fitting} sizes fit; this one sits nearest the middle of its ranges.`;
    const entry = best.findings.find((f) => f.criterion === 'engagement')?.has;
    const inside = LADDER_COLUMNS.map(({ id, title }) => [title, findingIn(best, id)] as const)
      .filter(([, f]) => f?.range !== undefined && f.margin !== null)
      .map(([title, f]) => `${title.toLowerCase()} ${trimNumber(f?.margin ?? 0, 2)} mm inside`)
      .join(', ');
    return `${inside[0]?.toUpperCase() ?? ''}${inside.slice(1)}; ${best.adaptor ? `through adaptor ${best.adaptor}` : 'no adaptor'}${entry && entry !== '–' ? `, ${entry} engaged` : ''}. ${others}`;
  }
  return 'Each size says below what stands in its way and by how much.';
}

function Nothing({ view }: Pick<StationProps, 'view'>) {
  const missing =
    view.place === null
      ? 'It is not known which entry this end goes into: give it one in the schedule.'
      : (view.collar.next?.action ?? 'Nothing to choose from yet.');
  return (
    <>
      <h2 className={styles.headline}>Measure first.</h2>
      <p className={styles.lead}>
        {missing[0]?.toUpperCase()}
        {missing.slice(1)}
      </p>
      <BarrierPath view={view} />
      <Questions view={view} />
      <Button
        variant="contained"
        color="secondary"
        component={Link}
        href={
          view.place === null
            ? `/job/${encodeURIComponent(view.job.slug)}/schedule`
            : stationPath(view.job.slug, view.cable, view.end, 'measure')
        }
      >
        {view.place === null ? 'Open the schedule' : 'Measure this end'}
      </Button>
    </>
  );
}
