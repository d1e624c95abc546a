import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { LaterCable } from '@/core/crossing';
import { capital, refuse, type Problem } from '@/core/kernel';
import { verdictOf, withCable, wrapLaterSteps, type WrapPlan, type WrapRequest } from '@/core/soft-seal';
import { startSeal } from '@/workers/soft-seal';
import { Acts } from '../../kit-of-parts/Acts';
import { Problems } from '../../kit-of-parts/Problems';
import { TextField } from '../../kit-of-parts/TextField';
import { NewCable } from '../NewCable';
import { LaterSteps } from './LaterSteps';
import type { SealMade, SealSession } from './use-seal';
import { For } from '../../shell/may';

type WrapMade = Extract<SealMade, { readonly of: 'wrap' }>;

interface Props {
  readonly session: SealSession;
  readonly made: WrapMade;
}

interface Found {
  readonly cable: LaterCable;
  readonly request: WrapRequest;
  readonly plan: WrapPlan;
}

/** One more cable for a wrap that is closed, in a bundle that is there or in one of its own: what is cut anew, and in what order. */
export function WrapLater({ session, made }: Props) {
  const [bundle, setBundle] = useState('');
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const [found, setFound] = useState<Found | null>(null);
  const { work } = session;
  const cables = made.request.bundles.flatMap((b) => b.cables);
  const ask = ({ tag, diameter, circuit }: LaterCable) => {
    const into = bundle.trim();
    setFound(null);
    const wrong =
      into === ''
        ? 'Say in which bundle it lies: one that is there, or a new one.'
        : into === 'all'
          ? '“all” is what all bundles together are called.'
          : cables.some((c) => c.tag === tag)
            ? `${tag} goes through already`
            : null;
    setProblems(wrong === null ? [] : refuse('', wrong).problems);
    if (wrong !== null) return;
    const through = { tag, diameter, ...(circuit === undefined ? {} : { circuit }) };
    const request = withCable(made.request, through, into);
    work.start(
      () =>
        startSeal({ kind: 'wrap', asked: { request } }, (stage, done, of) =>
          work.progress.set({ stage, done, of }),
        ),
      // The planner of wraps was asked.
      (plan) => setFound({ cable: { ...through, bundle: into }, request, plan: plan as WrapPlan }),
    );
  };
  return (
    <Box sx={{ mt: 1 }}>
      <Typography variant="lead">
        A cable for a wrap that stands: bundles that stay are not touched, what comes gets its own strip, and
        what lies round it is cut anew.
      </Typography>
      <TextField
        label="In the bundle"
        placeholder={made.request.bundles.map((b) => b.id).join(', ') || 'a new one'}
        value={bundle}
        onChange={(e) => setBundle(e.target.value)}
        slotProps={{ htmlInput: { maxLength: 40 } }}
        sx={{ mt: 1.5, width: 220 }}
      />
      <NewCable circuits={cables.map((c) => c.circuit)} onAdd={ask} onProblem={setProblems} />
      <Problems problems={problems} />
      {found === null ? null : (
        <>
          <p role="status">
            <b>{found.cable.tag}</b> in {found.cable.bundle}: {capital(verdictOf(found.plan.findings))}.
          </p>
          <Acts>
            <Button onClick={() => session.put({ of: 'wrap', request: found.request, plan: found.plan })}>
              Show it in the section
            </Button>
            <For what="takeReentry" said>
              <Button
                variant="outlined"
                disabled={session.busy || found.plan.answer === 'refused'}
                onClick={() => session.takeLater(found.plan, [found.cable])}
              >
                Take it into the crossing
              </Button>
            </For>
          </Acts>
          {found.plan.answer === 'refused' ? null : (
            <LaterSteps steps={wrapLaterSteps(made.plan, found.plan)} />
          )}
        </>
      )}
    </Box>
  );
}
