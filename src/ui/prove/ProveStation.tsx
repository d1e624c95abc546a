import { METHOD_WORDS, QUANTITY_WORDS } from '@/core/cable-measurement';
import { faultWords } from '@/core/record';
import { Caution } from '../common/Caution';
import { RelativeTime } from '../common/RelativeTime';
import type { StationProps } from '../termination/station-props';
import { RecordOf } from './RecordOf';
import styles from './ProveStation.module.css';

/** The record of this end: what was measured with what, and who did what when. */
export function ProveStation({ view }: StationProps) {
  return (
    <>
      <RecordOf
        events={view.events}
        faults={view.chainFaults.map(faultWords)}
        signedBy={view.signedBy}
        titles={new Map(view.steps.map((s) => [s.id, s.title]))}
        begins="The record begins at the bench, with the first confirmed step."
        signing={
          view.job.secondPerson ? 'This job asks for a signature by another person than the fitter.' : ''
        }
      />
      <Readings view={view} />
      <Caution tone="hold">
        Continuity, armour resistance and insulation tests belong to the test sheet of the job: they are not
        recorded here yet.
      </Caution>
    </>
  );
}

/** The readings that the choice stands on, each with its instrument. */
function Readings({ view }: Pick<StationProps, 'view'>) {
  if (view.readings.length === 0) return null;
  return (
    <table className={styles.table} aria-label="Readings that stand">
      <thead>
        <tr>
          <th>Reading</th>
          <th>As read</th>
          <th>Instrument</th>
          <th>Who</th>
          <th>When</th>
        </tr>
      </thead>
      <tbody>
        {view.readings.map(({ id, reading }) => (
          <tr key={id}>
            <td>
              {QUANTITY_WORDS[reading.quantity]}, {METHOD_WORDS[reading.method]}
            </td>
            <td>
              {reading.text} {reading.unit}
            </td>
            <td>{reading.instrument ?? (reading.method === 'datasheet' ? 'none' : 'not said')}</td>
            <td>{reading.person ?? 'not said'}</td>
            <td>{reading.at ? <RelativeTime at={reading.at} /> : 'not said'}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
