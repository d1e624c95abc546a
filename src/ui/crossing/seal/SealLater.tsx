'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { FrameCable } from '@/core/frame-packing';
import { refuse, type Problem } from '@/core/kernel';
import { laterSteps, sealWords, takeOut, type LaterAnswer } from '@/core/soft-seal';
import { trimNumber } from '@/core/units';
import { startLater } from '@/workers/soft-seal';
import { Acts } from '../../kit-of-parts/Acts';
import { Choice } from '../../kit-of-parts/Choice';
import { Problems } from '../../kit-of-parts/Problems';
import { NewCable } from '../NewCable';
import type { SealMade, SealSession } from './use-seal';

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
  return (
    <Typography variant="lead" sx={{ mt: 1 }}>
      One more bundle later: tie and cloth are opened on both sides, the strip round all is taken off, the new
      bundle gets its own strip and sealant, and the strip round all is cut anew. Add its cables on the left
      with a bundle of their own: the plan says what is cut anew, and the record which steps come back.
    </Typography>
  );
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
      </Acts>
      <Box component="ol" sx={{ my: 1, pl: 2.75, '& li': { mb: 1 } }}>
        {laterSteps(said).map((s) => (
          <li key={s.id}>
            <b>{s.title}</b>
            <Typography variant="body2" sx={{ color: 'text.secondary' }}>
              {s.detail}
            </Typography>
          </li>
        ))}
      </Box>
    </>
  );
}

/** A cable that comes out: what closes its hole. */
function TakeOut({ session, made }: { readonly session: SealSession; readonly made: SleeveMade }) {
  const [tag, setTag] = useState('');
  const out = tag === '' ? null : takeOut(made.request, made.plan, tag);
  const blanks = new Map<string, number>();
  for (const c of out?.closes ?? []) blanks.set(c.part, (blanks.get(c.part) ?? 0) + 1);
  const closing = [...blanks].map(([part, n]) => `${n} × ${part}`).join(', ');
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
        {out === null ? (
          tag === '' ? null : (
            <span role="status">
              It is the only one: without it the opening is closed as one without cables.
            </span>
          )
        ) : (
          <>
            <span role="status">
              {closing === ''
                ? 'No blank of the sheet fits its hole: sealant alone closes it'
                : `${closing} close its hole`}
              , on both faces.
            </span>
            <Button onClick={() => session.put({ of: 'sleeve', request: out.request, plan: out.plan })}>
              Show it in the section
            </Button>
          </>
        )}
      </Acts>
      {out === null ? null : (
        <Typography variant="quiet">
          To keep it, leave the cable out on the left and save: the sleeve is planned again without it.
        </Typography>
      )}
    </Box>
  );
}
