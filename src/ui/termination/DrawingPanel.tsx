import { DataTable } from '../kit-of-parts/DataTable';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useState, type ReactNode } from 'react';
import { markText } from '@/core/cut-back';
import { isMetalClad } from '@/core/gland-selection';
import {
  drawPlan,
  PLAN_DRAWING_WORDS,
  PLAN_DRAWINGS,
  type PlanDrawing,
  type TerminationPlan,
} from '@/core/procedure';
import { type ArcStation } from '@/core/record';
import { isFlameproof } from '@/core/schedule';
import type { TerminationView } from '@/core/termination-view';
import { Both } from '../common/Both';
import { isLit, LIT } from '../cut/CutTables';
import { Acts } from '../kit-of-parts/Acts';
import { Caution } from '../kit-of-parts/Caution';
import { Segments } from '../kit-of-parts/Segments';
import { depthTexts, lengthTexts } from '../common/unit';
import { DrawingSvg } from '../drawing/DrawingSvg';

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
/** Drawings that a plan may have; only a pin map has faces. */
const choicesOf = (plan: TerminationPlan) =>
  PLAN_DRAWINGS.filter((d) => d !== 'faces' || plan.plugIn?.pins !== undefined).map(
    (d) => [d, PLAN_DRAWING_WORDS[d]] as const,
  );

const TITLES: Readonly<Record<PlanDrawing, string>> = {
  stripped: 'The stripped end, to scale',
  'on-the-cable': 'On the cable, in this order',
  closed: 'The closed gland',
  faces: 'The pin map on its four faces',
};

/** A choice holds while the station stays; the next station begins with its own. */
function usePick(station: ArcStation): readonly [PlanDrawing, (which: PlanDrawing) => void] {
  const [picked, setPicked] = useState<{ readonly at: ArcStation; readonly which: PlanDrawing } | null>(null);
  const which = picked?.at === station ? picked.which : FIRST[station];
  return [which, (next) => setPicked({ at: station, which: next })];
}

/** This very cable end, with its marks as a drawing and as a table. */
export function DrawingPanel({ view, station, lit, onLight }: Props) {
  const plan = view.plan?.plan ?? view.preview;
  const [which, pick] = usePick(station);
  const highlight = lit?.startsWith('part.') ? lit.slice('part.'.length) : null;
  const drawing = plan ? drawPlan(plan, which, WIDTH, highlight) : null;
  const title = view.plan ? TITLES[which] : plan ? `As ${plan.size} would have it` : 'The stripped end';
  return (
    <Box component="aside" aria-label="The stripped end" sx={PANEL}>
      <Typography variant="h2" sx={{ mb: 1, fontSize: 15 }}>
        {title}
      </Typography>
      {plan ? <Segments label="Drawing" options={choicesOf(plan)} value={which} onChange={pick} /> : null}
      {drawing ? <DrawingSvg drawing={drawing} lit={lit} onLight={onLight} /> : null}
      {plan?.cut ? (
        <>
          <Marks plan={plan} cut={plan.cut} lit={lit} onLight={onLight} />
          {view.plan ? <Files view={view} which={drawing ? which : null} /> : null}
        </>
      ) : (
        <Typography sx={{ my: 3, color: 'text.secondary' }}>{emptyWords(view)}</Typography>
      )}
      <Cautions view={view} plan={plan} />
    </Box>
  );
}

const PANEL = {
  display: { xs: 'none', md: 'block' },
  flex: 'none',
  width: { md: 300, lg: 338 },
  p: '14px 16px 30px',
  bgcolor: 'background.paper',
  borderLeft: '2px solid',
  borderColor: 'divider',
  overflowY: 'auto',
} as const;

interface MarksProps extends Pick<Props, 'lit' | 'onLight'> {
  readonly plan: TerminationPlan;
  readonly cut: NonNullable<TerminationPlan['cut']>;
}

