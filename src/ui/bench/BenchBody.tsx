'use client';
import Button from '@mui/material/Button';
import { measuringBy } from '@/core/cable-measurement';
import type { TerminationPlan } from '@/core/procedure';
import { asOwn, faultWords, type ArcStation, type Step } from '@/core/record';
import { RecordFaults } from '../common/RecordFaults';
import { stationPath } from '../rack/summaries';
import dynamic from 'next/dynamic';
import { subjectKey } from '@/core/kept-work';
import { placeWords } from '@/core/schedule';
import { HeldPanel } from '../kept/HeldPanel';
import { useHeld } from '../kept/use-kept';
import { ReadLabel } from '../labels/ReadLabel';
import { ReviewPanel } from '../termination/ReviewPanel';
import { GatePage } from './gate/GatePage';
import { LookFaces } from './LookFaces';
import { MarkStrip } from './MarkStrip';
import { BenchButtons, BenchLink, BenchMessage, BenchStep, BenchTitle } from './parts';
import { mateAt, planAt } from '../joint/joint-of';
import { HeldFace } from '../pin-map/HeldFace';
import { RecutForm } from './RecutForm';
import { StepClock } from './StepClock';
import { StepScreen } from './StepScreen';
import type { BenchSession } from './use-bench-session';

const BenchMeasure = dynamic(() => import('./BenchMeasure').then((m) => m.BenchMeasure));

interface Props {
  readonly session: BenchSession;
}

const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

/** What stands between the hand and the next step, in the order of its weight; else the step. */
export function BenchBody({ session }: Props) {
  const { view, gate, hazard, kept } = session;
  const held = useHeld().get(subjectKey(session.subject));
  if (hazard !== null && !gate.open) return <Gate session={session} />;
  if (view.chainFaults.length > 0)
    return (
      <BenchStep>
        <BenchTitle>Stop: this record does not hold</BenchTitle>
        <RecordFaults faults={view.chainFaults.map(faultWords)} />
        <BenchButtons>
          <BenchLink href={stationPath(view.job.slug, view.cable, view.end, 'prove')}>
            See the record
          </BenchLink>
        </BenchButtons>
      </BenchStep>
    );
  if (held !== undefined && kept.length > 0)
    return (
      <BenchStep>
        <HeldPanel name={view.tag} held={held} deeds={kept} />
      </BenchStep>
    );
  return <PlannedWork session={session} />;
}

/** What of the plan stands between the hand and the next step; else the step. */
function PlannedWork({ session }: Props) {
  const { view, measuring, measure, step, waits } = session;
  const at = (station: ArcStation) => stationPath(view.job.slug, view.cable, view.end, station);
  const { plan } = view;
  if (plan === null)
    return (
      <BenchMessage
        title="No gland chosen"
        text="The steps follow from the gland and its sheet."
        href={at('choose')}
        action="Choose a gland"
      />
    );
  if (view.stale)
    return (
      <BenchStep>
        <BenchTitle>Stop: the plan is stale</BenchTitle>
        <ReviewPanel view={view} />
      </BenchStep>
    );
  const provisional = plan.plan.provisional.length > 0;
  if (provisional || measuring)
    return <BenchMeasure session={session} demanded={provisional} onClose={() => measure(false)} />;
  if (waits !== null)
    return (
      <BenchMessage
        title="Stop: wait for the server"
        text={`${capital(waits)}. What you have done so far is kept on this device.`}
        href="/on-this-device"
        action="See what is kept"
      />
    );
  if (view.steps.length === 0)
    return (
      <BenchMessage
        title="No steps can be led"
        text={view.collar.blockedBy ?? 'This plan has no steps.'}
        href={at('cut')}
        action="See why"
      />
    );
  if (step === null)
    return (
      <BenchMessage
        title={`Signed by ${view.signedBy ?? 'somebody'}`}
        text="Every step of this termination is recorded."
        href={at('prove')}
        action="See the record"
      />
    );
  return <LedStep session={session} step={step} />;
}

function LedStep({ session, step }: Props & { readonly step: Step }) {
  const { view, work, recutting, recut, measure, lookBack, lookNext } = session;
  const mate = mateAt(view, step);
  const mayRecut = step.station === 'cut' || step.station === 'makeOff';
  return (
    <StepScreen
      key={step.id}
      subject={session.subject}
      steps={view.steps}
      acts={view.acts}
      done={view.done}
      signedBy={view.signedBy}
      step={step}
      measuring={measuringBy(view.job.rules)}
      current={step.id === view.nextStep}
      busy={work.busy}
      problems={work.problems}
      waste={work.waste}
      onCommand={(sent) => {
        lookNext();
        work.command(sent);
      }}
      onEdit={work.clear}
      onBack={lookBack}
      onReturn={lookNext}
      picture={<StepPicture plan={planAt(view, step)} step={step} />}
      clock={
        <StepClock
          view={view}
          step={step}
          onTemperature={(tempC, instrument) => work.command({ kind: 'temperature', tempC, instrument })}
        />
      }
      form={
        recutting ? (
          <RecutForm view={view} mate={mate} onDone={() => recut(false)} />
        ) : step.kind === 'sign' ? (
          <ReadLabel here={{ job: view.job.slug, cable: view.cable, end: view.end }} />
        ) : null
      }
      tools={
        <>
          {mate === null ? (
            <Button variant="outlined" onClick={() => measure(true)}>
              Measured…
            </Button>
          ) : (
            <BenchLink quiet href={stationPath(view.job.slug, mate.cable, mate.end, 'measure')}>
              Measured…
            </BenchLink>
          )}
          {mayRecut ? (
            <Button variant="outlined" onClick={() => recut(!recutting)}>
              Damaged…
            </Button>
          ) : null}
        </>
      }
    />
  );
}

/** What is drawn under the number of a step, by the plan that it carries out. */
function StepPicture({ plan, step }: { readonly plan: TerminationPlan | null; readonly step: Step }) {
  const { cut = null, plugIn } = plan ?? {};
  if (asOwn(step.id) === 'insert' && plugIn?.pins !== undefined)
    return <HeldFace pins={plugIn.pins} half={plugIn.half} />;
  if (step.figure?.markId && cut)
    return (
      <MarkStrip cut={cut} markId={step.figure.markId} text={`${step.figure.value} ${step.figure.unit}`} />
    );
  return step.kind === 'look' ? <LookFaces step={step} /> : null;
}

/** An end without steps has not been planned: that is not the same as one whose steps are all done. */
const nothingNext = (steps: readonly unknown[]): string =>
  steps.length === 0 ? 'nothing yet: it has no plan with steps' : 'nothing: every step is recorded';

function Gate({ session }: Props) {
  const { view, gate, hazard } = session;
  const next = view.steps.find((s) => s.id === view.nextStep) ?? null;
  if (view.place === null || hazard === null) return null;
  const { area, enclosure } = view.place;
  return (
    <GatePage
      title={`${area}: ${placeWords(enclosure)}`}
      hazard={hazard}
      facts={[
        ['Box', `${enclosure.title}, ${enclosure.tag}`],
        ['Next here', next?.title ?? nothingNext(view.steps)],
        ['Tool for it', next?.tool ?? 'none that cuts or heats'],
      ]}
      lapsedMs={gate.lapsedMs}
      onPass={gate.pass}
      back={
        <BenchLink quiet href={stationPath(view.job.slug, view.cable, view.end, 'makeOff')}>
          Not now
        </BenchLink>
      }
    />
  );
}
