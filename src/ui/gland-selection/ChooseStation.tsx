'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MuiLink from '@mui/material/Link';
import Stack from '@mui/material/Stack';
import dynamic from 'next/dynamic';
import { Link } from '../kit-of-parts/Link';
import { useState } from 'react';
import type { NearestView } from '@/core/gland-selection';
import { compareTags } from '@/core/schedule';
import type { CandidateView } from '@/core/termination-view';
import { trimNumber } from '@/core/units';
import { Answer } from '../kit-of-parts/Answer';
import { Caution } from '../kit-of-parts/Caution';
import { Segments } from '../kit-of-parts/Segments';
import { stationPath } from '../rack/summaries';
import type { StationProps } from '../termination/station-props';
import { BarrierPath } from './BarrierPath';
import { FindingList } from './FindingList';
import { findingIn, LADDER_COLUMNS } from './ladder-scale';
import { Questions } from './Questions';
import { RangeLadder } from './RangeLadder';
import { shortList } from './short-list';
import { TakeSize } from './TakeSize';
import { useTakingSize, type TakingSize } from './use-taking-size';

// The ranges come with the page; the other looks when they are asked for.
const Comparison = dynamic(() => import('./Comparison').then((m) => m.Comparison));
const DecisionTable = dynamic(() => import('./DecisionTable').then((m) => m.DecisionTable));

/** Sizes in the order of the shelf, family by family, so that the band is seen to pass through them. */
const byShelf = (candidates: readonly CandidateView[]): CandidateView[] =>
  [...candidates].sort((a, b) => a.family.localeCompare(b.family) || compareTags(a.code, b.code));

type Look = 'ladder' | 'table' | 'compare';
type Choice = NonNullable<StationProps['view']['choice']>;

/** Every size judged; one sentence for the answer, bars for the eye, reasons for the one who doubts. */
export function ChooseStation({ view }: StationProps) {
  if (view.choice === null) return <Nothing view={view} />;
  const [best] = view.choice.candidates;
  return best ? (
    <Chosen view={view} choice={view.choice} best={best} />
  ) : (
    <Answer words="The catalogue is empty: import one under Catalogue." />
  );
}

interface ChosenProps extends Pick<StationProps, 'view'> {
  readonly choice: Choice;
  readonly best: CandidateView;
}

function Chosen({ view, choice, best }: ChosenProps) {
  const [picked, setPicked] = useState<string | null>(null);
  const taking = useTakingSize(view);
  const of = (code: string | null) => choice.candidates.find((c) => c.code === code);
  const selected = of(picked) ?? of(taking.taken) ?? best;
  return (
    <>
      <Answer words={choice.answer} lead={leadFor(best, choice.candidates)} />
      {choice.nearest === null ? null : <NearestHelp nearest={choice.nearest} />}
      <BarrierPath view={view} />
      <Questions view={view} />
      {choice.provisional.length > 0 ? (
        <Caution tone="marginal">Provisional: {choice.provisional.join('; ')}.</Caution>
      ) : null}
      <TakeSize view={view} selected={selected} taking={taking} />
      <Candidates view={view} choice={choice} selected={selected} taking={taking} onSelect={setPicked} />
    </>
  );
}

interface CandidatesProps extends Pick<StationProps, 'view'> {
  readonly choice: Choice;
  readonly selected: CandidateView;
  readonly taking: TakingSize;
  readonly onSelect: (code: string) => void;
}

/** The sizes as ranges, as a table, or two of them side by side; below, every reason of the one that is looked at. */
function Candidates({ view, choice, selected, taking, onSelect }: CandidatesProps) {
  const [look, setLook] = useState<Look>('ladder');
  const [all, setAll] = useState(false);
  const [pair, setPair] = useState<readonly [string, string] | null>(null);
  const { candidates } = choice;
  const { taken, take } = taking;
  const shown = all ? candidates : shortList(candidates, taken);
  const second = candidates.find((c) => c.code !== selected.code) ?? selected;
  return (
    <>
      <Stack direction="row" sx={LOOKS_LINE}>
        <Segments label="How the candidates are shown" options={LOOKS} value={look} onChange={setLook} />
        {look === 'compare' ? null : (
          <MuiLink
            component="button"
            type="button"
            onClick={() => setAll(!all)}
            sx={{ py: 1, fontSize: 13.5 }}
          >
            {all ? 'Short list' : `All ${candidates.length} sizes`}
          </MuiLink>
        )}
      </Stack>
      {look === 'ladder' ? (
        <RangeLadder
          candidates={byShelf(shown)}
          selected={selected.code}
          taken={taken}
          provisional={choice.provisional.length > 0}
          measured={view.measured}
          onSelect={onSelect}
          onTake={take}
        />
      ) : look === 'table' ? (
        <DecisionTable
          candidates={shown}
          selected={selected.code}
          taken={taken}
          onSelect={onSelect}
          onTake={take}
        />
      ) : (
        <Comparison candidates={candidates} pair={pair ?? [selected.code, second.code]} onPair={setPair} />
      )}
      {look === 'compare' ? null : <FindingList candidate={selected} />}
    </>
  );
}

const LOOKS_LINE = {
  flexWrap: 'wrap',
  alignItems: 'center',
  justifyContent: 'space-between',
  gap: '0 12px',
  mt: 1.5,
  mb: 0.5,
} as const;

/** Where nothing fits: what would help the size that comes nearest. */
function NearestHelp({ nearest }: { readonly nearest: NearestView }) {
  // The first stands in the answer already.
  const [, ...more] = nearest.remedies;
  if (more.length === 0) return null;
  return (
    <Box sx={{ mb: 1, fontSize: 14, '& ul': { m: '2px 0 0', pl: 2.5 } }}>
      <b>For {nearest.size} this would help too:</b>
      <ul>
        {more.map((remedy) => (
          <li key={`${remedy.criterion} ${remedy.kind}`}>{remedy.words}.</li>
        ))}
      </ul>
    </Box>
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
      <Answer words="Measure first." lead={`${missing[0]?.toUpperCase() ?? ''}${missing.slice(1)}`} />
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
