'use client';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { Problem } from '@/core/kernel';
import { Acts } from './Acts';
import { Problems } from './Problems';
import { Progress } from './Progress';

interface Props {
  /** What is made, one after the other: “Cards”. */
  readonly label: string;
  /** The same behind a number: “cards”; left out where the numbers say enough. */
  readonly unit?: string;
  readonly work: {
    readonly progress: { readonly done: number; readonly of: number } | null;
    readonly said: string | null;
    readonly problems: readonly Problem[];
    readonly cancel: () => void;
  };
}

/** Long work under way: how far it is, the way to end it, and what came of it. */
export function Making({ label, unit = '', work: { progress, said, problems, cancel } }: Props) {
  return (
    <>
      {progress ? (
        <div role="status">
          <Acts>
            <Progress label={label} share={progress.done / Math.max(1, progress.of)} />
            {`${progress.done} of ${progress.of} ${unit}`.trim()}
            <Button variant="outlined" size="small" onClick={cancel}>
              Cancel
            </Button>
          </Acts>
        </div>
      ) : null}
      {said ? (
        <Typography role="status" sx={{ my: 1, fontWeight: 650 }}>
          {said}
        </Typography>
      ) : null}
      <Problems problems={problems} />
    </>
  );
}
