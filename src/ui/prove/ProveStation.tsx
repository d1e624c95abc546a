import { LOOK_WORDS, type LookDecision } from '@/core/procedure';
import type { EventView } from '@/core/termination-view';
import { Caution } from '../common/Caution';
import { RelativeTime } from '../common/RelativeTime';
import type { StationProps } from '../termination/actions';
import styles from './ProveStation.module.css';

/** The record of this end: who did what when, each event chained to the one before. */
export function ProveStation({ view }: StationProps) {
  const { events, chainFaults, signedBy } = view;
  const titles = new Map(view.steps.map((s) => [s.id, s.title]));
  return (
    <>
      <h2 className={styles.headline}>
        {signedBy
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
        <div className={styles.fault} role="alert">
          <b>This record has been tampered with.</b>
          {chainFaults.map((f) => (
            <div key={`${f.seq} ${f.fault}`}>
              {f.seq === 0 ? `First of all, ${f.fault}` : `Event ${f.seq} ${f.fault}`}.
            </div>
          ))}
        </div>
      ) : events.length > 0 ? (
        <p className={styles.sound}>Chain checked just now: whole, from the first event to the last.</p>
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
                  {titleOf(e, titles)}
                  <Detail event={e} />
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

const titleOf = (e: EventView, titles: ReadonlyMap<string, string>): string =>
  e.kind === 'replan'
    ? 'Planned again'
    : (titles.get(e.stepId) ?? (e.body as { title?: string } | null)?.title ?? e.stepId);

function Detail({ event }: { readonly event: EventView }) {
  const body = event.body as {
    decision?: LookDecision;
    changed?: { label: string; before: string | null; after: string | null }[];
    restamped?: string[];
    figure?: { value: string; unit: string };
  } | null;
  if (body?.decision) return <span className={styles.detail}>{LOOK_WORDS[body.decision]}</span>;
  if (event.kind === 'replan') {
    return (
      <span className={styles.detail}>
        {body?.restamped?.length ?? 0} decisions restamped
        {(body?.changed ?? [])
          .map((c) => `; ${c.label}: ${c.before ?? 'none'} → ${c.after ?? 'none'}`)
          .join('')}
      </span>
    );
  }
  return body?.figure ? (
    <span className={styles.detail}>
      {body.figure.value} {body.figure.unit}
    </span>
  ) : null;
}
