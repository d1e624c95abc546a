'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { UndoRedo } from '../changes/UndoRedo';
import { useMemo } from 'react';
import { tally, type JobChoicePlan } from '@/core/job-choice';
import type { JobChoiceView } from '@/core/termination-view';
import { useLook } from '../data/use-look';
import { useSend } from '../data/use-send';
import { Acts } from '../kit-of-parts/Acts';
import { Place } from '../kit-of-parts/Place';
import { Problems } from '../kit-of-parts/Problems';
import { Progress } from '../kit-of-parts/Progress';
import { useRun } from '../termination/use-run';
import { JobAnswer, marginWords, type Tally } from './JobAnswer';
import { OpenEnds } from './OpenEnds';
import { useJobChoice } from './use-job-choice';

interface Props {
  readonly job: string;
}

/** The whole job at once, as soon as every end of it has been judged. */
export function WholeJobPage(props: Props) {
  const { view, problems, reload } = useLook(['viewJobChoice', props.job], { onReturn: false });
  if (view !== null) return <Chosen {...props} view={view} />;
  return (
    <Place title="Whole job">
      {problems.length > 0 ? (
        <>
          <Problems problems={problems} />
          <Button variant="outlined" onClick={reload}>
            Try again
          </Button>
        </>
      ) : (
        <Typography variant="lead" role="status">
          Every end of the job is being judged …
        </Typography>
      )}
    </Place>
  );
}

/** What is planned now beside the fewest part numbers that would do, taken or left as one change. */
function Chosen({ job, view }: Props & { readonly view: JobChoiceView }) {
  const send = useSend();
  const choice = useJobChoice(view);
  const { state } = choice;
  const { run, busy, problems } = useRun();
  const now = useMemo(() => tally(view.request, view.before), [view]);
  const free = view.request.terminations.length - Object.keys(view.open).length;
  const take = (plan: JobChoicePlan) =>
    void run(
      () => send('acceptJobChoice', job, plan.picks),
      'Planned as one change: Undo takes all of it back.',
    ).then((r) => r.ok && choice.leave());
  return (
    <Place
      title="Whole job"
      acts={<UndoRedo job={job} running={{ run, busy }} />}
      lead={`One size for each of ${free} terminations, so that the store carries the fewest gland part numbers; of those the fewest adaptors; of those the best worst margin. Only kinds that the profile calls for compete. What is locked, or begun at the bench, stays.`}
    >
      <Acts>
        {state.kind === 'running' ? (
          <>
            <Progress label="Progress" share={state.done / state.of} />
            <span role="status">{state.stage} …</span>
            <Button variant="outlined" onClick={choice.cancel}>
              Cancel
            </Button>
          </>
        ) : (
          <Button variant="contained" color="secondary" onClick={choice.start} disabled={busy || free === 0}>
            {state.kind === 'found' ? 'Work it out again' : 'Work it out'}
          </Button>
        )}
      </Acts>
      <Problems problems={[...choice.failure, ...problems]} />
      <Box sx={COLUMNS}>
        <div>
          {state.kind === 'found' ? (
            <JobAnswer
              job={job}
              view={view}
              plan={state.plan}
              seconds={state.seconds}
              now={now}
              busy={busy}
              onTake={() => take(state.plan)}
              onLeave={choice.leave}
            />
          ) : (
            <Standing view={view} now={now} />
          )}
        </div>
        <OpenEnds job={job} view={view} />
      </Box>
    </Place>
  );
}

const Standing = ({ view, now }: { readonly view: JobChoiceView; readonly now: Tally }) => (
  <Typography sx={{ my: 1.75 }}>
    Planned now: <b>{view.before.length}</b> terminations with <b>{now.parts}</b> gland part numbers,{' '}
    <b>{now.adaptors}</b> through an adaptor, worst margin <b>{marginWords(now.worstMarginMm)}</b>.
  </Typography>
);

const COLUMNS = {
  display: 'grid',
  gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 3fr) minmax(0, 2fr)' },
  alignItems: 'start',
  gap: 5,
} as const;
