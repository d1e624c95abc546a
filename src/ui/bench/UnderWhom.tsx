'use client';
import Stack from '@mui/material/Stack';
import { useState, type ReactNode } from 'react';
import type { Problem } from '@/core/kernel';
import { SUPERVISED_HOURS, type ChargeView } from '@/core/people';
import { useLook } from '../data/use-look';
import { PadField } from '../kit-of-parts/PadField';
import { Problems } from '../kit-of-parts/Problems';
import { Tile } from '../kit-of-parts/Tile';
import { atTheDoor } from '../people/door';
import { BenchButtons, BenchDetail, BenchPrimary, BenchStep, BenchTitle } from './parts';

interface Props {
  readonly job: string;
  /** The work, for whoever may do it. */
  readonly children: ReactNode;
}

/**
 * Before an apprentice works, somebody says that it is under them. Whoever works in their own name sees nothing of it. Without the server the work
 * goes on as it was when it was last heard; it judges what comes in.
 */
export function UnderWhom({ job, children }: Props) {
  const { view, reload } = useLook(['viewCharge', job]);
  if (view === null || !view.asks || view.under !== null) return <>{children}</>;
  return <Ask job={job} view={view} onSaid={reload} />;
}

interface AskProps {
  readonly job: string;
  readonly view: ChargeView;
  readonly onSaid: () => void;
}

function Ask({ job, view, onSaid }: AskProps) {
  const [to, setTo] = useState<string | null>(null);
  const [pin, setPin] = useState('');
  const [busy, setBusy] = useState(false);
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const say = async () => {
    if (to === null || pin === '') return;
    setBusy(true);
    const done = await atTheDoor('charge', { key: to, pin, given: { job } });
    setBusy(false);
    setPin('');
    if (done.ok) onSaid();
    else
      setProblems(
        done.problems.map((p) => (p.path === 'pin' ? { ...p, message: `The PIN ${p.message}.` } : p)),
      );
  };
  return (
    <BenchStep>
      <BenchTitle>Under whom do you work here?</BenchTitle>
      <BenchDetail>
        A fitter or an inspector of this job stays with you and answers for what you do. They say so with
        their PIN; it holds for {SUPERVISED_HOURS} hours and stands in the record of every step.
      </BenchDetail>
      {view.may.length === 0 ? (
        <BenchDetail>
          No fitter or inspector of this job has a PIN yet: each sets one under “My account”.
        </BenchDetail>
      ) : null}
      <Stack direction="row" role="group" aria-label="Under" sx={{ flexWrap: 'wrap', gap: 1 }}>
        {view.may.map((c) => (
          <Tile key={c.id} title={c.name} note="" picked={to === c.id} onPick={() => setTo(c.id)} />
        ))}
      </Stack>
      {to === null ? null : (
        <PadField
          name="supervisor-pin"
          label="Their PIN"
          kind="code"
          secret
          maxLength={8}
          value={pin}
          onChange={setPin}
          onEnter={() => void say()}
        />
      )}
      <Problems problems={problems} />
      <BenchButtons>
        <BenchPrimary onClick={() => void say()} disabled={busy || to === null || pin === ''}>
          {to === null ? 'Choose who' : pin === '' ? 'Type the PIN' : 'Under me'}
        </BenchPrimary>
      </BenchButtons>
    </BenchStep>
  );
}

/** Under whom the work here stands, for the head of the bench; nothing for whoever works in their own name. */
export function Under({ job }: { readonly job: string }) {
  const { view } = useLook(['viewCharge', job]);
  return view?.under ? <span>under {view.under.name}</span> : null;
}
