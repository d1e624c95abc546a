'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { openingName, reentrySteps, type CrossingPlace, type ReentrySchool } from '@/core/frame-building';
import {
  planReentry,
  reentryWords,
  type FrameCable,
  type FramePlan,
  type FrameRequest,
  type OpenedRows,
  type Reentry,
  type ReentryAnswer,
} from '@/core/frame-packing';
import type { Problem } from '@/core/kernel';
import { Acts } from '../kit-of-parts/Acts';
import { PlainList } from '../kit-of-parts/PlainList';
import { Problems } from '../kit-of-parts/Problems';
import { Remove } from '../kit-of-parts/Remove';
import { Segments } from '../kit-of-parts/Segments';
import { NewCable } from './NewCable';
import { refWords } from './words';
import { For } from '../shell/may';

interface Props {
  readonly request: FrameRequest;
  readonly plan: FramePlan;
  readonly place: CrossingPlace;
  readonly busy: boolean;
  readonly onShow: (plan: FramePlan, cables: readonly FrameCable[]) => void;
  /** Puts the cables that found a place into the crossing, and records the frame with them. */
  readonly onTake: (plan: FramePlan, cables: readonly FrameCable[]) => void;
}

/** New cables for a built frame: which spare takes them, what must be opened, and the steps for it. Nothing is stored until it is taken. */
export function ReentryPanel({ request, plan, place, busy, onShow, onTake }: Props) {
  const [add, setAdd] = useState<readonly FrameCable[]>([]);
  const [answer, setAnswer] = useState<Reentry | null>(null);
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const ask = (cables: readonly FrameCable[]) => {
    setAdd(cables);
    const made = cables.length === 0 ? null : planReentry(request, plan, cables);
    setProblems(made === null || made.ok ? [] : made.problems);
    setAnswer(made?.ok ? made.value : null);
  };
  return (
    <Box sx={{ mt: 1.5 }}>
      <Typography variant="lead">
        A cable for a frame that stands: the spare that disturbs the fewest others, and the rows to open for
        it.
      </Typography>
      <NewCable
        circuits={request.cables.map((c) => c.circuit)}
        onAdd={(cable) => ask([...add, cable])}
        onProblem={setProblems}
      />
      <Problems problems={problems} />
      {answer ? (
        <>
          <PlainList ruled label="Answers">
            {answer.answers.map((a) => (
              <li key={a.tag}>
                <AnswerWords answer={a} />
                <Remove
                  label={`leave ${a.tag} out`}
                  onClick={() => ask(add.filter((c) => c.tag !== a.tag))}
                />
              </li>
            ))}
          </PlainList>
          {answer.open.map((o) => (
            <Opened key={openingName(o.frame, o.opening)} rows={o} />
          ))}
          <Steps
            request={request}
            plan={plan}
            place={place}
            answer={answer}
            busy={busy}
            onShow={() => onShow(answer.plan, add)}
            onTake={() => {
              const placed = new Set(answer.answers.flatMap((a) => ('place' in a ? [a.tag] : [])));
              onTake(
                answer.plan,
                add.filter((c) => placed.has(c.tag)),
              );
            }}
          />
        </>
      ) : null}
    </Box>
  );
}

function AnswerWords({ answer }: { readonly answer: ReentryAnswer }) {
  if ('place' in answer)
    return (
      <>
        <b>{answer.tag}</b> into {refWords(answer.place)}, {answer.module}
        {answer.remeasure ? ', measure again' : ''}
      </>
    );
  const { reason, help } = reentryWords(answer.refused);
  return (
    <>
      <b>{answer.tag}</b>{' '}
      <Box component="span" sx={{ color: 'error.main' }}>
        {reason}. What would help: {help}.
      </Box>
    </>
  );
}

const counted = (n: number, one: string): string => `${n} ${one}${n === 1 ? '' : 's'}`;

const Opened = ({ rows: { frame, opening, rows, disturbed } }: { readonly rows: OpenedRows }) => (
  <Typography sx={{ my: 1 }}>
    Open {openingName(frame, opening)}: <b>{rows.length}</b> {rows.length === 1 ? 'row' : 'rows'} (
    {rows.map((r) => r + 1).join(', ')}),{' '}
    {disturbed.length === 0
      ? 'no cable is disturbed'
      : `${counted(disturbed.length, 'cable')} disturbed: ${disturbed.join(', ')}`}
  </Typography>
);

interface StepsProps extends Pick<Props, 'request' | 'plan' | 'place' | 'busy'> {
  readonly answer: Reentry;
  readonly onShow: () => void;
  readonly onTake: () => void;
}

/** How the frame is opened and closed again for what found a place. */
function Steps({ request, plan, place, answer, busy, onShow, onTake }: StepsProps) {
  const [school, setSchool] = useState<ReentrySchool>('out');
  const steps = reentrySteps(request, plan, answer, place, school);
  if (steps.length === 0) return null;
  return (
    <>
      <Acts>
        <Segments
          label="Press unit"
          options={[
            ['out', 'press unit out'],
            ['loosened', 'only loosened'],
          ]}
          value={school}
          onChange={setSchool}
        />
        <Button onClick={onShow}>Show it in the frame</Button>
        <For what="takeReentry" said>
          <Button variant="outlined" disabled={busy} onClick={onTake}>
            Take it into the crossing
          </Button>
        </For>
      </Acts>
      <Box component="ol" sx={{ my: 1, pl: 2.75, '& li': { mb: 1 } }}>
        {steps.map((s) => (
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
