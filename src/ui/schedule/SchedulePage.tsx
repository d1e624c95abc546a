'use client';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import dynamic from 'next/dynamic';
import { memo } from 'react';
import { filtered, useGridPlace } from './use-grid-place';
import { useAskAhead } from './use-schedule-rows';
import { UndoRedo } from '../changes/UndoRedo';
import { Link } from '../kit-of-parts/Link';
import type { JobView, ScheduleChoices } from '@/core/termination-view';
import { Coming } from '../kit-of-parts/Coming';
import { Filter } from '../kit-of-parts/Filter';
import { Problems } from '../kit-of-parts/Problems';
import { WHOLE_PLACE } from '../kit-of-parts/whole-place';
import { useRun } from '../termination/use-run';
import { AddCable } from './AddCable';
import { For, useWhoElse } from '../shell/may';

// The grid is the heaviest part of the product: the page is there before it.
const ScheduleGrid = dynamic(() => import('./ScheduleGrid'), {
  ssr: false,
  loading: () => <Coming what="the schedule" lines={12} />,
});

interface Props {
  readonly job: JobView;
  readonly choices: ScheduleChoices;
}

/** Drawn once, not for each stroke in the filter beside it. */
const Files = memo(function Files({ job }: { readonly job: string }) {
  const files = `/api/job/${encodeURIComponent(job)}/schedule/export`;
  return (
    <>
      <Button size="small" variant="outlined" href={files}>
        Save as CSV
      </Button>
      <Button size="small" variant="outlined" href={`${files}?as=xlsx`}>
        Save as workbook
      </Button>
      <For what="importSheet">
        <Button
          size="small"
          variant="outlined"
          component={Link}
          href={`/job/${encodeURIComponent(job)}/schedule/import`}
        >
          Take in a list
        </Button>
      </For>
    </>
  );
});

/** All cables of the job: add, edit, undo, import, export. */
export function SchedulePage({ job, choices }: Props) {
  const at = useGridPlace();
  const askAhead = useAskAhead(job.slug);
  const undoing = useRun();
  const planner = useWhoElse('addCable');
  return (
    <Stack component="main" sx={WHOLE_PLACE}>
      <Stack direction="row" sx={{ flexWrap: 'wrap', alignItems: 'center', gap: 1.25, mb: 1.25 }}>
        <Typography variant="h1" sx={{ flex: 1, fontSize: 28 }}>
          Schedule
        </Typography>
        <Filter
          name="schedule"
          label="Filter the schedule"
          placeholder="Filter by tag, type, box, note  /"
          value={at.place.filter}
          onChange={(filter) => {
            askAhead(filtered(at.place, filter));
            at.setFilter(filter);
          }}
          width={280}
        />
        <UndoRedo job={job.slug} running={undoing} />
        <Files job={job.slug} />
      </Stack>
      <Problems problems={undoing.problems} />
      {planner === undefined ? (
        <AddCable job={job} choices={choices} />
      ) : (
        <Typography color="text.secondary" sx={{ mb: 1.25 }}>
          A {planner} adds cables and changes them here.
        </Typography>
      )}
      <ScheduleGrid job={job} choices={choices} at={at} />
    </Stack>
  );
}
