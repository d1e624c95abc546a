'use client';
import Button from '@mui/material/Button';
import { TextField } from '../kit-of-parts/TextField';
import { useState } from 'react';
import { sentBackBy, type BenchAct, type Step } from '@/core/record';
import { Caution } from '../kit-of-parts/Caution';
import { HoldButton } from './HoldButton';
import { BenchAsk, BenchButtons } from './parts';

/** A step that was held by mistake: why, and what has to be done again with it. It stays in the record. */
export function TakeBack({
  steps,
  acts,
  step,
  signedBy,
  busy,
  onTakeBack,
  onClose,
}: {
  readonly steps: readonly Step[];
  readonly acts: readonly BenchAct[];
  readonly step: Step;
  readonly signedBy: string | null;
  readonly busy: boolean;
  readonly onTakeBack: (reason: string) => void;
  readonly onClose: () => void;
}) {
  const [reason, setReason] = useState('');
  const back = sentBackBy(steps, acts, step.id);
  const signature = signedBy !== null && back.some((s) => s.kind === 'sign');
  return (
    <>
      <BenchAsk label="Take back a step that was held by mistake">
        <Caution>
          {signature ? `The signature of ${signedBy} goes. ` : ''}
          {back.length === 1
            ? 'This step has to be done again.'
            : `${back.length} steps have to be done again, to “${back[back.length - 1]?.title ?? ''}”.`}{' '}
          What was held stays in the record, with your reason.
        </Caution>
        <TextField
          inputRef={(field: HTMLInputElement | null) => field?.focus()}
          name="reason"
          label="Why"
          value={reason}
          onChange={(e) => setReason(e.target.value)}
          fullWidth
          slotProps={{ htmlInput: { maxLength: 200 } }}
        />
      </BenchAsk>
      <BenchButtons>
        <Button variant="outlined" onClick={onClose}>
          It stands
        </Button>
        <HoldButton disabled={busy || reason.trim().length < 4} onConfirm={() => onTakeBack(reason)}>
          Hold: take it back
        </HoldButton>
      </BenchButtons>
    </>
  );
}
