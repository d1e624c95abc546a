'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import {
  sealDrawings,
  setupsOf,
  sleevesOf,
  stubsFor,
  type SleeveSetup,
  type StubOffer,
  type StubSleeve,
} from '@/core/crossing';
import { verdictOf } from '@/core/soft-seal';
import { capital, type Problem } from '@/core/kernel';
import type { StubsAnswer } from '@/core/stub-choice';
import { trimNumber } from '@/core/units';
import { startStubs } from '@/workers/soft-seal';
import { useSend } from '../../data/use-send';
import { DrawingSvg } from '../../drawing/DrawingSvg';
import { Acts } from '../../kit-of-parts/Acts';
import { Caution } from '../../kit-of-parts/Caution';
import { Problems } from '../../kit-of-parts/Problems';
import { useRun } from '../../termination/use-run';
import { For } from '../../shell/may';
import { crossingsPath } from '../words';
import { StubOffers, type Asked } from './StubOffers';
import type { SealMade, SealSession } from './use-seal';

type SleeveMade = Extract<SealMade, { readonly of: 'sleeve' }>;

interface Props {
  readonly session: SealSession;
  readonly made: SleeveMade;
}

interface Found {
  readonly answer: StubsAnswer;
  readonly sleeves: readonly StubSleeve[];
  readonly offers: readonly StubOffer[];
}

/** The cables of a sleeve over several stubs, at the least cost: which lie in which, drawn, and made into crossings of their own. */
export function SealStubs({ session, made }: Props) {
  const { work } = session;
  const [found, setFound] = useState<Found | null>(null);
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const ask = ({ offers, apart, spareShare }: Asked) => {
    setFound(null);
    setProblems([]);
    work.start(
      () =>
        startStubs(stubsFor(made.request, offers, apart, spareShare), (stage, done, of) =>
          work.progress.set({ stage, done, of }),
        ),
      (answer) => {
        if (!answer.ok) setProblems(answer.problems);
        else
          setFound({ answer: answer.value, sleeves: sleevesOf(made.request, offers, answer.value), offers });
      },
    );
  };
  const circuits = [...new Set(made.request.cables.flatMap((c) => c.circuit ?? []))].sort();
  return (
    <Box sx={{ mt: 1 }}>
      <Typography variant="lead">
        Where one opening does not take all of it, or circuits are kept apart: the stubs on offer, and which
        cable goes through which, at the least cost.
      </Typography>
      <StubOffers circuits={circuits} busy={work.working} onAsk={ask} />
      <Problems problems={problems} />
      {found === null ? null : <Answered session={session} found={found} />}
    </Box>
  );
}

const costWords = ({ status, cost, bound }: StubsAnswer): string =>
  status === 'optimal'
    ? `cost ${trimNumber(cost, 2)}, proven to be the least`
    : status === 'gap'
      ? `cost ${trimNumber(cost, 2)}; nothing below ${trimNumber(bound, 2)} is possible`
      : 'not all of it goes in';

function Answered({ session, found }: { readonly session: SealSession; readonly found: Found }) {
  const { answer, sleeves } = found;
  return (
    <>
      <Typography role="status" sx={{ my: 1, fontWeight: 600 }}>
        {sleeves.length} {sleeves.length === 1 ? 'stub' : 'stubs'}: {costWords(answer)}.
      </Typography>
      {answer.unplaced.length > 0 ? (
        <Caution>Left out: {answer.unplaced.map((u) => `${u.tag}: ${u.reason}`).join('; ')}</Caution>
      ) : null}
      {answer.notes.map((n) => (
        <Caution key={n} tone="hold">
          {n}
        </Caution>
      ))}
      <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(210px, 1fr))', gap: 2 }}>
        {sleeves.map((s, i) => (
          <Box component="figure" key={i} sx={{ m: 0 }}>
            <DrawingSvg drawing={sealDrawings({ of: 'sleeve', request: s.request, plan: s.plan }).section} />
            <Box component="figcaption" sx={{ fontSize: 13.5 }}>
              <b>{s.offer.id}</b>: {s.request.cables.map((c) => c.tag).join(', ')};{' '}
              {trimNumber(100 * s.freeShare, 0)} % free before blanks. {capital(verdictOf(s.plan.findings))}.
            </Box>
          </Box>
        ))}
      </Box>
      {answer.unplaced.length === 0 && sleeves.length > 1 ? (
        <For what="splitCrossing">
          <Divide session={session} sleeves={sleeves} />
        </For>
      ) : null}
      {answer.unplaced.length === 0 && sleeves.length === 1 ? (
        <Typography variant="quiet" sx={{ mt: 1 }}>
          One stub takes all of it: set its bore on the left, and save.
        </Typography>
      ) : null}
    </>
  );
}

/** Makes a crossing of each stub; the first keeps the name. */
function Divide({
  session,
  sleeves,
}: {
  readonly session: SealSession;
  readonly sleeves: readonly StubSleeve[];
}) {
  const { view } = session;
  const send = useSend();
  const router = useRouter();
  const { run, busy, problems } = useRun();
  if (view.kind !== 'sleeve') return null;
  const setup: SleeveSetup = view.setup;
  const divide = () =>
    void run(
      () =>
        send(
          'splitCrossing',
          { job: view.job, crossing: view.name },
          view.version,
          setupsOf(setup, sleeves).map((own, i) => ({ name: `${view.name}.${i + 1}`, setup: own })),
        ),
      ({ names }) => `Crossings ${names.join(', ')}.`,
    ).then((r) => r.ok && router.push(crossingsPath(view.job)));
  return (
    <>
      <Acts>
        <Button variant="outlined" disabled={busy || view.events.length > 0} onClick={divide}>
          Make {sleeves.length} crossings of it
        </Button>
        {view.events.length > 0 ? (
          <span>Its building is on record: it is not divided any more.</span>
        ) : (
          <span>The first keeps the name {view.name}; each is planned and built by itself.</span>
        )}
      </Acts>
      <Problems problems={problems} />
    </>
  );
}
