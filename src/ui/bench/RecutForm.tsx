'use client';
import Button from '@mui/material/Button';
import { useState } from 'react';
import type { EndName } from '@/core/termination-view';
import { trimNumber } from '@/core/units';
import { Caution } from '../kit-of-parts/Caution';
import { Problems } from '../kit-of-parts/Problems';
import type { StationProps } from '../termination/station-props';
import { useRun } from '../termination/use-run';
import { Acts } from '../kit-of-parts/Acts';
import { HoldButton } from './HoldButton';
import { BenchAsk } from './parts';
import { workInput } from './use-work';
import { PadField } from '../kit-of-parts/PadField';
import { useSend } from '../data/use-send';

interface Props extends Pick<StationProps, 'view'> {
  /** The half of a joint that is cut back, where it is the other one. */
  readonly mate: EndName | null;
  readonly onDone: () => void;
}

/** A nicked core or a spoilt end: how much must come off. It is taken from this end's spare, and the work begins again. */
export function RecutForm({ view, mate, onDone }: Props) {
  const [text, setText] = useState('');
  const send = useSend();
  const { run, busy, problems } = useRun();
  const cut = async () => {
    const done = await run(
      () =>
        send(
          'work',
          { kind: 'termination', job: view.job.slug, cable: view.cable, end: view.end },
          workInput({ kind: 'recut', text }),
        ),
      'Cut back: begin again from the first mark',
    );
    if (done.ok) onDone();
  };
  return (
    <BenchAsk label="Cut back and begin again">
      <Caution>
        Cut back and begin again: everything from the first mark on is done anew. {mate?.tag ?? 'This end'}{' '}
        has {trimNumber(mate === null ? view.spareMm : (view.joint?.mateSpareMm ?? 0), 1)} mm to spare.
      </Caution>
      <PadField
        name="CutOff"
        label="From the end to the damage"
        unit={view.job.unit}
        value={text}
        onChange={setText}
      />
      <Problems problems={problems} />
      <Acts>
        <Button variant="outlined" onClick={onDone}>
          Not damaged
        </Button>
        <HoldButton disabled={busy || text.trim() === ''} onConfirm={() => void cut()}>
          Hold: cut back
        </HoldButton>
      </Acts>
    </BenchAsk>
  );
}
