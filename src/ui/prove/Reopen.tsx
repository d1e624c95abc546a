'use client';
import Button from '@mui/material/Button';
import { useState } from 'react';
import type { TerminationView } from '@/core/termination-view';
import { workInput } from '../bench/use-work';
import { useSend } from '../data/use-send';
import { Acts } from '../kit-of-parts/Acts';
import { Caution } from '../kit-of-parts/Caution';
import { Problems } from '../kit-of-parts/Problems';
import { TextField } from '../kit-of-parts/TextField';
import { For } from '../shell/may';
import { useRun } from '../termination/use-run';

/** An end that is signed is opened again with a reason: the signature goes, the work stays, and both stand in the record. */
export function Reopen({ view }: { readonly view: TerminationView }) {
  const send = useSend();
  const { run, busy, problems } = useRun();
  const [reason, setReason] = useState<string | null>(null);
  const sign = view.steps.find((s) => s.kind === 'sign');
  if (sign === undefined || view.signedBy === null || view.chainFaults.length > 0) return null;
  const subject = { kind: 'termination', job: view.job.slug, cable: view.cable, end: view.end } as const;
  const reopen = async (why: string) => {
    const command = { kind: 'correct', stepId: sign.id, reason: why } as const;
    const done = await run(() => send('work', subject, workInput(command)), `${view.tag} is open again.`);
    if (done.ok) setReason(null);
  };
  return (
    <For what="work" said>
      {reason === null ? (
        <Button variant="outlined" onClick={() => setReason('')}>
          Open again…
        </Button>
      ) : (
        <>
          <Caution tone="hold">
            The signature of {view.signedBy} goes. What was done stays done; a step that is not as it should
            be is taken back at the bench.
          </Caution>
          <Acts label="Open again">
            <TextField
              label="Why: it stands in the record"
              value={reason}
              onChange={(e) => setReason(e.target.value)}
              slotProps={{ htmlInput: { maxLength: 400 } }}
              sx={{ width: 360 }}
            />
            <Button
              variant="contained"
              color="secondary"
              disabled={busy || reason.trim().length < 4}
              onClick={() => void reopen(reason)}
            >
              Open {view.tag} again
            </Button>
            <Button variant="text" onClick={() => setReason(null)}>
              Leave it signed
            </Button>
          </Acts>
        </>
      )}
      <Problems problems={problems} />
    </For>
  );
}
