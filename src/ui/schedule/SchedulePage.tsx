'use client';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import dynamic from 'next/dynamic';
import Link from 'next/link';
import { useState } from 'react';
import type { JobView, ScheduleChoices } from '@/core/termination-view';
import { Problems } from '../kit-of-parts/Problems';
import { useShortcuts } from '../shell/shortcuts';
import { useRun } from '../termination/use-run';
import { AddCable } from './AddCable';
import styles from './Schedule.module.css';
import { useSend } from '../data/use-send';

// The grid is the heaviest part of the product: the page is there before it.
const ScheduleGrid = dynamic(() => import('./ScheduleGrid'), {
  ssr: false,
  loading: () => <p className={styles.loading}>Loading the grid…</p>,
});

interface Props {
  readonly job: JobView;
  readonly choices: ScheduleChoices;
}

/** All cables of the job: add, edit, undo, import, export. */
export function SchedulePage({ job, choices }: Props) {
  const [filter, setFilter] = useState('');
  const [generation, setGeneration] = useState(0);
  const send = useSend();
  const undoing = useRun();
  const undo = () =>
    void undoing
      .run(() => send('undo', job.slug))
      .then((r) => {
        if (r.ok) setGeneration((n) => n + 1);
      });
  useShortcuts({ z: undo });
  const base = `/job/${encodeURIComponent(job.slug)}`;
  return (
    <main className={styles.page}>
      <div className={styles.top}>
        <h1 className={styles.headline}>Schedule</h1>
        <TextField
          size="small"
          type="search"
          className={styles.filter}
          value={filter}
          onChange={(e) => setFilter(e.target.value)}
          placeholder="Filter by tag, type, box, note  /"
          slotProps={{ htmlInput: { 'aria-label': 'Filter the schedule', 'data-filter': 'schedule' } }}
        />
        <Button size="small" variant="text" onClick={undo} disabled={undoing.busy}>
          Undo
        </Button>
        <Button
          size="small"
          variant="outlined"
          href={`/api/job/${encodeURIComponent(job.slug)}/schedule/export`}
        >
          Export CSV
        </Button>
        <Button size="small" variant="outlined" component={Link} href={`${base}/schedule/import`}>
          Import CSV
        </Button>
      </div>
      <Problems problems={undoing.problems} />
      <AddCable job={job} choices={choices} onAdded={() => setGeneration((n) => n + 1)} />
      <ScheduleGrid job={job} choices={choices} filter={filter} generation={generation} />
    </main>
  );
}
