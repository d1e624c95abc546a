'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import type { FrameCable } from '@/core/frame-packing';
import { capital, refuse, type Problem } from '@/core/kernel';
import {
  laterSteps,
  sealWords,
  takeOut,
  verdictOf,
  type LaterAnswer,
  type SleeveCircle,
} from '@/core/soft-seal';
import { trimNumber } from '@/core/units';
import { startLater } from '@/workers/soft-seal';
import { Acts } from '../../kit-of-parts/Acts';
import { Choice } from '../../kit-of-parts/Choice';
import { Problems } from '../../kit-of-parts/Problems';
import { NewCable } from '../NewCable';
import { LaterSteps } from './LaterSteps';
import { WrapLater } from './WrapLater';
import type { SealMade, SealSession } from './use-seal';
import { For } from '../../shell/may';

interface Props {
  readonly session: SealSession;
  readonly made: SealMade;
}

type SleeveMade = Extract<SealMade, { readonly of: 'sleeve' }>;

/** One more cable for a seal that is closed, or one less. */
export function SealLater({ session, made }: Props) {
  if (made.of === 'sleeve') return <SleeveLater session={session} made={made} />;
  if (made.of === 'plug')
    return (
      <Typography variant="lead" sx={{ mt: 1 }}>
        A plug takes one cable. For one more the plugs come out on both faces, and the same bore becomes a
        packed sleeve: choose that on the left.
      </Typography>
    );
  return <WrapLater session={session} made={made} />;
}

function SleeveLater({ session, made }: { readonly session: SealSession; readonly made: SleeveMade }) {
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const [answer, setAnswer] = useState<{ readonly cable: FrameCable; readonly said: LaterAnswer } | null>(
    null,
  );
  const { work } = session;
  const ask = (cable: FrameCable) => {
    setAnswer(null);
    if (made.request.cables.some((c) => c.tag === cable.tag)) {
      setProblems(refuse('', `${cable.tag} goes through already`).problems);
      return;
    }
    setProblems([]);
    work.start(
      () =>
        startLater(made.request, made.plan, cable, (stage, done, of) =>
          work.progress.set({ stage, done, of }),
        ),
      (said) => setAnswer({ cable, said }),
    );
  };
  return (
    <Box sx={{ mt: 1 }}>
      <Typography variant="lead">
        A cable for a sleeve that stands: where the fewest blanks give way for it, and every other cable
        stays.
      </Typography>
      <NewCable circuits={made.request.cables.map((c) => c.circuit)} onAdd={ask} onProblem={setProblems} />
      <Problems problems={problems} />
      {answer === null ? null : (
        <Said session={session} cable={answer.cable} said={answer.said} onDone={() => setAnswer(null)} />
      )}
      <TakeOut session={session} made={made} />
    </Box>
  );
}

interface SaidProps {
  readonly session: SealSession;
  readonly cable: FrameCable;
  readonly said: LaterAnswer;
  readonly onDone: () => void;
}

const WORDS = {
  into: 'goes in, and every other cable stays',
  anew: 'goes in only when everything is taken out and laid anew',
} as const;

function Said({ session, cable, said, onDone }: SaidProps) {
  if (said.kind === 'no')
    return (
      <Box component="p" role="status" sx={{ color: 'error.main' }}>
        <b>{cable.tag}</b> does not go in: {said.findings.map(sealWords).join('; ')}. What would help:{' '}
        {said.largestMm === null
          ? 'another opening; as it lies nothing more goes in'
          : `one of ${trimNumber(said.largestMm, 1)} mm at most with what goes round it, another opening, or a cable less`}
        .
      </Box>
    );
  const { gone, punch } = said.kind === 'into' ? said : { gone: [], punch: null };
  return (
    <>
      <p role="status">
        <b>{cable.tag}</b> {WORDS[said.kind]}
        {gone.length > 0
          ? `; ${gone.map((c) => c.part).join(', ')} ${gone.length === 1 ? 'gives' : 'give'} way`
          : ''}
        {punch === null ? '' : `; punch ${punch.id}`}.
      </p>
      <Acts>
        <Button onClick={() => session.put({ of: 'sleeve', request: said.request, plan: said.plan })}>
          Show it in the section
        </Button>
        <For what="takeReentry" said>
          <Button
            variant="outlined"
            disabled={session.busy}
            onClick={() => {
              session.takeLater(said.plan, [cable]);
              onDone();
            }}
          >
            Take it into the crossing
          </Button>
        </For>
      </Acts>
      <LaterSteps steps={laterSteps(said)} />
    </>
  );
}

/** A cable that comes out: what closes its hole, and everything else stays where it lies. */
function TakeOut({ session, made }: { readonly session: SealSession; readonly made: SleeveMade }) {
  const [tag, setTag] = useState('');
  const out = useMemo(() => (tag === '' ? null : takeOut(made.request, made.plan, tag)), [made, tag]);
  return (
    <Box sx={{ mt: 2 }}>
      <Typography variant="h3">A cable comes out</Typography>
      <Acts>
        <Choice
          label="Cable"
          value={tag}
          width={150}
          options={[['', 'none'], ...made.request.cables.map((c) => [c.tag, c.tag] as const)]}
          onChange={setTag}
        />
        {out === null && tag !== '' ? (
          <span role="status">
            It is the only one: without it the opening is closed as one without cables.
          </span>
        ) : null}
      </Acts>
      {out === null ? null : (
        <>
          <p role="status">
            {closingWords(out.closes)}, on both faces. {capital(verdictOf(out.plan.findings))}.
          </p>
          <Acts>
            <Button onClick={() => session.put({ of: 'sleeve', request: out.request, plan: out.plan })}>
              Show it in the section
            </Button>
            <For what="takeReentry" said>
              <Button
                variant="outlined"
                disabled={session.busy || out.plan.answer === 'refused'}
                onClick={() => session.takeLater(out.plan, [], [tag])}
              >
                Take it out of the crossing
              </Button>
            </For>
          </Acts>
        </>
      )}
    </Box>
  );
}

function closingWords(closes: readonly SleeveCircle[]): string {
  const blanks = new Map<string, number>();
  for (const { part } of closes) blanks.set(part, (blanks.get(part) ?? 0) + 1);
  return blanks.size === 0
    ? 'No blank of the sheet fits its hole'
    : `${[...blanks].map(([part, n]) => `${n} × ${part}`).join(', ')} close its hole`;
}
