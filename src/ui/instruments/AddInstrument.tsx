'use client';
import Button from '@mui/material/Button';
import { useState } from 'react';
import type { Instrument, InstrumentKind } from '@/core/instrument';
import { Acts } from '../kit-of-parts/Acts';
import { Choice } from '../kit-of-parts/Choice';
import { Panel } from '../kit-of-parts/Panel';
import { TextField } from '../kit-of-parts/TextField';
import { countsWords, KIND_OPTIONS } from './instrument-words';

interface Props {
  readonly busy: boolean;
  readonly onAdd: (facts: Instrument) => void;
}

/** A new line of the register. */
export function AddInstrument({ busy, onAdd }: Props) {
  const [code, setCode] = useState('');
  const [kind, setKind] = useState<InstrumentKind>('caliper');
  const [holder, setHolder] = useState('');
  const [uncertainty, setUncertainty] = useState('');
  return (
    <Panel label="New instrument">
      <Acts top>
        <TextField
          label="What stands on it"
          value={code}
          onChange={(e) => setCode(e.target.value)}
          slotProps={{ htmlInput: { maxLength: 60 } }}
          sx={{ width: 200 }}
        />
        <Choice label="Kind" value={kind} options={KIND_OPTIONS} onChange={setKind} width={210} />
        <TextField
          label="Who has it"
          value={holder}
          onChange={(e) => setHolder(e.target.value)}
          slotProps={{ htmlInput: { maxLength: 80 } }}
          sx={{ width: 180 }}
        />
        <TextField
          label="Uncertainty by its certificate"
          placeholder="± 0.02 mm"
          helperText={countsWords(uncertainty)}
          value={uncertainty}
          onChange={(e) => setUncertainty(e.target.value)}
          slotProps={{ htmlInput: { maxLength: 80 } }}
          sx={{ width: 220 }}
        />
        <Button
          variant="contained"
          color="secondary"
          disabled={busy || code.trim() === ''}
          onClick={() =>
            onAdd({ code: code.trim(), kind, holder: holder.trim(), uncertainty: uncertainty.trim() })
          }
        >
          Take it in
        </Button>
      </Acts>
    </Panel>
  );
}
