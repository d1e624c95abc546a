'use client';
import { trimNumber } from '@/core/units';
import type { StagePlan } from '@/core/tightening';
import { Caution } from '../kit-of-parts/Caution';
import { CoverBolts } from './CoverBolts';
import { Dial } from './Dial';
import { WrenchHead } from './WrenchHead';
import type { StationProps } from '../termination/station-props';
import styles from './TightenStation.module.css';

const PHASE_WORDS = { makeOff: 'make-off, undone again', seat: 'seat', final: 'final' } as const;

const spanner = (mm: number | null) => (mm === null ? 'by hand' : `${trimNumber(mm, 1)} mm`);

/** The stages of this size in this revision of its sheet, in order. Turns show travel; torque shows torque; neither becomes the other. */
export function TightenStation({ view, lit, onLight }: StationProps) {
  const plan = view.plan?.plan ?? view.preview;
  if (!plan) return <h2 className={styles.headline}>Choose a gland first: its sheet says how to tighten.</h2>;
  const spanners = [
    ...new Set(
      plan.stages.flatMap((s) => [s.memberSpannerMm, s.heldSpannerMm]).filter((s): s is number => s !== null),
    ),
  ];
  const torques = [
    ...new Set(plan.stages.flatMap((s) => (s.method.torqueNm === undefined ? [] : [s.method.torqueNm]))),
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
          <li
            key={stage.id}
            className={styles.stage}
            data-lit={lit === `part.${stage.memberId}` ? 'yes' : undefined}
            onPointerEnter={() => onLight(`part.${stage.memberId}`)}
            onPointerLeave={() => onLight(null)}
          >
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
              {(view.lookAlikes[stage.id] ?? []).length > 0 ? (
                <details className={styles.alike}>
                  <summary>
                    Other sheets differ here: this follows {plan.family.code} revision {plan.family.revision}
                  </summary>
                  {(view.lookAlikes[stage.id] ?? []).map((a) => (
                    <span key={`${a.family} ${a.revision}`} className={styles.see}>
                      {a.family} revision {a.revision}: {a.words}
                    </span>
                  ))}
                </details>
              ) : null}
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
      {torques.length > 0 ? <WrenchHead targets={torques} /> : null}
      <CoverBolts />
      <Caution>The cable must not turn with the nut: support it at every stage.</Caution>
    </>
  );
}

function Method({ stage }: { readonly stage: StagePlan }) {
  return (
    <div className={styles.method}>
      <span className={styles.words}>{stage.words}</span>
      <Dial method={stage.method} />
      {stage.travelMm !== null ? (
        <span className={styles.travel}>the nut travels {trimNumber(stage.travelMm, 2)} mm</span>
      ) : null}
    </div>
  );
}
