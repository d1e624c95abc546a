'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { fillOf } from '@/core/crossing';
import { sameRef, type FramePlan } from '@/core/frame-packing';
import type { Problem } from '@/core/kernel';
import { Acts } from '../kit-of-parts/Acts';
import { Caution } from '../kit-of-parts/Caution';
import { Empty } from '../kit-of-parts/Empty';
import { Problems } from '../kit-of-parts/Problems';
import { Segments } from '../kit-of-parts/Segments';
import { FaceView } from './FaceView';
import { Legend } from './Legend';
import { cableAt, litWords, lockWords } from './place-words';
import { placed, provenWords, refWords, restWords } from './words';
import { NumberLegend } from './NumberLegend';
import type { CrossingSession } from './use-crossing-session';
import { For } from '../shell/may';

/** The plan from either side: what it comes to, the frames to scale, and what is said of the place under the hand. */
export function FacePane({ session }: { readonly session: CrossingSession }) {
  const { request, plan } = session;
  if (plan === null || plan.frames.length === 0)
    return (
      <Empty>
        {request.cables.length === 0
          ? 'Nothing goes through yet. Choose cables from the schedule, then plan.'
          : `${request.cables.length} cables wait to be planned.`}
      </Empty>
    );
  return <Face session={session} plan={plan} />;
}

interface FaceProps {
  readonly session: CrossingSession;
  readonly plan: FramePlan;
}

function Face({ session, plan }: FaceProps) {
  const { draft, shown, planRequest, side, only, lit, picked, over } = session;
  const fill = fillOf(planRequest.modules, plan);
  const nothing = () => undefined;
  return (
    <>
      <Typography sx={{ my: 1 }}>
        <b>{plan.frames.map((f) => f.frame).join(' + ')}</b>, cost {plan.cost ?? '–'}, {provenWords(plan)}.{' '}
        {restWords(plan, fill)}.
      </Typography>
      <FaceTools session={session} plan={plan} />
      <FaceView
        request={planRequest}
        plan={plan}
        side={side}
        only={only}
        lit={lit}
        picked={picked}
        target={over ? { ref: over.ref, good: over.verdict.problems.length === 0 } : null}
        locked={draft.locked}
        along={draft.staying}
        onLight={session.setLit}
        onPick={shown ? nothing : session.pick}
        onOver={(from, to) => {
          if (shown) return;
          if (to) session.judged(from, to);
          else session.leaveOver();
        }}
        onDrop={shown ? nothing : session.drop}
      />
      <Spoken session={session} plan={plan} />
      <NumberLegend plan={plan} lit={lit} onLight={session.setLit} />
      {shown ? null : <Broken violations={draft.violations} />}
      {plan.unplaced.length > 0 ? (
        <Caution>
          Not in any place:{' '}
          {plan.unplaced
            .slice(0, 6)
            .map((u) => `${u.tag}: ${u.reason}`)
            .join('; ')}
        </Caution>
      ) : null}
    </>
  );
}

const MOST_SAID = 6;

/** The rules that the plan on the screen breaks: the first of them, and how many more. */
function Broken({ violations }: { readonly violations: readonly Problem[] }) {
  const more = violations.length - MOST_SAID;
  return (
    <>
      <Problems problems={violations.slice(0, MOST_SAID).map(placed)} />
      {more > 0 ? <Typography variant="quiet">and {more} more rules that this plan breaks</Typography> : null}
    </>
  );
}

function FaceTools({ session, plan }: FaceProps) {
  const { side, setSide, only, setOnly, planRequest, shown, setShown } = session;
  return (
    <Acts>
      <Segments
        label="Side"
        options={[
          ['front', 'front'],
          ['back', 'back'],
        ]}
        value={side}
        onChange={setSide}
      />
      {plan.frames.length > 1 ? (
        <Segments
          label="Frames"
          options={[
            ['all', 'all'] as const,
            ...plan.frames.map((_, i) => [String(i), `frame ${i + 1}`] as const),
          ]}
          value={only === null ? 'all' : String(only)}
          onChange={(v) => setOnly(v === 'all' ? null : Number(v))}
        />
      ) : null}
      <Legend request={planRequest} />
      {shown ? (
        <Button size="small" onClick={() => setShown(null)}>
          Back to the plan
        </Button>
      ) : null}
    </Acts>
  );
}

/** What is said of the move that was tried, of the place that is chosen, or of the cable that is lit. */
function spokenOf({ words, picked, lit, draft }: CrossingSession, plan: FramePlan): string {
  if (words) return words.text;
  if (picked) {
    const tag = cableAt(plan, picked);
    return `${refWords(picked)}, ${tag ?? 'spare'}: ${tag ? lockWords(draft, picked) : 'a spare.'}`;
  }
  return lit ? litWords(plan, lit) : 'Drag a cable to another place, or choose it and then the place.';
}

function Spoken({ session, plan }: FaceProps) {
  const { words, picked, draft, shown, busy, lock } = session;
  const tag = picked ? cableAt(plan, picked) : undefined;
  const colour = words === null ? 'divider' : words.good ? 'success.main' : 'error.main';
  return (
    <Box
      component="p"
      role="status"
      sx={{
        display: 'flex',
        alignItems: 'center',
        gap: 1.5,
        minHeight: 44,
        m: '8px 0',
        p: '4px 12px',
        borderLeft: '6px solid',
        borderColor: colour,
        ...(words?.good === false ? { color: 'error.main', fontWeight: 600 } : {}),
      }}
    >
      {spokenOf(session, plan)}
      {picked && tag !== undefined && !shown ? (
        <For what="setCrossing">
          <Button size="small" disabled={busy} onClick={() => lock(tag)}>
            {draft.locked.some((l) => sameRef(l, picked)) ? 'Unlock' : 'Lock it'}
          </Button>
        </For>
      ) : null}
    </Box>
  );
}
