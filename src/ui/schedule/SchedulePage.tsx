'use client';
import Button from '@mui/material/Button';
import dynamic from 'next/dynamic';
import Link from 'next/link';
import { useState, type SubmitEvent } from 'react';
import type { JobView } from '@/core/termination-view';
import { Problems } from '../common/Problems';
import { useShortcuts } from '../shell/shortcuts';
import { useRun } from '../termination/use-run';
import type { ScheduleChoices } from './schedule-types';
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
        <input
          className={styles.filter}
          type="search"
          data-filter="schedule"
          value={filter}
          onChange={(e) => setFilter(e.target.value)}
          placeholder="Filter by tag, type, box, note  /"
          aria-label="Filter the schedule"
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

const EMPTY = { tag: '', type: '', route: '', aPlace: '', bPlace: '' };

function AddCable({ job, choices, onAdded }: Props & { readonly onAdded: () => void }) {
  const [fields, setFields] = useState(EMPTY);
  const send = useSend();
  const { run, busy, problems } = useRun();
  const at = (path: keyof typeof EMPTY) => problems.some((p) => p.path === path);
  const set = (key: keyof typeof EMPTY) => (e: { target: { value: string } }) =>
    setFields((f) => ({ ...f, [key]: e.target.value }));
  const submit = async (event: SubmitEvent) => {
    event.preventDefault();
    const sent = Object.fromEntries(
      Object.entries(fields).filter(([k, v]) => v.trim() !== '' || k === 'tag' || k === 'type'),
    );
    const done = await run(
      () => send('addCable', job.slug, sent),
      `${fields.tag} added with its ends A and B.`,
    );
    if (!done.ok) return;
    setFields(EMPTY);
    onAdded();
    document.getElementById('new-tag')?.focus();
  };
  return (
    <form className={styles.add} onSubmit={(e) => void submit(e)} aria-label="Add a cable">
      <input
        id="new-tag"
        className={styles.short}
        value={fields.tag}
        onChange={set('tag')}
        placeholder="New cable tag"
        aria-label="Cable tag"
        aria-invalid={at('tag')}
        autoComplete="off"
      />
      <select
        className={styles.short}
        value={fields.type}
        onChange={set('type')}
        aria-label="Cable type"
        aria-invalid={at('type')}
      >
        <option value="">type…</option>
        {choices.types.map((t) => (
          <option key={t}>{t}</option>
        ))}
      </select>
      <input
        className={styles.tiny}
        value={fields.route}
        onChange={set('route')}
        placeholder="route, m"
        aria-label="Route length in m"
        aria-invalid={at('route')}
        autoComplete="off"
      />
      <input
        className={styles.short}
        list="entries"
        value={fields.aPlace}
        onChange={set('aPlace')}
        placeholder="end A: box/entry"
        aria-label="End A: enclosure/entry"
        aria-invalid={at('aPlace')}
        autoComplete="off"
      />
      <input
        className={styles.short}
        list="entries"
        value={fields.bPlace}
        onChange={set('bPlace')}
        placeholder="end B: box/entry"
        aria-label="End B: enclosure/entry"
        aria-invalid={at('bPlace')}
        autoComplete="off"
      />
      <datalist id="entries">
        {choices.entries.map((e) => (
          <option key={e} value={e} />
        ))}
      </datalist>
      <Button type="submit" size="small" variant="contained" color="secondary" disabled={busy}>
        Add cable
      </Button>
      <Problems problems={problems} />
    </form>
  );
}
