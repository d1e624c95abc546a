import { DataTable } from '../kit-of-parts/DataTable';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import type { EventView } from '@/core/record';
import { RecordFaults } from '../common/RecordFaults';
import { RelativeTime } from '../common/RelativeTime';
import { eventLines, eventTitle } from './event-words';
import styles from './ProveStation.module.css';

interface Props {
  readonly events: readonly EventView[];
  readonly faults: readonly string[];
  readonly signedBy: string | null;
  /** What the steps are called today, by their id: for events that did not say. */
  readonly titles: ReadonlyMap<string, string>;
  /** What begins the record, in a sentence. */
  readonly begins: string;
  /** What else is to be known of signing here; empty when nothing is. */
  readonly signing: string;
}

/** A record of work: who did what when, each event chained to the one before, and whether all of it holds. */
export function RecordOf({ events, faults, signedBy, titles, begins, signing }: Props) {
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
      <h2 className={styles.headline}>{headline}</h2>
      <p className={styles.lead}>
        {events.length === 0
          ? begins
          : `${events.length} events, each carrying the hash of the one before. ${signing}`}
      </p>
      {faults.length > 0 ? (
        <div className={styles.fault}>
          <RecordFaults faults={faults} />
        </div>
      ) : events.length > 0 ? (
        <p className={styles.sound}>
          Checked just now: every event, the plan, and the receipts signed outside the database hold.
        </p>
      ) : null}
      {events.length > 0 ? (
        <DataTable className={styles.table}>
          <TableHead>
            <TableRow>
              <TableCell className={styles.seq}>No.</TableCell>
              <TableCell>What</TableCell>
              <TableCell>Who</TableCell>
              <TableCell>Received</TableCell>
              <TableCell>Hash</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {[...events].reverse().map((e) => (
              <TableRow key={e.seq}>
                <TableCell className={styles.seq}>{e.seq}</TableCell>
                <TableCell>
                  {eventTitle(e, titles)}
                  {eventLines(e).map((line) => (
                    <span key={line} className={styles.detail}>
                      {line}
                    </span>
                  ))}
                </TableCell>
                <TableCell>{e.actor}</TableCell>
                <TableCell>
                  <RelativeTime at={e.receivedAt} />
                </TableCell>
                <TableCell className={styles.hash}>{e.hash.slice(0, 8)}</TableCell>
              </TableRow>
            ))}
          </TableBody>
        </DataTable>
      ) : null}
    </>
  );
}
