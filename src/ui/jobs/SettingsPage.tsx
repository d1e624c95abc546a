'use client';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { UndoRedo } from '../changes/UndoRedo';
import { useRouter } from 'next/navigation';
import { jobSettingsSchema, type JobSettings } from '@/core/job';
import type { JobView } from '@/core/termination-view';
import { useSend } from '../data/use-send';
import { Acts } from '../kit-of-parts/Acts';
import { LeaveGuard } from '../kit-of-parts/form/LeaveGuard';
import { useFollowingForm } from '../kit-of-parts/form/use-following-form';
import { Place } from '../kit-of-parts/Place';
import { Problems } from '../kit-of-parts/Problems';
import { Section } from '../kit-of-parts/Section';
import { To } from '../kit-of-parts/To';
import { useRun } from '../termination/use-run';
import { ArchiveActs } from './ArchiveActs';
import type { FamilyPick } from './FamiliesField';
import { JobBasics } from './JobBasics';
import { For } from '../shell/may';

interface Props {
  readonly job: JobView;
  readonly families: readonly FamilyPick[];
}

/** What a job is called and set to; its file; and putting it away. */
export function SettingsPage({ job, families }: Props) {
  const router = useRouter();
  const send = useSend();
  const { run, busy, problems } = useRun();
  const shown: JobSettings = {
    name: job.name,
    place: job.place,
    unit: job.unit,
    secondPerson: job.secondPerson,
    families: job.families === null ? null : [...job.families],
  };
  const { form, version, overtaken, follow } = useFollowingForm<JobSettings>(
    jobSettingsSchema,
    shown,
    job.version,
  );
  const { control, handleSubmit, formState } = form;
  const keep = handleSubmit(async (given) => {
    await run(() => send('setJob', job.slug, version, given), 'Set. Ends are judged by it already.');
  });
  const base = `/job/${encodeURIComponent(job.slug)}`;
  return (
    <Place title="Settings" acts={<UndoRedo job={job.slug} running={{ run, busy }} />}>
      <LeaveGuard dirty={formState.isDirty} />
      <form
        noValidate
        onSubmit={(e) => {
          void keep(e);
        }}
      >
        <Section title="The job">
          <JobBasics control={control} families={families} />
          <Typography variant="quiet" color="text.secondary">
            Works to <b>{job.profileTitle}</b>; its figures are set under{' '}
            <To href={`${base}/profile`}>Profile</To>.
          </Typography>
        </Section>
        <Problems problems={problems} />
        <Acts>
          <For what="setJob" said>
            <Button
              type="submit"
              variant="contained"
              color="secondary"
              disabled={busy || !formState.isDirty || overtaken}
            >
              {formState.isDirty ? 'Keep' : 'As it is set'}
            </Button>
          </For>
          {overtaken ? (
            <Button variant="outlined" onClick={follow}>
              Somebody else has set it otherwise: show theirs
            </Button>
          ) : null}
        </Acts>
      </form>
      <Section title="Job file">
        <Typography variant="lead">
          Everything but the recorded work, as one file: to keep, to hand on, to go on with elsewhere. The
          record of the work is a file of its own, under Prints.
        </Typography>
        <Button
          variant="outlined"
          component="a"
          href={`/api/job/${encodeURIComponent(job.slug)}/file`}
          download
        >
          Save the job file
        </Button>
      </Section>
      <Section title="To keep for years">
        <Typography variant="lead">
          Record with photos, dossier, schedule and job file as one zip, every file listed by its hash and the
          list signed. <b>plan verify</b> checks it without this application.
        </Typography>
        <ArchiveActs job={job.slug} />
      </Section>
      <Section title={job.archived ? 'Put away' : 'Put it away'}>
        <Typography variant="lead">
          A job that is over goes out of the way on the first page. Nothing in it changes, and it comes back
          at a press.
        </Typography>
        <For what="setArchived" said>
          <Button
            variant="outlined"
            disabled={busy}
            onClick={() =>
              void run(
                () => send('setArchived', job.slug, job.version, !job.archived),
                job.archived ? 'It is back among the open ones.' : 'Put away.',
              ).then(() => router.refresh())
            }
          >
            {job.archived ? 'Take the job back' : 'Put the job away'}
          </Button>
        </For>
      </Section>
    </Place>
  );
}
