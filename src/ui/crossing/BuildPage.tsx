'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useCallback, useMemo, useState } from 'react';
import { baseOf, goOnBuilding, subjectKey, type KeptDeed } from '@/core/kept-work';
import type { CrossingView } from '@/core/crossing';
import { replay, type CrossingRef, type Step } from '@/core/record';
import { GatePage } from '../bench/gate/GatePage';
import {
  BenchButtons,
  BenchDetail,
  BenchHead,
  BenchLink,
  BenchMessage,
  BenchStep,
  BenchTitle,
  PHONE,
} from '../bench/parts';
import { StepScreen } from '../bench/StepScreen';
import { useGate } from '../bench/use-gate';
import { useWakeLock } from '../bench/use-wake-lock';
import { useWork } from '../bench/use-work';
import { RecordFaults } from '../common/RecordFaults';
import { useShown } from '../data/use-look';
import { Caution } from '../kit-of-parts/Caution';
import { HeldPanel } from '../kept/HeldPanel';
import { Sender, UnsentOf } from '../kept/Unsent';
import { useAlong, useHeld, useKeptOf } from '../kept/use-kept';
import { Under, UnderWhom } from '../bench/UnderWhom';
import { PersonButton } from '../shell/PersonButton';
import { BuildFace } from './BuildFace';
import { BuildSeal } from './seal/BuildSeal';
import { crossingPath } from './words';

interface Props {
  readonly at: CrossingRef;
}

/** What is being built, the step that is looked at, and how far it is. */
function useBuilding(ref: CrossingRef) {
  const said = useShown(['viewCrossing', ref]);
  const subject = useMemo(
    () => ({ kind: 'crossing', job: said.job, crossing: said.name }) as const,
    [said.job, said.name],
  );
  const seen = useMemo(() => ({ subject, view: said }), [subject, said]);
  useAlong(seen);
  const kept = useKeptOf(subject);
  const { view } = useMemo(() => goOnBuilding(said, kept), [said, kept]);
  const judge = useCallback((deeds: readonly KeptDeed[]) => goOnBuilding(said, deeds), [said]);
  const base = kept[0]?.base ?? baseOf(said.events, said.plans[0]?.planHash ?? '');
  const work = useWork({ subject, base, steps: view.steps, kept, judge });
  const progress = useMemo(() => replay(view.steps, view.acts), [view.steps, view.acts]);
  const [looking, setLooking] = useState<number | null>(null);
  const nextAt = progress.next ? view.steps.findIndex((s) => s.id === progress.next?.id) : view.steps.length;
  const at = looking ?? nextAt;
  return {
    view,
    progress,
    subject,
    kept,
    work,
    at,
    nextAt,
    step: view.steps[at] ?? null,
    look: setLooking,
  };
}

type Building = ReturnType<typeof useBuilding>;

/** The building of a crossing on the bench: one step at a time, with its row lit in the face view. */
export function BuildPage({ at: ref }: Props) {
  const building = useBuilding(ref);
  const { view, progress } = building;
  const wake = useWakeLock();
  const share = progress.done.size / Math.max(1, view.steps.length);
  return (
    <Box
      component="main"
      data-bench=""
      sx={{
        display: 'flex',
        flexDirection: 'column',
        height: '100dvh',
        bgcolor: 'background.default',
        fontSize: 17,
      }}
    >
      <BenchHead
        home={crossingPath(view.job, view.name)}
        name={view.name}
        where={`${view.setup.place} · ${progress.done.size} of ${view.steps.length} done`}
        sleeps={wake === 'off'}
      >
        <UnsentOf kept={building.kept} />
        <Under job={view.job} />
        <PersonButton />
      </BenchHead>
      <Sender />
      <RecordFaults faults={view.faults} />
      <NotYet view={view} />
      <Box aria-hidden sx={{ flex: 'none', height: 8, bgcolor: 'var(--ac-track)' }}>
        <Box sx={{ height: '100%', bgcolor: 'secondary.main' }} style={{ width: `${share * 100}%` }} />
      </Box>
      <BuildBody building={building} />
    </Box>
  );
}

