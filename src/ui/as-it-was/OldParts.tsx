'use client';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import { STATION_WORDS, type EventView } from '@/core/record';
import type { SummaryView } from '@/core/termination-view';
import { EventWords } from '../common/EventWords';
import { DataTable } from '../kit-of-parts/DataTable';
import { Empty } from '../kit-of-parts/Empty';
import { PlainList } from '../kit-of-parts/PlainList';
import { To } from '../kit-of-parts/To';
import { RECORD_TABLE } from '../prove/RecordOf';
import { instantWords } from './age-words';

const address = (...parts: readonly string[]) =>
  `/as-it-was/${parts.map((part) => encodeURIComponent(part)).join('/')}`;

/** What a phone has no room for. */
const DESK = { display: { xs: 'none', md: 'table-cell' }, whiteSpace: 'nowrap' } as const;

interface JobsProps {
  readonly jobs: readonly { readonly slug: string; readonly name: string }[];
}

export const OldJobs = ({ jobs }: JobsProps) =>
  jobs.length === 0 ? (
    <Empty>You were in no job then.</Empty>
  ) : (
    <PlainList ruled>
      {jobs.map(({ slug, name }) => (
        <li key={slug}>
          <To href={address(slug)}>{name}</To>
        </li>
      ))}
    </PlainList>
  );

const ENDS_TABLE = { width: '100%', mb: 2, borderTop: '2px solid', borderColor: 'divider' } as const;

interface EndsProps {
  readonly job: string;
  readonly ends: readonly SummaryView[];
}

/** One line for each end: how far it was, and what was in its way. */
export const OldEnds = ({ job, ends }: EndsProps) =>
  ends.length === 0 ? (
    <Empty>There was no cable in it then.</Empty>
  ) : (
    <DataTable sx={ENDS_TABLE} label="Ends as they were">
      <TableHead>
        <TableRow>
          <TableCell>End</TableCell>
          <TableCell sx={DESK}>At</TableCell>
          <TableCell>Size</TableCell>
          <TableCell>Was next, and what was in its way</TableCell>
        </TableRow>
      </TableHead>
      <TableBody>
        {ends.map((row) => (
          <TableRow key={`${row.cable}/${row.end}`}>
            <TableCell sx={{ whiteSpace: 'nowrap' }}>
              <To href={address(job, row.cable, row.end)}>
                {row.cable}/{row.end}
              </To>
              <Typography variant="quiet" component="span" sx={{ display: 'block' }}>
                {row.type}
              </Typography>
            </TableCell>
            <TableCell sx={DESK}>{row.title ?? 'no entry'}</TableCell>
            <TableCell sx={{ whiteSpace: 'nowrap' }}>{row.size ?? 'none'}</TableCell>
            <TableCell>
              {row.next === null ? 'done' : `${STATION_WORDS[row.next.station]}: ${row.next.action}`}
              {row.blockedBy === null ? null : (
                <Typography component="span" sx={{ display: 'block', fontSize: 14, color: 'error.main' }}>
                  {row.blockedBy}
                </Typography>
              )}
            </TableCell>
          </TableRow>
        ))}
      </TableBody>
    </DataTable>
  );

interface RecordProps {
  readonly events: readonly EventView[];
  readonly faults: readonly string[];
  /** What the steps are called, by their id. */
  readonly titles: Readonly<Record<string, string>>;
}

/** What had been recorded of an end, the last first. */
export const OldRecord = ({ events, faults, titles }: RecordProps) =>
  events.length === 0 ? (
    <Empty>Nothing had been recorded of it.</Empty>
  ) : (
    <>
      {faults.map((fault) => (
        <Typography key={fault} sx={{ my: 1, fontWeight: 600, color: 'error.main' }}>
          {fault}
        </Typography>
      ))}
      <DataTable sx={RECORD_TABLE} label="Record as it was">
        <TableHead>
          <TableRow>
            <TableCell align="right">No.</TableCell>
            <TableCell>What</TableCell>
            <TableCell>Who</TableCell>
            <TableCell>Received</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {[...events].reverse().map((e) => (
            <TableRow key={e.seq}>
              <TableCell align="right">{e.seq}</TableCell>
              <TableCell>
                <EventWords event={e} titles={new Map(Object.entries(titles))} />
              </TableCell>
              <TableCell>{e.actor}</TableCell>
              <TableCell sx={{ whiteSpace: 'nowrap' }}>{instantWords(e.receivedAt)}</TableCell>
            </TableRow>
          ))}
        </TableBody>
      </DataTable>
    </>
  );
