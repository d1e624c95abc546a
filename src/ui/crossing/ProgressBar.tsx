'use client';
import Button from '@mui/material/Button';
import { Acts } from '../kit-of-parts/Acts';
import { Progress } from '../kit-of-parts/Progress';
import { useProgress, type ProgressStore } from './progress-store';

/** How far the plan is, drawn by itself. */
function ProgressBar({ store }: { readonly store: ProgressStore }) {
  const { stage, done, of } = useProgress(store);
  return (
    <>
      <Progress label="Progress" share={done / of} />
      <span role="status">{stage} …</span>
    </>
  );
}

function Cancel({ store, onCancel }: { readonly store: ProgressStore; readonly onCancel: () => void }) {
  const { found = false } = useProgress(store);
  return (
    <Button variant="outlined" disabled={found} onClick={onCancel}>
      Cancel
    </Button>
  );
}

/** What is worked out in the background, and its end before the time. */
export function UnderWay(props: { readonly store: ProgressStore; readonly onCancel: () => void }) {
  return (
    <Acts>
      {/* First, so that nothing that comes later moves it from under a hand. */}
      <Cancel {...props} />
      <ProgressBar store={props.store} />
    </Acts>
  );
}
