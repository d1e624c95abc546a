'use client';
import { type FrameCable, type FramePlan } from '@/core/frame-packing';
import { Empty } from '../kit-of-parts/Empty';
import { Pane, Panes } from '../kit-of-parts/Panes';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import { PlaceTable } from './PlaceTable';
import { CROSSING_TABS, type CrossingSession, type CrossingTab } from './use-crossing-session';

interface Props {
  readonly session: CrossingSession;
}

// The places come with the page; what else is looked at comes when it is.
const SetupPanel = dynamic(() => import('./setup/SetupPanel').then((m) => m.SetupPanel));
const ReentryPanel = dynamic(() => import('./ReentryPanel').then((m) => m.ReentryPanel));
const ComparePanel = dynamic(() => import('./ComparePanel').then((m) => m.ComparePanel));
const FilesPanel = dynamic(() => import('./FilesPanel').then((m) => m.FilesPanel));

/** Beside the face: places, cables, another cable, other plans, files. */
export function SidePane({ session }: Props) {
  const { tab, setTab } = session;
  const [typed, setTyped] = useState(false);
  if (tab === 'cables' && !typed) setTyped(true);
  const Shown = PANES[tab];
  return (
    <>
      <Panes<CrossingTab> label="Panel" panes={CROSSING_TABS} value={tab} onChange={setTab} />
      {/* What is typed into the setup stays while another panel is looked at. */}
      {typed ? (
        <Pane of="cables" hidden={tab !== 'cables'}>
          <Cables session={session} />
        </Pane>
      ) : null}
      {Shown === null ? null : (
        <Pane of={tab}>
          <Shown session={session} />
        </Pane>
      )}
    </>
  );
}

const NoPlan = () => <Empty>There is no plan yet.</Empty>;

/** The plan on the screen, where it has frames. */
const standing = ({ plan }: CrossingSession): FramePlan | null =>
  plan !== null && plan.frames.length > 0 ? plan : null;

function Cables({ session: { view, busy, problems, save } }: Props) {
  return <SetupPanel view={view} busy={busy} problems={problems} onSave={save} />;
}

function Places({ session }: Props) {
  const plan = standing(session);
  if (plan === null) return <NoPlan />;
  const { only, lit, setLit, pick } = session;
  return <PlaceTable plan={plan} only={only} lit={lit} onLight={setLit} onPick={pick} />;
}

function Add({ session }: Props) {
  const plan = standing(session);
  if (plan === null) return <NoPlan />;
  const { inForce, request, view, busy, takeReentry, setShown } = session;
  const base = inForce?.request ?? request;
  return (
    <ReentryPanel
      request={base}
      plan={inForce?.plan ?? plan}
      place={{ name: view.setup.place, rating: view.setup.rating }}
      busy={busy}
      onTake={takeReentry}
      onShow={(after, cables: readonly FrameCable[]) =>
        setShown({ request: { ...base, cables: [...base.cables, ...cables] }, plan: after })
      }
    />
  );
}

function Compare({ session }: Props) {
  const plan = standing(session);
  if (plan === null) return <NoPlan />;
  return <ComparePanel request={session.planRequest} plan={plan} plans={session.view.plans} />;
}

function Files({ session }: Props) {
  const { view, draft, setShown, take, busy } = session;
  const changed = standing(session) !== null && draft.changed;
  return (
    <FilesPanel
      view={view}
      onRead={(read) => {
        setShown(null);
        draft.put(read);
      }}
      onAsBuilt={changed ? () => take('asBuilt', 'as built') : null}
      busy={busy}
    />
  );
}

const PANES: Readonly<Record<CrossingTab, ((props: Props) => React.ReactNode) | null>> = {
  places: Places,
  cables: null,
  add: Add,
  compare: Compare,
  files: Files,
};
