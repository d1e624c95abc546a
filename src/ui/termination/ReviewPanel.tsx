'use client';
import Button from '@mui/material/Button';
import { Link } from '../kit-of-parts/Link';
import type { TerminationView } from '@/core/termination-view';
import { Differences } from '../common/Differences';
import { Problems } from '../kit-of-parts/Problems';
import { stationPath } from '../rack/summaries';
import { useRun } from './use-run';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useSend } from '../data/use-send';
import { For } from '../shell/may';

/** A plan that is stale, or whose sheet has moved on: what would stay, what would change, what has to be done again; made anew only when somebody says so. */
export function ReviewPanel({ view }: { readonly view: TerminationView }) {
  const send = useSend();
  const { run, busy, problems } = useRun();
  const { review } = view;
  if (!review) return null;
  const ref = { job: view.job.slug, cable: view.cable, end: view.end };
  const accept = () => void run(() => send('replan', ref), 'Planned again.');
  return (
    <Box
      component="section"
      aria-label={view.stale ? 'The plan is stale' : 'The sheet has moved on'}
      sx={{
        mb: 2.25,
        p: '12px 16px 16px',
        bgcolor: 'background.paper',
        border: '2px solid',
        borderColor: 'secondary.main',
        borderRadius: 1,
      }}
    >
      {view.stale ? (
        <Typography variant="h2" sx={{ fontSize: 16 }}>
          Stale: something this plan stands on has changed
        </Typography>
      ) : null}
      {review.sheet === null ? null : (
        <Typography sx={{ my: 1 }}>
          <b>
            Sheet {review.sheet.code}: revision {review.sheet.to} is in force, and this plan stands on
            revision {review.sheet.from}.
          </b>{' '}
          The sheet that came with the gland leads. By revision {review.sheet.to}:
        </Typography>
      )}
      {review.refusal !== null ? (
        <>
          <p>{review.refusal}</p>
          <Button
            variant="contained"
            color="secondary"
            component={Link}
            href={stationPath(view.job.slug, view.cable, view.end, 'choose')}
          >
            Choose another size
          </Button>
        </>
      ) : (
        <>
          <Typography sx={{ my: 1 }}>
            {review.size} still {review.provisional.length > 0 ? 'may stand, provisionally' : 'fits'}.{' '}
            {review.restamped.length} decisions stay as they are
            {review.changed.length === 0
              ? ', none changes.'
              : `, ${review.changed.length} ${review.changed.length === 1 ? 'changes' : 'change'}:`}
          </Typography>
          {review.changed.length > 0 ? (
            <Differences
              differences={review.changed.map((c) => ({ what: c.label, before: c.before, after: c.after }))}
            />
          ) : null}
          {review.redo.length > 0 ? (
            <Typography sx={{ my: 1 }}>
              To be done again at the bench: {review.redo.map((s) => s.title).join(' · ')}.
            </Typography>
          ) : null}
          <Problems problems={problems} />
          <For what="replan" said>
            <Button variant="contained" color="secondary" onClick={accept} disabled={busy}>
              {review.changed.length === 0 ? 'Restamp the plan' : 'Plan again'}
            </Button>
          </For>
        </>
      )}
    </Box>
  );
}
