'use client';
import Button from '@mui/material/Button';
import { useState } from 'react';
import type { InstrumentCheck } from '@/core/instrument';
import { Acts } from '../kit-of-parts/Acts';
import { Choice } from '../kit-of-parts/Choice';
import { DateField } from '../kit-of-parts/DateField';
import { Panel } from '../kit-of-parts/Panel';
import { TextField } from '../kit-of-parts/TextField';

interface Props {
  readonly code: string;
  readonly busy: boolean;
  readonly onAdd: (check: InstrumentCheck) => void;
}

/** What whoever calibrates an instrument found. */
export function AddCheck({ code, busy, onAdd }: Props) {
  const [on, setOn] = useState('');
  const [found, setFound] = useState<'' | 'good' | 'bad'>('');
  const [until, setUntil] = useState('');
  const [certificate, setCertificate] = useState('');
  const whole = on !== '' && (found === 'bad' || (found === 'good' && until !== ''));
  return (
    <Panel label={`A check of ${code}`}>
      <Acts top>
        <DateField label="Checked on" name="checkedOn" value={on} onChange={setOn} />
        <Choice
          label="It was found"
          value={found}
          options={[
            ['', 'not said yet'],
            ['good', 'good'],
            ['bad', 'out of calibration'],
          ]}
          onChange={setFound}
          width={180}
        />
        {found === 'good' ? (
          <DateField label="Good until" name="goodUntil" value={until} onChange={setUntil} />
        ) : null}
        <TextField
          label="Certificate"
          value={certificate}
          onChange={(e) => setCertificate(e.target.value)}
          slotProps={{ htmlInput: { maxLength: 80 } }}
          sx={{ width: 170 }}
        />
        <Button
          variant="contained"
          color="secondary"
          disabled={busy || !whole}
          onClick={() =>
            onAdd({
              on,
              good: found === 'good',
              until: found === 'good' ? until : on,
              certificate: certificate.trim(),
            })
          }
        >
          Keep
        </Button>
      </Acts>
    </Panel>
  );
}
