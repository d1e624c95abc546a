'use client';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import type { SealPlan } from '@/core/compound-cure';
import { compoundClock } from '@/core/procedure';
import { trimNumber } from '@/core/units';
import { Caution } from '../../kit-of-parts/Caution';
import { Problems } from '../../kit-of-parts/Problems';
import { Answer } from '../../kit-of-parts/Answer';
import { Panel } from '../../kit-of-parts/Panel';
import { Tile } from '../../kit-of-parts/Tile';
import { Workings } from '../../kit-of-parts/Workings';
import { useNow } from '../../common/use-now';
import { StepList } from '../../make-off/StepList';
import { PotPanel } from '../../mineral-insulated/PotPanel';
import type { StationProps } from '../../termination/station-props';
import { useRun } from '../../termination/use-run';
import { timeOfDay } from './clock-words';
import { CureChart } from './CureChart';
import { TemperatureLog } from './TemperatureLog';
import { WorkTimes } from './WorkTimes';
import { useSend } from '../../data/use-send';
import { useWhoElse } from '../../shell/may';

const ml = (n: number) => `${trimNumber(n, 1)} mL`;

/** What goes into the chamber, how much of it, how long it may be worked and until when nothing moves. */
export function SealStation(props: StationProps) {
  const { view } = props;
  const plan = view.plan?.plan ?? view.preview;
  if (!plan)
    return (
      <Answer
        words="Choose a gland first."
        lead="Whether there is a chamber to fill follows from the gland."
      />
    );
  if (plan.sealRefusal.length > 0)
    return (
      <>
        <Answer words="No compound may go in." />
        <Problems problems={plan.sealRefusal} />
        {view.compound !== null ? <Choices {...props} seal={null} /> : null}
      </>
    );
  if (plan.mineral) return <PotPanel view={view} mineral={plan.mineral} />;
  if (plan.seal === null)
    return (
      <Answer
        words="No compound in this gland."
        lead={`${plan.size} seals by rings alone; it has no chamber to fill and nothing to cure.`}
      />
    );
  return <Filled {...props} seal={plan.seal} preview={view.plan === null} />;
}

function Filled({
  seal,
  preview,
  ...props
}: StationProps & { readonly seal: SealPlan; readonly preview: boolean }) {
  const { view } = props;
  const packs = seal.packs.packs.map((p) => `${p.count} × ${p.part}`).join(' and ');
  return (
    <>
      <Answer
        words={`${ml(seal.needMl)} of ${seal.product}: ${packs}.`}
        lead={`${ml(seal.packs.leftoverMl)} left over${seal.stickMm === null ? '' : `; cut ${seal.stickMm} mm of stick`}. By ${seal.sheet.title}, revision ${seal.sheet.revision}, as the approval list of the fitting allows.${preview ? ' Preview: nothing is taken yet.' : ''}`}
      />
      <Choices {...props} seal={seal} />
      <Running {...props} seal={seal} />
      <WorkTimes seal={seal} />
      <VolumeWorkings seal={seal} />
      <StepList view={view} station="seal" />
      {seal.cautions.map((c) => (
        <Caution key={c}>{c}</Caution>
      ))}
      <Caution>Gloves and air: compounds sensitise. Check the expiry date of the pack.</Caution>
    </>
  );
}

function VolumeWorkings({ seal }: { readonly seal: SealPlan }) {
  const lines: readonly (readonly [string, string])[] = [
    ...seal.workings.map((w) => [w.label, ml(w.ml)] as const),
    ['to be filled in, rounded up', ml(seal.needMl)],
    ...(seal.extentMm === null
      ? []
      : [['farthest up the cores beyond the mouth', `${trimNumber(seal.extentMm, 1)} mm`] as const]),
  ];
  return <Workings title="How the volume came about" lines={lines} />;
}

/** The fitting's approval list: what is allowed may be asked for, what is not says why. */
function Choices({ view, seal }: StationProps & { readonly seal: SealPlan | null }) {
  const send = useSend();
  const { run, busy, problems } = useRun();
  const others = useWhoElse('setCompound');
  const ask = (product: string | null) =>
    void run(() =>
      send(
        'setCompound',
        { job: view.job.slug, cable: view.cable, end: view.end },
        view.versions[view.end],
        product,
      ),
    );
  return (
    <>
      <Stack
        direction="row"
        role="group"
        aria-label="Compound"
        sx={{ flexWrap: 'wrap', gap: 1.25, mb: 1.75 }}
      >
        {(seal?.verdicts ?? []).map((v) => (
          <Tile
            key={v.product}
            title={v.product}
            note={v.reason}
            picked={v.product === seal?.product}
            disabled={busy || !v.allowed || view.plan === null || others !== undefined}
            onPick={() => ask(v.product)}
          />
        ))}
        {seal === null ? (
          <Tile
            title="Let the fitting’s list choose"
            note={`instead of ${view.compound}`}
            picked={false}
            disabled={busy || others !== undefined}
            onPick={() => ask(null)}
          />
        ) : null}
      </Stack>
      {others === undefined ? null : (
        <Typography variant="quiet" component="p" sx={{ mb: 1.75 }}>
          Another one is for a {others} to take.
        </Typography>
      )}
      <Problems problems={problems} />
    </>
  );
}

/** The pot life or the cure that runs at this very end. */
function Running({ view, seal }: StationProps & { readonly seal: SealPlan }) {
  const now = useNow();
  if (now === null) return null;
  const clock = compoundClock(seal, view.acts, now);
  if (clock.filledMs !== null && clock.cure !== null)
    return (
      <Panel label="Cure">
        <Typography variant="h3" sx={{ mb: 0.75 }}>
          {clock.cure.hardAt !== null
            ? `Hard since ${timeOfDay(clock.cure.hardAt * 60_000)}.`
            : `${Math.floor(clock.cure.progress * 100)} % cured${clock.cure.ready ? `, hard at about ${timeOfDay(clock.cure.ready.at * 60_000)}` : ''}.`}
        </Typography>
        <CureChart track={clock.cure} readings={clock.readings} />
        {clock.cure.standing ? (
          <Caution tone="hold">It stands still: {clock.cure.standing.words}.</Caution>
        ) : null}
        {clock.cure.hardAt === null ? <TemperatureLog view={view} /> : null}
      </Panel>
    );
  if (clock.mix !== null)
    return (
      <Caution tone="hold">
        Mixed at {timeOfDay(clock.mix.atMs)} from batch {clock.mix.batch}, work at {clock.mix.tempC} °C: fill
        in by {timeOfDay(clock.mix.endsMs)}.
      </Caution>
    );
  return null;
}
