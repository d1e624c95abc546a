'use client';
import { trimNumber } from '@/core/units';
import type { StagePlan } from '@/core/tightening';
import { Caution } from '../common/Caution';
import type { StationProps } from '../termination/actions';
import styles from './TightenStation.module.css';

const PHASE_WORDS = { makeOff: 'make-off, undone again', seat: 'seat', final: 'final' } as const;

const spanner = (mm: number | null) => (mm === null ? 'by hand' : `${trimNumber(mm, 1)} mm`);

/** The stages of this size in this revision of its sheet, in order. Turns show travel; torque shows torque; neither becomes the other. */
export function TightenStation({ view }: StationProps) {
  const plan = view.plan?.plan ?? view.preview;
  if (!plan) return <h2 className={styles.headline}>Choose a gland first: its sheet says how to tighten.</h2>;
  const spanners = [
    ...new Set(
      plan.stages.flatMap((s) => [s.memberSpannerMm, s.heldSpannerMm]).filter((s): s is number => s !== null),
    ),
  ];
  return (
    <>
      <h2 className={styles.headline}>
        {plan.stages.length} stages, spanner{spanners.length === 1 ? '' : 's'}{' '}
        {spanners.map((s) => trimNumber(s, 1)).join(' and ')} mm.
      </h2>
      <p className={styles.lead}>
        {plan.family.sheet}, revision {plan.family.revision}. Another revision in the bag may ask for another
        last turn: stop and compare.
      </p>
      <ol className={styles.stages}>
        {plan.stages.map((stage, i) => (
          <li key={stage.id} className={styles.stage}>
            <span className={styles.number}>{i + 1}</span>
            <div className={styles.what}>
              <span className={styles.title}>
                {stage.title}
                <span className={styles.phase} data-phase={stage.phase}>
                  {PHASE_WORDS[stage.phase]}
                </span>
              </span>
              <span className={styles.members}>
                turn the <b>{stage.member}</b> ({spanner(stage.memberSpannerMm)}) · hold the{' '}
                <b>{stage.held}</b>
                {stage.heldSpannerMm === null ? '' : ` (${spanner(stage.heldSpannerMm)})`}
              </span>
              <span className={styles.see}>See: {stage.see}</span>
              {stage.lubricant ? (
                <span className={styles.see}>
                  Thread lubricant: approved and non-setting, never on the cone or ring.
                </span>
              ) : null}
            </div>
            <Method stage={stage} />
          </li>
        ))}
      </ol>
      <Caution>The cable must not turn with the nut: support it at every stage.</Caution>
    </>
  );
}

function Method({ stage }: { readonly stage: StagePlan }) {
  return (
    <div className={styles.method}>
      <span className={styles.words}>{stage.words}</span>
      {stage.method.turns ? <TurnDial turns={stage.method.turns} /> : null}
      {stage.travelMm !== null ? (
        <span className={styles.travel}>the nut travels {trimNumber(stage.travelMm, 2)} mm</span>
      ) : null}
    </div>
  );
}

/** A nut seen from its end: where the mark starts, which way, and where it ends. Full turns are told by the words. */
function TurnDial({ turns }: { readonly turns: number }) {
  const rest = turns - Math.floor(turns);
  const angle = (rest === 0 ? 1 : rest) * 2 * Math.PI;
  const at = (a: number, r: number) => [r * Math.sin(a), -r * Math.cos(a)] as const;
  const [ex, ey] = at(angle, 21);
  const large = angle > Math.PI ? 1 : 0;
  const full = rest === 0;
  const hex = [0, 1, 2, 3, 4, 5]
    .map((i) =>
      at((i * Math.PI) / 3 + Math.PI / 6, 14)
        .map((v) => v.toFixed(1))
        .join(','),
    )
    .join(' ');
  return (
    <svg
      className={styles.dial}
      viewBox="-28 -28 56 56"
      role="img"
      aria-label={`clockwise, the mark ends ${full ? 'where it began' : `${Math.round((angle * 180) / Math.PI)} degrees on`}`}
    >
      <polygon points={hex} className={styles.nut} />
      {full ? (
        <circle r="21" className={styles.arc} />
      ) : (
        <path d={`M0 -21 A21 21 0 ${large} 1 ${ex.toFixed(2)} ${ey.toFixed(2)}`} className={styles.arc} />
      )}
      <line x1="0" y1="-15" x2="0" y2="-27" className={styles.start} />
      {full ? null : (
        <line
          x1={at(angle, 15)[0]}
          y1={at(angle, 15)[1]}
          x2={at(angle, 27)[0]}
          y2={at(angle, 27)[1]}
          className={styles.end}
        />
      )}
    </svg>
  );
}
