'use client';
import Button from '@mui/material/Button';
import { useSend } from '../data/use-send';
import type { useRun } from '../termination/use-run';

interface Props {
  readonly job: string;
  /** The page's own, so that a refusal stands where the page's refusals stand. */
  readonly running: Pick<ReturnType<typeof useRun>, 'run' | 'busy'>;
  /** After either was done. */
  readonly onDone?: () => void;
}

const WAYS = [
  ['undo', 'Undo', 'z', 'Taken back'],
  ['redo', 'Redo', 'Z', 'Done again'],
] as const;

/** Takes back what this person changed last in the job, and does it again. */
export function UndoRedo({ job, running: { run, busy }, onDone }: Props) {
  const send = useSend();
  const turn = async (name: 'undo' | 'redo', said: string) => {
    const done = await run(
      () => send(name, job),
      ({ label }) => `${said}: ${label}`,
    );
    if (done.ok) onDone?.();
  };
  return WAYS.map(([name, words, key, said]) => (
    <Button
      key={name}
      size="small"
      variant="text"
      disabled={busy}
      data-shortcut={key}
      onClick={() => void turn(name, said)}
    >
      {words}
    </Button>
  ));
}
