'use client';
import Button from '@mui/material/Button';
import { useState } from 'react';
import type { Instrument } from '@/core/instrument';
import type { InstrumentView } from '@/core/termination-view';
import { useLook } from '../data/use-look';
import { useSend } from '../data/use-send';
import { Empty } from '../kit-of-parts/Empty';
import { Place } from '../kit-of-parts/Place';
import { Problems } from '../kit-of-parts/Problems';
import { For } from '../shell/may';
import { useRun } from '../termination/use-run';
import { AddInstrument } from './AddInstrument';
import { InstrumentLine } from './InstrumentLine';

interface Props {
  readonly job: string;
  readonly first: readonly InstrumentView[];
}

/** The register of a job: which instrument is good until when, and what was made with one that was not. */
export function InstrumentsPage({ job, first }: Props) {
  const looked = useLook(['viewInstruments', job]);
  const rows = looked.view ?? first;
  const [adding, setAdding] = useState(false);
  const send = useSend();
  const { run, busy, problems } = useRun();
  const bad = rows.filter((r) => !r.good).length;
  const open = rows.reduce((n, r) => n + r.openAgain.length, 0);
  const add = async (facts: Instrument) => {
    const done = await run(() => send('addInstrument', job, facts), `${facts.code} is in the register.`);
    if (done.ok) setAdding(false);
  };
  return (
    <Place
      title="Instruments"
      acts={
        <For what="addInstrument">
          <Button variant="outlined" onClick={() => setAdding(!adding)} aria-expanded={adding}>
            New instrument
          </Button>
        </For>
      }
      lead={
        rows.length === 0
          ? undefined
          : `${rows.length} in the register, ${bad === 0 ? 'all good today' : `${bad} not good today`}${open === 0 ? '' : `; ${open} uses of them are open again`}.`
      }
    >
      <Problems problems={problems} />
      {adding ? <AddInstrument busy={busy} onAdd={(facts) => void add(facts)} /> : null}
      {rows.length === 0 ? (
        <Empty>
          No register is kept yet: nothing is said of calibration. From the first instrument on, nothing is
          signed that was measured with one which is not here, or was not good on that day.
        </Empty>
      ) : (
        rows.map((row) => <InstrumentLine key={row.instrument.code} job={job} row={row} />)
      )}
    </Place>
  );
}
