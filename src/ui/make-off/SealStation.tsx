import { Caution } from '../common/Caution';
import type { StationProps } from '../termination/actions';
import styles from '../cut/CutStation.module.css';

/** Neither family of the catalogue has a compound chamber: the station says so instead of showing an empty form. */
export function SealStation({ view }: StationProps) {
  return (
    <>
      <h2 className={styles.headline}>
        {view.plan ? 'No compound in this gland.' : 'Choose a gland first.'}
      </h2>
      <p className={styles.lead}>
        {view.plan
          ? `${view.plan.plan.size} seals by rings alone; it has no chamber to fill and nothing to cure.`
          : 'Whether there is a chamber to fill follows from the gland.'}
      </p>
      {view.place?.enclosure.concept === 'Ex d' ? (
        <Caution tone="hold">
          If this flameproof entry calls for a barrier, this family does not give it: go by IEC 60079-14 in
          the edition in force.
        </Caution>
      ) : null}
    </>
  );
}
