'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useState } from 'react';
import type { ScheduleChoices } from '@/core/termination-view';
import { Choice } from '../kit-of-parts/Choice';
import { TextField } from '../kit-of-parts/TextField';
import { FILL_FIELDS, type FillField } from './fill';
import { FIELD_WORDS } from './field-words';

interface Props {
  readonly count: number;
  readonly types: ScheduleChoices['types'];
  readonly busy: boolean;
  readonly onSet: (field: FillField, value: string) => void;
  readonly onClear: () => void;
}

/** One value for a column of all rows that are ticked, as one change. */
export function SetInRows({ count, types, busy, onSet, onClear }: Props) {
  const [field, setField] = useState<FillField>('note');
  const [value, setValue] = useState('');
  return (
    <Box
      component="form"
      aria-label="Ticked rows"
      onSubmit={(e) => {
        e.preventDefault();
        onSet(field, value);
      }}
      sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: 1.25, mb: 1.25 }}
    >
      <b>
        {count} {count === 1 ? 'cable' : 'cables'} ticked
      </b>
      <Choice
        label="Column"
        value={field}
        options={FILL_FIELDS.map((f) => [f, FIELD_WORDS[f]] as const)}
        onChange={(f) => {
          setField(f);
          setValue('');
        }}
      />
      {field === 'type' ? (
        <Choice
          label="Value"
          value={value}
          options={[['', ''], ...types.map(({ code, title }) => [code, `${code}, ${title}`] as const)]}
          onChange={setValue}
        />
      ) : (
        <TextField
          label="Value"
          value={value}
          onChange={(e) => setValue(e.target.value)}
          sx={{ width: 200 }}
        />
      )}
      <Button
        type="submit"
        variant="contained"
        size="small"
        disabled={busy || (field === 'type' && value === '')}
      >
        Set in {count === 1 ? 'this row' : `these ${count} rows`}
      </Button>
      <Button size="small" variant="text" onClick={onClear}>
        Tick none
      </Button>
    </Box>
  );
}
