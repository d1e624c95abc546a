import { DataTable } from '../kit-of-parts/DataTable';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import type { EventView } from '@/core/record';
import { EventPhotos } from '../common/EventPhotos';
import { EventWords } from '../common/EventWords';
import { RecordFaults } from '../common/RecordFaults';
import { RelativeTime } from '../common/RelativeTime';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { Answer } from '../kit-of-parts/Answer';
import { Caution } from '../kit-of-parts/Caution';

interface Props {
  readonly job: string;
  readonly events: readonly EventView[];
  readonly faults: readonly string[];
  readonly signedBy: string | null;
  /** What the steps are called today, by their id: for events that did not say. */
  readonly titles: ReadonlyMap<string, string>;
  /** What begins the record, in a sentence. */
  readonly begins: string;
  /** What this was called when its events were written, where it is called otherwise now. A server of a release before does not say. */
  readonly formerNames?: readonly string[] | undefined;
  /** What else is to be known of signing here; empty when nothing is. */
  readonly signing: string;
}

/** A record of work: who did what when, each event chained to the one before, and whether all of it holds. */
export function RecordOf({
  job,
  events,
  faults,
  signedBy,
  titles,
  begins,
  formerNames = [],
  signing,
}: Props) {
  const headline =
    faults.length > 0
      ? 'This record does not hold.'
      : signedBy
        ? `Signed by ${signedBy}.`
        : events.length === 0
          ? 'Nothing recorded yet.'
          : 'Not signed yet.';
  return (
    <>
      <Answer
        words={headline}
        lead={
          events.length === 0
            ? begins
            : `${events.length} events, each carrying the hash of the one before. ${signing}`
        }
      />
      {faults.length > 0 ? (
        <RecordFaults faults={faults} />
      ) : events.length > 0 ? (
        <Typography sx={{ mb: 1, fontWeight: 600, color: 'success.main' }}>
          Checked just now: every event, the plan, and the receipts signed outside the database hold.
        </Typography>
      ) : null}
      {formerNames.length > 0 ? (
        <Box sx={{ mb: 1.5 }}>
          <Caution tone="hold">
            A part of it was written when this was called {formerNames.join(', ')}: see that it is this one.
          </Caution>
        </Box>
      ) : null}
      {events.length > 0 ? (
        <DataTable sx={RECORD_TABLE}>
          <TableHead>
            <TableRow>
              <TableCell align="right">No.</TableCell>
              <TableCell>What</TableCell>
              <TableCell>Who</TableCell>
              <TableCell>Received</TableCell>
              <TableCell>Hash</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {[...events].reverse().map((e) => (
              <TableRow key={e.seq}>
                <TableCell align="right">{e.seq}</TableCell>
                <TableCell>
                  <EventWords event={e} titles={titles} />
                  <EventPhotos job={job} event={e} />
                </TableCell>
                <TableCell>{e.actor}</TableCell>
                <TableCell>
                  <RelativeTime at={e.receivedAt} />
                </TableCell>
                <TableCell>
                  <Box component="span" sx={{ color: 'text.secondary' }}>
                    {e.hash.slice(0, 8)}
                  </Box>
                </TableCell>
              </TableRow>
            ))}
          </TableBody>
        </DataTable>
      ) : null}
    </>
  );
}

/** Tables of a record have the whole width: their lines are long. */
export const RECORD_TABLE = {
  width: '100%',
  mb: 2,
  borderTop: '2px solid',
  borderColor: 'divider',
  '& td:nth-of-type(3)': { whiteSpace: 'nowrap' },
} as const;
