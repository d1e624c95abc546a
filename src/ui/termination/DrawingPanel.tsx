import { DataTable } from '../kit-of-parts/DataTable';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { markText } from '@/core/cut-back';
import { isMetalClad } from '@/core/gland-selection';
import { drawPlan, PLAN_DRAWING_WORDS, PLAN_DRAWINGS, type PlanDrawing } from '@/core/procedure';
import { type ArcStation } from '@/core/record';
import { isFlameproof } from '@/core/schedule';
import type { TerminationView } from '@/core/termination-view';
import { Both } from '../common/Both';
import { Caution } from '../kit-of-parts/Caution';
import { Segments } from '../kit-of-parts/Segments';
import { depthTexts, lengthTexts } from '../common/unit';
import { DrawingSvg } from '../drawing/DrawingSvg';
import styles from './DrawingPanel.module.css';

interface Props {
  readonly view: TerminationView;
  readonly station: ArcStation;
  readonly lit: string | null;
  readonly onLight: (id: string | null) => void;
}

const WIDTH = 306;

/** What a station is about decides what is drawn first; another drawing can be picked. */
const FIRST: Readonly<Record<ArcStation, PlanDrawing>> = {
  measure: 'stripped',
  choose: 'stripped',
  cut: 'stripped',
  makeOff: 'on-the-cable',
  seal: 'closed',
  tighten: 'closed',
  prove: 'stripped',
};
const CHOICES = PLAN_DRAWINGS.map((d) => [d, PLAN_DRAWING_WORDS[d]] as const);

/** This very cable end, with its marks as a drawing and as a table. */
export function DrawingPanel({ view, station, lit, onLight }: Props) {
  const plan = view.plan?.plan ?? view.preview;
  const cut = plan?.cut ?? null;
  const [picked, setPicked] = useState<{ readonly at: ArcStation; readonly which: PlanDrawing } | null>(null);
  // A choice holds while the station stays; the next station begins with its own.
  const which = picked?.at === station ? picked.which : FIRST[station];
  const highlight = lit?.startsWith('part.') ? lit.slice('part.'.length) : null;
  const drawing = plan ? drawPlan(plan, which, WIDTH, highlight) : null;
  const file = (format: string) =>
    `/api/job/${encodeURIComponent(view.job.slug)}/drawing/${encodeURIComponent(view.cable)}/${view.end}/${which}.${format}`;
  return (
    <aside className={styles.panel} aria-label="The stripped end">
      <h2 className={styles.head}>
        {view.plan
          ? which === 'stripped'
            ? 'The stripped end, to scale'
            : which === 'closed'
              ? 'The closed gland'
              : 'On the cable, in this order'
          : plan
            ? `As ${plan.size} would have it`
            : 'The stripped end'}
      </h2>
      {plan ? (
        <Segments
          label="Drawing"
          options={CHOICES}
          value={which}
          onChange={(next) => setPicked({ at: station, which: next })}
        />
      ) : null}
      {drawing ? <DrawingSvg drawing={drawing} lit={lit} onLight={onLight} /> : null}
      {plan && cut ? (
        <>
          <p className={styles.datum}>all marks in {cut.unit} from the cable end</p>
          <DataTable className={styles.marks}>
            <TableBody>
              {cut.marks.map((mark) => (
                <TableRow
                  key={mark.id}
                  data-lit={lit === `mark.${mark.id}` || lit === mark.id ? 'yes' : undefined}
                  onPointerEnter={() => onLight(`mark.${mark.id}`)}
                  onPointerLeave={() => onLight(null)}
                >
                  <TableCell component="th" scope="row">
                    {mark.title}
                  </TableCell>
                  <TableCell>
                    <b>{markText(mark.fromDatumMm, cut.unit)}</b> {cut.unit}{' '}
                    <span className={styles.second}>
                      {mark.datum === 'hub'
                        ? 'from the hub'
                        : cut.unit === 'mm'
                          ? lengthTexts(mark.fromDatumMm).in
                          : lengthTexts(mark.fromDatumMm).mm}
                    </span>
                  </TableCell>
                </TableRow>
              ))}
              {cut.armour ? (
                <TableRow
                  data-lit={lit === 'armour' ? 'yes' : undefined}
                  onPointerEnter={() => onLight('armour')}
                  onPointerLeave={() => onLight(null)}
                >
                  <TableCell component="th" scope="row">
                    {isMetalClad(plan.armour) ? 'Armour under the ring' : 'Armour on the cone'}
                  </TableCell>
                  <TableCell>
                    <b>{markText(cut.armour.mm, cut.unit)}</b> {cut.unit}{' '}
                    <span className={styles.second}>
                      {cut.armour.minMm.toFixed(0)}–{cut.armour.maxMm.toFixed(0)} mm
                    </span>
                  </TableCell>
                </TableRow>
              ) : null}
              {cut.marks.map((mark) =>
                mark.guard.maxDepthMm !== null && mark.guard.maxDepthMm > 0 ? (
                  <TableRow key={`d${mark.id}`}>
                    <TableCell component="th" scope="row">
                      {mark.title.replace(' off', '')}, blade max.
                    </TableCell>
                    <TableCell>
                      <Both texts={depthTexts(mark.guard.maxDepthMm)} />
                    </TableCell>
                  </TableRow>
                ) : null,
              )}
            </TableBody>
          </DataTable>
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
              {drawing ? (
                <>
                  <Button size="small" variant="text" href={file('svg')}>
                    SVG
                  </Button>
                  <Button size="small" variant="text" href={file('dxf')}>
                    DXF
                  </Button>
                </>
              ) : null}
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
