import Alert, { type AlertColor } from '@mui/material/Alert';
import type { ReactNode } from 'react';

type Tone = 'stop' | 'hold' | 'marginal';

const SEVERITY: Readonly<Record<Tone, AlertColor>> = { stop: 'error', hold: 'info', marginal: 'warning' };

/** One line where the hand is, with a bar so that it is seen without colour too. */
export function Caution({ children, tone = 'stop' }: { readonly children: ReactNode; readonly tone?: Tone }) {
  return (
    <Alert severity={SEVERITY[tone]} icon={false} role="note">
      {children}
    </Alert>
  );
}
