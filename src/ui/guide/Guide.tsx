'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { usePathname, useRouter } from 'next/navigation';
import { useSyncExternalStore } from 'react';

const KEY = 'ac_guide';
const OVER = 'over';

interface Step {
  readonly title: string;
  readonly text: string;
  readonly path: string;
}

const stepsOf = (base: string): readonly Step[] => [
  {
    title: 'Every end of every cable',
    text: 'A collar is one cable end: seven stations, from measuring to the signature. The board says what is next, and what is blocked by what.',
    path: `${base}/board`,
  },
  {
    title: 'Why this size, and by how much not the others',
    text: 'What was measured lies as a band over the range of every size. Nothing is chosen that is not known.',
    path: `${base}/t/K-104/B/choose`,
  },
  {
    title: 'Where to cut',
    text: 'All marks are counted from the cable end, with how deep a blade may go; as a card for the bench, too.',
    path: `${base}/t/K-104/B/cut`,
  },
  {
    title: 'One step a screen, at the bench',
    text: 'Made for gloves and glare: tick what you see, hold to confirm. Ctrl+K finds anything, ? shows the keys.',
    path: `${base}/bench/K-105/A`,
  },
  {
    title: 'A record that cannot be quietly changed',
    text: 'Who did what, when, and what was measured. Your own job begins with npm start and the list of your design office.',
    path: `${base}/t/K-101/B/prove`,
  },
];

const listeners = new Set<() => void>();
const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};
const read = (): string => localStorage.getItem(KEY) ?? '0';
function write(value: string): void {
  localStorage.setItem(KEY, value);
  for (const listener of listeners) listener();
}

/** Five steps through the demo for who is here for the first time; skipped once, it never comes again. */
export function Guide({ job }: { readonly job: string }) {
  const at = useSyncExternalStore(subscribe, read, () => OVER);
  const router = useRouter();
  const pathname = usePathname();
  if (at === OVER) return null;
  const steps = stepsOf(`/job/${encodeURIComponent(job)}`);
  const n = Math.min(steps.length - 1, Math.max(0, Number(at) || 0));
  const step = steps[n];
  if (step === undefined) return null;
  const go = (to: number) => {
    write(String(to));
    router.push(steps[to]?.path ?? pathname);
  };
  return (
    <Box
      component="section"
      aria-label="First steps"
      sx={{
        position: 'fixed',
        zIndex: 1200,
        right: { xs: 8, sm: 20 },
        bottom: { xs: 8, sm: 20 },
        width: pathname === step.path ? 'min(380px, calc(100vw - 16px))' : 'auto',
        p: pathname === step.path ? 2 : 1,
        bgcolor: 'background.paper',
        border: '2px solid',
        borderColor: 'secondary.main',
        borderRadius: 1,
        '@media print': { display: 'none' },
      }}
    >
      <Typography variant="quiet" color="text.secondary">
        First steps, {n + 1} of {steps.length}
      </Typography>
      {/* Away from the way it keeps small: somebody is at work there. */}
      {pathname === step.path ? (
        <>
          <Typography variant="h3">{step.title}</Typography>
          <Typography sx={{ my: 1 }}>{step.text}</Typography>
        </>
      ) : null}
      <Stack direction="row" sx={{ gap: 1 }}>
        {pathname !== step.path ? (
          <Button variant="contained" color="secondary" onClick={() => go(n)}>
            Show me
          </Button>
        ) : n + 1 < steps.length ? (
          <Button variant="contained" color="secondary" onClick={() => go(n + 1)}>
            Next
          </Button>
        ) : (
          <Button variant="contained" color="secondary" onClick={() => write(OVER)}>
            Done
          </Button>
        )}
        {n > 0 && pathname === step.path ? (
          <Button variant="outlined" onClick={() => go(n - 1)}>
            Back
          </Button>
        ) : null}
        <Button variant="text" onClick={() => write(OVER)}>
          Not again
        </Button>
      </Stack>
    </Box>
  );
}