function BuildBody({ building }: { readonly building: Building }) {
  const { view, progress, step } = building;
  const gate = useGate(`ac_gate/${view.job}/crossing ${view.name}`);
  const held = useHeld().get(subjectKey(building.subject));
  if (held !== undefined && building.kept.length > 0)
    return (
      <BenchStep>
        <HeldPanel name={view.name} held={held} deeds={building.kept} />
      </BenchStep>
    );
  if (view.plans.length === 0 || view.steps.length === 0)
    return (
      <BenchMessage
        title="Nothing to build yet"
        text="The steps follow from the plan of the crossing."
        href={crossingPath(view.job, view.name)}
        action="Plan the crossing first"
      />
    );
  if (step === null)
    return (
      <BenchStep>
        <BenchTitle>Built and signed</BenchTitle>
        <BenchDetail>
          Signed by {progress.signedBy}. {view.events.length} entries in the record.
        </BenchDetail>
        <BenchButtons>
          <Button variant="outlined" onClick={() => building.look(view.steps.length - 1)}>
            Look back
          </Button>
          <BenchLink href={crossingPath(view.job, view.name, '/record')}>See the record</BenchLink>
        </BenchButtons>
      </BenchStep>
    );
  if (!gate.open)
    return (
      <GatePage
        title={`Before the bench opens at ${view.setup.place || view.name}`}
        hazard={UNKNOWN}
        facts={[['Both sides', 'nobody has said whether the areas beside this wall are classified']]}
        lapsedMs={gate.lapsedMs}
        onPass={gate.pass}
        back={
          <BenchLink quiet href={crossingPath(view.job, view.name)}>
            Not now
          </BenchLink>
        }
      />
    );
  return (
    <UnderWhom job={view.job}>
      <Building building={building} step={step} />
    </UnderWhom>
  );
}

function Building({ building, step }: { readonly building: Building; readonly step: Step }) {
  const { view, progress, work, at, nextAt, look } = building;
  return (
    <Box sx={COLUMNS}>
      <Box
        component="section"
        aria-label="Step"
        tabIndex={0}
        sx={{ overflowY: 'auto', scrollPaddingBottom: '130px', [PHONE]: { overflow: 'visible' } }}
      >
        <StepScreen
          key={step.id}
          subject={building.subject}
          steps={view.steps}
          acts={view.acts}
          done={[...progress.done]}
          signedBy={progress.signedBy}
          step={step}
          measuring={view.measuring}
          current={at === nextAt}
          busy={work.busy}
          problems={work.problems}
          onCommand={(sent) => {
            look(null);
            work.command(sent);
          }}
          onEdit={work.clear}
          onBack={() => look(Math.max(0, at - 1))}
          onReturn={() => look(null)}
        />
      </Box>
      {/* Here the drawing has the whole height to itself. */}
      <Box
        component="section"
        aria-label={view.kind === 'frames' ? 'Face view' : 'Section'}
        sx={{ minHeight: 0, p: 2, overflow: view.kind === 'frames' ? 'hidden' : 'auto' }}
      >
        {view.kind === 'frames' ? <BuildFace view={view} step={step} /> : <BuildSeal view={view} />}
      </Box>
    </Box>
  );
}

const COLUMNS = {
  flex: 1,
  minHeight: 0,
  display: 'grid',
  gridTemplateColumns: 'minmax(0, 1.1fr) minmax(0, 1fr)',
  [PHONE]: { display: 'block', overflowY: 'auto' },
} as const;

/** Why nothing can be confirmed at this plan, said before anybody reaches for a module. */
function NotYet({ view }: { readonly view: CrossingView }) {
  const { provisional } = view.asked;
  if (view.plans.length === 0) return null;
  if (view.state === 'stale')
    return (
      <Caution tone="hold">The plan is stale: cables or measurements have changed. Plan again first.</Caution>
    );
  if (provisional.length === 0) return null;
  const more = provisional.length - 1;
  return (
    <Caution tone="hold">
      The plan is provisional, and nothing can be confirmed on it: {provisional[0]}
      {more > 0 ? `, and ${more} more` : ''}. Measure first.
    </Caution>
  );
}

/** What is in the air on both sides of a wall is not known here: both are asked about. */
const UNKNOWN = { gas: true, dust: true };
