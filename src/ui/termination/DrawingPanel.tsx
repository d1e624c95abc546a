import Button from '@mui/material/Button';
import { markText, strippedEndDrawing } from '@/core/cut-back';
import { isFlameproof } from '@/core/schedule';
import type { TerminationView } from '@/core/termination-view';
import { Both } from '../common/Both';
import { Caution } from '../common/Caution';
import { depthTexts, lengthTexts } from '../common/unit';
import { DrawingSvg } from '../drawing/DrawingSvg';
import styles from './DrawingPanel.module.css';

interface Props {
  readonly view: TerminationView;
  readonly lit: string | null;
  readonly onLight: (id: string | null) => void;
}

const WIDTH = 306;

/** This very cable end, to scale, with its marks as a drawing and as a table. */
export function DrawingPanel({ view, lit, onLight }: Props) {
  const plan = view.plan?.plan ?? view.preview;
  const cut = plan?.cut ?? null;
  return (
    <aside className={styles.panel} aria-label="The stripped end">
      <h2 className={styles.head}>
        {view.plan
          ? 'The stripped end, to scale'
          : plan
            ? `As ${plan.size} would have it`
            : 'The stripped end'}
      </h2>
      {plan && cut ? (
        <>
          <DrawingSvg
            drawing={strippedEndDrawing(
              { cut, ...plan.diameters, armour: plan.armour, cores: plan.cores },
              WIDTH,
            )}
            lit={lit}
            onLight={onLight}
          />
          <p className={styles.datum}>all marks in {cut.unit} from the cable end</p>
          <table className={styles.marks}>
            <tbody>
              {cut.marks.map((mark) => (
                <tr
                  key={mark.id}
                  data-lit={lit === `mark.${mark.id}` || lit === mark.id ? 'yes' : undefined}
                  onPointerEnter={() => onLight(`mark.${mark.id}`)}
                  onPointerLeave={() => onLight(null)}
                >
                  <th scope="row">{mark.title}</th>
                  <td>
                    <b>{markText(mark.atMm, cut.unit)}</b> {cut.unit}{' '}
                    <span className={styles.second}>
                      {cut.unit === 'mm' ? lengthTexts(mark.atMm).in : lengthTexts(mark.atMm).mm}
                    </span>
                  </td>
                </tr>
              ))}
              <tr
                data-lit={lit === 'armour' ? 'yes' : undefined}
                onPointerEnter={() => onLight('armour')}
                onPointerLeave={() => onLight(null)}
              >
                <th scope="row">Armour on the cone</th>
                <td>
                  <b>{markText(cut.armour.mm, cut.unit)}</b> {cut.unit}{' '}
                  <span className={styles.second}>
                    {cut.armour.minMm.toFixed(0)}–{cut.armour.maxMm.toFixed(0)} mm
                  </span>
                </td>
              </tr>
              {cut.marks.map((mark) =>
                mark.guard.maxDepthMm !== null && mark.guard.maxDepthMm > 0 ? (
                  <tr key={`d${mark.id}`}>
                    <th scope="row">{mark.title.replace(' off', '')}, blade max.</th>
                    <td>
                      <Both texts={depthTexts(mark.guard.maxDepthMm)} />
                    </td>
                  </tr>
                ) : null,
              )}
            </tbody>
          </table>
          {view.plan ? (
            <div className={styles.prints}>
              <Button
                size="small"
                variant="outlined"
                href={`/job/${encodeURIComponent(view.job.slug)}/card/${encodeURIComponent(view.cable)}/${view.end}`}
                target="_blank"
              >
                Cut card (PDF)
              </Button>
            </div>
          ) : null}
        </>
      ) : (
        <p className={styles.empty}>{emptyWords(view)}</p>
      )}
      <div className={styles.caution}>
        <Caution>
          Isolated, locked and proved dead before the box is opened.
          {plan
            ? ` The sheet that came with the gland leads: ${plan.family.code}, revision ${plan.family.revision}.`
            : ''}
        </Caution>
        {view.barrier && view.place && isFlameproof(view.place.enclosure) ? (
          <div className={styles.caution}>
            <Caution tone="hold">
              {view.barrier.conclusion} {view.barrier.steps[0]?.rule}; check the edition in force where you
              work.
            </Caution>
          </div>
        ) : null}
      </div>
    </aside>
  );
}

function emptyWords(view: TerminationView): string {
  const refusal = view.plan?.plan.cutRefusal[0] ?? view.preview?.cutRefusal[0];
  if (refusal) return `No marks: ${refusal.message}.`;
  if (view.plan && view.plan.plan.planOnly.length > 0)
    return `No marks: the family is plan only (${view.plan.plan.planOnly[0]?.message ?? ''}).`;
  if (view.collar.blockedBy) return 'Nothing to draw: no size fits this end.';
  return 'Measure this end; then it is drawn here to scale with its marks.';
}
