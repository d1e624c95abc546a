import { Caution } from '../common/Caution';
import type { StationProps } from '../termination/actions';
import styles from '../cut/CutStation.module.css';

/** What goes into the chamber of the chosen gland, if it has one. How much of it, and for how long, is still the sheet's to say. */
export function SealStation({ view }: StationProps) {
  const plan = view.plan?.plan ?? null;
  if (plan === null)
    return (
      <>
        <h2 className={styles.headline}>Choose a gland first.</h2>
        <p className={styles.lead}>Whether there is a chamber to fill follows from the gland.</p>
      </>
    );
  if (plan.compounds.length === 0)
    return (
      <>
        <h2 className={styles.headline}>No compound in this gland.</h2>
        <p className={styles.lead}>
          {plan.size} seals by rings alone; it has no chamber to fill and nothing to cure.
        </p>
      </>
    );
  return (
    <>
      <h2 className={styles.headline}>Compound: {plan.compounds.join(' or ')}.</h2>
      <p className={styles.lead}>
        {plan.size} has a chamber.{' '}
        {plan.compounds.length === 1 ? 'This is the compound' : 'These are the compounds'} its approval list
        allows for {plan.cores} cores; any other voids the certificate.
      </p>
      <Caution tone="hold">
        How much, pot life, cure and the order of filling are not worked out here yet: go by{' '}
        {plan.family.sheet}, revision {plan.family.revision}.
      </Caution>
      <Caution>Gloves and air: compounds sensitise. Check the expiry date of the pack.</Caution>
    </>
  );
}
