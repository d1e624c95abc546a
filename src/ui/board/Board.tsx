'use client';
import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useDeferredValue, useMemo, useState } from 'react';
import { ARC_STATES, ARC_WORDS, type Arc } from '@/core/procedure';
import { STATIONS, STATION_WORDS } from '@/core/record';
import type { MovedOnCount } from '@/core/termination-view';
import { Collar } from '../collar/Collar';
import { RecordFaults } from '../common/RecordFaults';
import { useLook } from '../data/use-look';
import { Caution } from '../kit-of-parts/Caution';
import { Chips } from '../kit-of-parts/Chips';
import { Coming } from '../kit-of-parts/Coming';
import { Filter } from '../kit-of-parts/Filter';
import { To } from '../kit-of-parts/To';
import { WHOLE_PLACE } from '../kit-of-parts/whole-place';
import { filterSummaries, useSummaries } from '../rack/summaries';
import { BoardList } from './BoardList';
import { countsOf, laneOf, LANES, type FirstLines, type Lane, type LaneCounts } from './lanes';

const LANE_WORDS: Readonly<Record<Lane, string>> = {
  all: 'All',
  blocked: 'Blocked',
  done: 'Done',
  ...STATION_WORDS,
};

interface Props {
  readonly job: string;
  readonly moved: MovedOnCount | null;
  /** What is shown until all lines have come; null when the server could not say. */
  readonly first: FirstLines | null;
}

/** What is next for each termination, and what is blocked and by what. */
export function Board({ job, moved, first }: Props) {
  const { rows: come, failed } = useSummaries(job);
  const rows = come ?? first?.rows ?? null;
  const { view: record } = useLook(['viewJobRecord', job], { onReturn: false });
  const [filter, setFilter] = useState('');
  const [lane, setLane] = useState<Lane>('all');
  const deferred = useDeferredValue(filter);
  const all = useMemo(() => rows ?? [], [rows]);
  const counts = useMemo(() => (come === null && first ? first.counts : countsOf(all)), [come, first, all]);
  const shown = useMemo(
    () => filterSummaries(lane === 'all' ? all : all.filter((r) => laneOf(r) === lane), deferred),
    [all, lane, deferred],
  );
  return (
    <Stack component="main" sx={WHOLE_PLACE}>
      {record && record.faults.length > 0 ? (
        <RecordFaults faults={record.faults.map((f) => `${f.subject}: ${f.words}`)} />
      ) : null}
      {moved && moved.stale + moved.superseded > 0 ? (
        <Caution tone="marginal">
          {movedWords(moved)}{' '}
          <To href={`/job/${encodeURIComponent(job)}/changes`}>See what making them again would do</To>
        </Caution>
      ) : null}
      <Stack direction="row" sx={{ flexWrap: 'wrap', alignItems: 'baseline', gap: '8px 24px', mt: 1 }}>
        <Typography variant="h1" sx={{ flex: 1, fontSize: 28 }}>
          {headline(counts, rows !== null)}
        </Typography>
        <To href={`/job/${encodeURIComponent(job)}/along`}>Take ends along…</To>
        <Filter
          name="board"
          label="Filter the board"
          placeholder="Filter by tag, box, area, type  /"
          value={filter}
          onChange={setFilter}
        />
      </Stack>
      <Chips
        label="Show"
        value={lane}
        onChange={setLane}
        options={LANES.map((l) => [
          l,
          <>
            {LANE_WORDS[l]}&nbsp;<b>{counts[l] ?? 0}</b>
          </>,
        ])}
      />
      <Said job={job} loaded={rows !== null} failed={failed} all={all.length} shown={shown.length} />
      <BoardList job={job} rows={shown} />
      <Legend />
    </Stack>
  );
}

interface SaidProps {
  readonly job: string;
  readonly loaded: boolean;
  readonly failed: boolean;
  readonly all: number;
  readonly shown: number;
}

/** What is said where there is no list, or not yet. */
function Said({ job, loaded, failed, all, shown }: SaidProps) {
  if (failed) return <Caution>The board cannot be fetched just now. It is tried again by itself.</Caution>;
  if (!loaded) return <Coming what="the board" lines={10} height={56} />;
  if (shown > 0) return null;
  return (
    <Typography sx={{ color: 'text.secondary' }}>
      {all === 0 ? (
        <>
          No terminations yet.{' '}
          <To href={`/job/${encodeURIComponent(job)}/schedule`}>Add cables or import a schedule.</To>
        </>
      ) : (
        'Nothing here under this filter.'
      )}
    </Typography>
  );
}

/** “3 plans stand on a sheet that has moved on, 74 are stale.” */
function movedWords({ stale, superseded }: MovedOnCount): string {
  const plans = (n: number) => `${n} ${n === 1 ? 'plan' : 'plans'}`;
  const parts = [
    ...(superseded > 0
      ? [`${plans(superseded)} ${superseded === 1 ? 'stands' : 'stand'} on a sheet that has moved on`]
      : []),
    ...(stale > 0 ? [`${plans(stale)} ${stale === 1 ? 'is' : 'are'} stale`] : []),
  ];
  return `${parts.join(', ')}.`;
}

function headline(counts: LaneCounts, loaded: boolean): string {
  if (!loaded) return 'Board';
  const { all: total = 0, done = 0, blocked = 0 } = counts;
  if (total === 0) return 'Nothing on the board yet.';
  return `${done} of ${total} done${blocked > 0 ? `, ${blocked} blocked` : ''}.`;
}

/** Each state with its own shape, so that the ring can be learnt without colour. */
const Legend = () => (
  <Stack
    direction="row"
    role="group"
    aria-label="What the arcs mean"
    sx={{ flexWrap: 'wrap', gap: '6px 20px', pt: 1.25, fontSize: 13, color: 'text.secondary' }}
  >
    {ARC_STATES.map((state) => {
      const arcs: Arc[] = STATIONS.map((station) => ({
        station,
        state,
        share: state === 'done' ? 1 : state === 'hold' ? 0.5 : 0,
        result: '',
      }));
      return (
        <Box component="span" key={state} sx={{ display: 'inline-flex', alignItems: 'center', gap: 0.75 }}>
          <Collar arcs={arcs} size={22} label={false} /> {ARC_WORDS[state]}
        </Box>
      );
    })}
  </Stack>
);
