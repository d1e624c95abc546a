'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { TextField } from '../kit-of-parts/TextField';
import { memo } from 'react';
import { Controller, useForm } from 'react-hook-form';
import type { JobView, ScheduleChoices } from '@/core/termination-view';
import { useSend } from '../data/use-send';
import { PickField } from '../kit-of-parts/PickField';
import { Problems } from '../kit-of-parts/Problems';
import { useRun } from '../termination/use-run';

const EMPTY = { tag: '', type: '', route: '', aPlace: '', bPlace: '' };
type Fields = typeof EMPTY;
type Field = keyof Fields;
const isField = (path: string): path is Field => Object.hasOwn(EMPTY, path);

interface Props {
  readonly job: JobView;
  readonly choices: ScheduleChoices;
}

function Adding({ job, choices }: Props) {
  const send = useSend();
  const { run, busy, problems } = useRun();
  const { control, handleSubmit, reset, setError, setFocus, formState } = useForm<Fields>({
    defaultValues: EMPTY,
  });
  const entries = choices.entries.map(({ at, box, hole, holder }) => ({
    value: at,
    words: `${box} · ${hole}`,
    taken: holder === null ? null : `taken by ${holder}`,
  }));
  const add = handleSubmit(async (fields) => {
    const sent = Object.fromEntries(
      Object.entries(fields).filter(([k, v]) => v.trim() !== '' || k === 'tag' || k === 'type'),
    );
    const done = await run(
      () => send('addCable', job.slug, sent),
      `${fields.tag} added with its ends A and B.`,
    );
    if (!done.ok) {
      for (const { path, message } of done.problems) if (isField(path)) setError(path, { message });
      return;
    }
    reset(EMPTY);
    setFocus('tag');
  });
  const wrong = (field: Field): string | undefined => formState.errors[field]?.message;
  const text = (field: Field, label: string, width: number) => (
    <Controller
      name={field}
      control={control}
      render={({ field: { ref, ...input } }) => (
        <TextField
          {...input}
          inputRef={ref}
          id={`new-${field}`}
          label={label}
          error={wrong(field) !== undefined}
          helperText={wrong(field)}
          sx={{ width }}
        />
      )}
    />
  );
  const pick = (field: Field, label: string, picks: React.ComponentProps<typeof PickField>['picks']) => (
    <Controller
      name={field}
      control={control}
      render={({ field: { value, onChange } }) => (
        <PickField
          name={field}
          label={label}
          picks={picks}
          value={value}
          onChange={onChange}
          error={wrong(field)}
        />
      )}
    />
  );
  return (
    <Box
      component="form"
      onSubmit={(e) => void add(e)}
      aria-label="Add a cable"
      sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'flex-start', gap: 1.25, p: '8px 0 12px' }}
    >
      {text('tag', 'New cable tag', 160)}
      {pick(
        'type',
        'Cable type',
        choices.types.map(({ code, title }) => ({ value: code, words: title })),
      )}
      {text('route', 'Route, m', 104)}
      {pick('aPlace', 'End A: box/entry', entries)}
      {pick('bPlace', 'End B: box/entry', entries)}
      <Button type="submit" variant="contained" color="secondary" disabled={busy}>
        Add cable
      </Button>
      <Problems problems={problems.filter((p) => !isField(p.path))} />
    </Box>
  );
}

/** One cable into the schedule. What the server refuses stands at its field, until that is typed anew. It is not drawn for a stroke in the filter above it. */
export const AddCable = memo(Adding);
