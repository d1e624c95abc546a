import { faultWords } from '@/core/record';
import { Caution } from '../common/Caution';
import { RecordFaults } from '../common/RecordFaults';
import { RelativeTime } from '../common/RelativeTime';
import type { StationProps } from '../termination/actions';
import { eventLines, eventTitle } from './event-words';
import styles from './ProveStation.module.css';

/** The record of this end: who did what when, each event chained to the one before. */
export function ProveStation({ view }: StationProps) {
  const { events, chainFaults, signedBy } = view;
  const titles = new Map(view.steps.map((s) => [s.id, s.title]));
  return (
    <>
      <h2 className={styles.headline}>
        {chainFaults.length > 0
          ? 'This record does not hold.'
          : signedBy
            ? `Signed by ${signedBy}.`
            : events.length === 0
              ? 'Nothing recorded yet.'
              : 'Not signed yet.'}
      </h2>
      <p className={styles.lead}>
        {events.length === 0
          ? 'The record begins at the bench, with the first confirmed step.'
          : `${events.length} events, each carrying the hash of the one before. ${view.job.secondPerson ? 'This job asks for a signature by another person than the fitter.' : ''}`}
      </p>
      {chainFaults.length > 0 ? (
        <div className={styles.fault}>
          <RecordFaults faults={chainFaults.map(faultWords)} />
        </div>
      ) : events.length > 0 ? (
        <p className={styles.sound}>
          Checked just now: every event, the plan, and the receipts signed outside the database hold.
        </p>
      ) : null}
      {events.length > 0 ? (
        <table className={styles.table}>
          <thead>
            <tr>
              <th className={styles.seq}>No.</th>
              <th>What</th>
              <th>Who</th>
              <th>When (UTC)</th>
              <th>Hash</th>
            </tr>
          </thead>
          <tbody>
            {[...events].reverse().map((e) => (
              <tr key={e.seq}>
                <td className={styles.seq}>{e.seq}</td>
                <td>
                  {eventTitle(e, titles)}
                  {eventLines(e).map((line) => (
                    <span key={line} className={styles.detail}>
                      {line}
                    </span>
                  ))}
                </td>
                <td>{e.actor}</td>
                <td>
                  <RelativeTime at={e.at} />
                </td>
                <td className={styles.hash}>{e.hash.slice(0, 8)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      ) : null}
      <Caution tone="hold">
        Continuity, armour resistance and insulation tests belong to the test sheet of the job: they are not
        recorded here yet.
      </Caution>
    </>
  );
}
