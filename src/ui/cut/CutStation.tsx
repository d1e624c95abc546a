'use client';
import Box from '@mui/material/Box';
import { cutLengths, markText } from '@/core/cut-back';
import type { LengthUnit } from '@/core/units';
import { Questions } from '../gland-selection/Questions';
import { Answer } from '../kit-of-parts/Answer';
import { Caution } from '../kit-of-parts/Caution';
import type { StationProps } from '../termination/station-props';
import { CouplerMarks } from '../coupler/CouplerMarks';
import { CutWorkings, MarksTable } from './CutTables';
import { PinsField } from '../pin-map/PinsField';
import { PotMarks } from '../mineral-insulated/PotMarks';
import { LengthField } from './LengthField';
import { TerminalsField } from './TerminalsField';

const sentence = (parts: readonly string[]): string => {
  const words = parts.join(', ');
  return `${words[0]?.toUpperCase() ?? ''}${words.slice(1)}`;
};

/** What goes into this end, or why no mark can be given. */
function answerOf(view: StationProps['view']): { readonly words: string; readonly lead: string } {
  const plan = view.plan?.plan ?? view.preview;
  const cut = plan?.cut ?? null;
  const preview = view.plan === null && plan ? ' Preview: nothing is taken yet.' : '';
  if (cut === null) {
    const refusal = plan?.cutRefusal[0]?.message ?? plan?.planOnly[0]?.message;
    return {
      words: refusal ?? 'Choose a gland first: the marks follow from it.',
      lead: `Tails run from the wall to the farthest terminal, along the way the cores take.${preview}`,
    };
  }
  const lengths = cutLengths(cut).map(({ name, length }) => `${name} ${markText(length.mm, cut.unit)}`);
  return {
    words: `${markText(cut.consumedMm, cut.unit)} ${cut.unit} of cable go into this end.`,
    lead: `${sentence(lengths)}; rounded together so that each keeps its tolerance.${preview}`,
  };
}

/** What somebody said of this end before it is cut; the sheet settles a coupler's cores by its ladder and a plug's by its insert, wherever anything else lies. */
function Asked({ view, settled }: Pick<StationProps, 'view'> & { readonly settled: boolean }) {
  const isA = view.end === 'A';
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: '16px 20px', mt: 2, mb: 1.75 }}>
      {settled ? null : (
        <LengthField
          name="Tail"
          label="Wall to farthest terminal"
          field={isA ? 'aTail' : 'bTail'}
          valueMm={view.tailMm}
          view={view}
        />
      )}
      <LengthField
        name="Spare"
        label="Spare tail for another go"
        field={isA ? 'aSpare' : 'bSpare'}
        valueMm={view.spareMm}
        view={view}
      />
      {settled ? null : <TerminalsField view={view} />}
    </Box>
  );
}

type PlanNow = NonNullable<ReturnType<typeof planOf>>;
const planOf = (view: StationProps['view']) => view.plan?.plan ?? view.preview;

/** What some kinds of end have besides their cuts. */
function Besides({
  plan: { seal, mineral, coupler },
  unit,
}: {
  readonly plan: PlanNow;
  readonly unit: LengthUnit;
}) {
  return (
    <>
      {coupler === undefined ? null : <CouplerMarks coupler={coupler} unit={unit} potted={seal !== null} />}
      {mineral === undefined ? null : <PotMarks mineral={mineral} unit={unit} />}
    </>
  );
}

/** Has the insert of this end numbered positions? Also where its map was refused. */
const isNumbered = (plan: PlanNow): boolean =>
  plan.plugIn?.pins !== undefined || plan.cutRefusal.some((p) => p.path === 'pins');

/** The lengths that only a person knows, and the marks that follow from them. */
export function CutStation({ view, lit, onLight }: StationProps) {
  const plan = planOf(view);
  const cut = plan?.cut ?? null;
  return (
    <>
      <Answer {...answerOf(view)} />
      <Questions view={view} onlyDeciding />
      <Asked view={view} settled={cut?.ladder !== undefined || cut?.kind === 'plugIn'} />
      {plan && isNumbered(plan) ? <PinsField view={view} pins={plan.plugIn?.pins ?? null} /> : null}
      {plan && cut ? (
        <>
          <MarksTable cut={cut} lit={lit} onLight={onLight} />
          <Besides plan={plan} unit={cut.unit} />
          <CutWorkings cut={cut} />
        </>
      ) : null}
      <Caution>
        Blade away from the body; sharp armour; eyes and hands covered. A nicked core means: cut back and
        start again.
      </Caution>
    </>
  );
}