/** The marks in short, as they stand at the drawing. */
function Marks({ plan, cut, lit, onLight }: MarksProps) {
  const light = (id: string | null) => ({
    onPointerEnter: () => onLight(id),
    onPointerLeave: () => onLight(null),
  });
  return (
    <>
      <Typography variant="quiet" sx={{ my: 0.75, textAlign: 'right' }}>
        all marks in {cut.unit} from the cable end
      </Typography>
      <DataTable sx={{ width: '100%', '& td': { pr: 0, whiteSpace: 'nowrap' } }}>
        <TableBody>
          {cut.marks.map((mark) => (
            <TableRow key={mark.id} {...light(`mark.${mark.id}`)} sx={isLit(lit, mark.id) ? LIT : {}}>
              <TableCell>{mark.title}</TableCell>
              <TableCell align="right">
                <b>{markText(mark.fromDatumMm, cut.unit)}</b> {cut.unit}{' '}
                <Second>
                  {mark.datum === 'hub'
                    ? 'from the hub'
                    : lengthTexts(mark.fromDatumMm)[cut.unit === 'mm' ? 'in' : 'mm']}
                </Second>
              </TableCell>
            </TableRow>
          ))}
          {cut.armour ? (
            <TableRow {...light('armour')} sx={lit === 'armour' ? LIT : {}}>
              <TableCell>
                {isMetalClad(plan.armour) ? 'Armour under the ring' : 'Armour on the cone'}
              </TableCell>
              <TableCell align="right">
                <b>{markText(cut.armour.mm, cut.unit)}</b> {cut.unit}{' '}
                <Second>
                  {cut.armour.minMm.toFixed(0)}–{cut.armour.maxMm.toFixed(0)} mm
                </Second>
              </TableCell>
            </TableRow>
          ) : null}
          {cut.marks.map((mark) =>
            (mark.guard.maxDepthMm ?? 0) > 0 ? (
              <TableRow key={`d${mark.id}`}>
                <TableCell>{mark.title.replace(' off', '')}, blade max.</TableCell>
                <TableCell align="right">
                  <Both texts={depthTexts(mark.guard.maxDepthMm ?? 0)} />
                </TableCell>
              </TableRow>
            ) : null,
          )}
        </TableBody>
      </DataTable>
    </>
  );
}

const Second = ({ children }: { readonly children: ReactNode }) => (
  <Typography component="span" sx={{ ml: 0.5, fontSize: 12.5, color: 'text.secondary' }}>
    {children}
  </Typography>
);

interface FilesProps {
  readonly view: TerminationView;
  /** The drawing that can be had as a file; null where there is none. */
  readonly which: PlanDrawing | null;
}

function Files({ view, which }: FilesProps) {
  const end = `${encodeURIComponent(view.cable)}/${view.end}`;
  const job = encodeURIComponent(view.job.slug);
  const file = (format: string) => `/api/job/${job}/drawing/${end}/${which}.${format}`;
  return (
    <Acts>
      <Button size="small" variant="outlined" href={`/job/${job}/card/${end}`} target="_blank">
        Cut card (PDF)
      </Button>
      {which === null ? null : (
        <>
          <Button size="small" variant="text" href={file('svg')}>
            SVG
          </Button>
          <Button size="small" variant="text" href={file('dxf')}>
            DXF
          </Button>
        </>
      )}
    </Acts>
  );
}

interface CautionsProps {
  readonly view: TerminationView;
  readonly plan: TerminationPlan | null;
}

function Cautions({ view, plan }: CautionsProps) {
  return (
    <Stack sx={{ gap: 1.75, mt: 1.75, fontSize: 13.5 }}>
      <Caution>
        Isolated, locked and proved dead before the box is opened.
        {plan
          ? ` The sheet that came with the gland leads: ${plan.family.code}, revision ${plan.family.revision}.`
          : ''}
      </Caution>
      {view.barrier && view.place && isFlameproof(view.place.enclosure) ? (
        <Caution tone="hold">
          {view.barrier.conclusion} {view.barrier.steps[0]?.rule}; check the edition in force where you work.
        </Caution>
      ) : null}
    </Stack>
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
