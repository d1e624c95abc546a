'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { useDeferredValue, useState } from 'react';
import type { FoundEvent, RecordGroup } from '@/core/record';
import { EventPhotos } from '../common/EventPhotos';
import { EventWords } from '../common/EventWords';
import { RecordFaults } from '../common/RecordFaults';
import { RelativeTime } from '../common/RelativeTime';
import { crossingPath } from '../crossing/words';
import { useLook } from '../data/use-look';
import { Chips } from '../kit-of-parts/Chips';
import { Coming } from '../kit-of-parts/Coming';
import { DataTable } from '../kit-of-parts/DataTable';
import { Empty } from '../kit-of-parts/Empty';
import { Filter } from '../kit-of-parts/Filter';
import { Place } from '../kit-of-parts/Place';
import { Problems } from '../kit-of-parts/Problems';
import { To } from '../kit-of-parts/To';
import { stationPath } from '../rack/summaries';
import { DossierActs } from './DossierActs';

const GROUPS: readonly (readonly [RecordGroup, string])[] = [
  ['all', 'All'],
  ['signed', 'Signed'],
  ['looked', 'Looked at'],
  ['compound', 'Compound'],
  ['tested', 'Tested'],
  ['takenBack', 'Taken back, left out, planned again'],
  ['notes', 'Notes'],
];
const PAGE = 100;
const NO_TITLES: ReadonlyMap<string, string> = new Map();

/** Everything that was ever recorded in a job, to be looked through, printed, and handed over. */
export function RecordsPage({ job }: { readonly job: string }) {
  const [text, setText] = useState('');
  const [group, setGroup] = useState<RecordGroup>('all');
  const [from, setFrom] = useState(0);
  const asked = useDeferredValue(text.trim());
  const { view: state } = useLook(['viewJobRecord', job], { onReturn: false });
  const { view, problems } = useLook(['searchRecord', job, asked, group, from], { onReturn: false });
  return (
    <Place title="Records" lead={<Lead state={state} />}>
      {state && state.faults.length > 0 ? (
        <RecordFaults faults={state.faults.map((f) => `${f.subject}: ${f.words}`)} />
      ) : null}
      <DossierActs job={job} of="job" name="" />
      <Chips
        label="What"
        value={group}
        onChange={(next) => {
          setGroup(next);
          setFrom(0);
        }}
        options={GROUPS}
      >
        <Box sx={{ flex: 1 }} />
        <Filter
          name="records"
          label="Look for"
          placeholder="Tag, person, batch, instrument, reason  /"
          value={text}
          onChange={(next) => {
            setText(next);
            setFrom(0);
          }}
        />
      </Chips>
      <Problems problems={problems} />
      {view === null ? (
        problems.length === 0 ? (
          <Coming what="the record" />
        ) : null
      ) : view.total === 0 ? (
        <Empty>
          {asked === '' && group === 'all'
            ? 'Nothing is recorded yet. The record begins at the bench, with the first confirmed step.'
            : 'Nothing in the record says so.'}
        </Empty>
      ) : (
        <>
          <Found job={job} found={view.found} />
          <Pages from={from} total={view.total} onGo={setFrom} />
        </>
      )}
    </Place>
  );
}

type State = { readonly entries: number; readonly code: string | null } | null;

function Lead({ state }: { readonly state: State }) {
  if (state === null) return 'Who did what when, with what, and what came of it.';
  return state.code === null
    ? 'Nothing is recorded yet.'
    : `${state.entries} entries; the record ends at ${state.code}, as it stands on prints.`;
}

function Found({ job, found }: { readonly job: string; readonly found: readonly FoundEvent[] }) {
  return (
    <DataTable label="What was found">
      <TableHead>
        <TableRow>
          <TableCell>Received</TableCell>
          <TableCell>Of</TableCell>
          <TableCell>What</TableCell>
          <TableCell>Who</TableCell>
        </TableRow>
      </TableHead>
      <TableBody>
        {found.map(({ kind, subject, event }) => (
          <TableRow key={event.id}>
            <TableCell sx={{ verticalAlign: 'top' }}>
              <RelativeTime at={event.receivedAt} />
            </TableCell>
            <TableCell sx={{ verticalAlign: 'top', whiteSpace: 'nowrap' }}>
              <To href={pathOf(job, kind, subject)}>{subject}</To>
            </TableCell>
            <TableCell>
              <EventWords event={event} titles={NO_TITLES} />
              <EventPhotos job={job} event={event} />
            </TableCell>
            <TableCell sx={{ verticalAlign: 'top' }}>{event.actor}</TableCell>
          </TableRow>
        ))}
      </TableBody>
    </DataTable>
  );
}

/** A tag holds no slash, so what stands behind the last one is the end. */
function pathOf(job: string, kind: FoundEvent['kind'], subject: string): string {
  if (kind === 'crossing') return crossingPath(job, subject.replace(/^crossing /, ''), '/record');
  const at = subject.lastIndexOf('/');
  return stationPath(job, subject.slice(0, at), subject.slice(at + 1) === 'B' ? 'B' : 'A', 'prove');
}

interface PagesProps {
  readonly from: number;
  readonly total: number;
  readonly onGo: (from: number) => void;
}

function Pages({ from, total, onGo }: PagesProps) {
  const to = Math.min(total, from + PAGE);
  return (
    <Box sx={{ display: 'flex', alignItems: 'center', gap: 2, my: 2 }}>
      <Button variant="outlined" disabled={from === 0} onClick={() => onGo(Math.max(0, from - PAGE))}>
        Newer
      </Button>
      <Button variant="outlined" disabled={to >= total} onClick={() => onGo(from + PAGE)}>
        Older
      </Button>
      <span>
        {from + 1}–{to} of {total}
      </span>
    </Box>
  );
}
