'use client';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { DEMO_PASSWORD, ROLES, ROLE_WORDS, signInSchema, type Role } from '@/core/people';
import type { Problem } from '@/core/kernel';
import { Problems } from '../kit-of-parts/Problems';
import { Tile } from '../kit-of-parts/Tile';
import { atTheDoor, startAfresh } from './door';
import { Entrance } from './Entrance';
import { FormField } from './FormField';
import { useDoorForm } from './use-door-form';

interface Props {
  /** Where somebody was on their way to. */
  readonly to: string;
  readonly demo: boolean;
}

/** Name and password; in the demo one press for each role. */
export function SignInPage({ to, demo }: Props) {
  const { control, submit, busy, problems } = useDoorForm({
    door: 'sign-in',
    schema: signInSchema,
    empty: { username: '', password: '' },
    done: () => startAfresh(to),
  });
  return (
    <Entrance
      title="Sign in"
      lead="What is measured, held and signed stands in the record under your name. You stay signed in for one shift."
    >
      {demo ? <DemoPeople to={to} /> : null}
      <form onSubmit={submit} noValidate>
        <FormField
          control={control}
          name="username"
          label="Name you sign in by"
          autoComplete="username"
          autoFocus={!demo}
        />
        <FormField
          control={control}
          name="password"
          label="Password"
          type="password"
          autoComplete="current-password"
        />
        <Problems problems={problems} />
        <Button type="submit" variant="contained" color="secondary" disabled={busy}>
          Sign in
        </Button>
      </form>
      <Typography variant="quiet" component="p" sx={{ mt: 3, color: 'text.secondary' }}>
        No account yet? Whoever sets up your job invites you with a link or a code. Password forgotten? An
        administrator sends you a link under which you choose another.
      </Typography>
    </Entrance>
  );
}

function DemoPeople({ to }: { readonly to: string }) {
  const [busy, setBusy] = useState(false);
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const be = async (role: Role) => {
    setBusy(true);
    const done = await atTheDoor('sign-in', { given: { username: role, password: DEMO_PASSWORD } });
    if (done.ok) startAfresh(to);
    else {
      setBusy(false);
      setProblems(done.problems);
    }
  };
  return (
    <Stack component="section" aria-label="People of the demo" sx={{ gap: 1, mb: 3 }}>
      <Typography>
        This is the demo, the invented Quillmere distillery. Press as whom you look around; their password is{' '}
        <b>{DEMO_PASSWORD}</b>.
      </Typography>
      <Stack direction="row" sx={{ flexWrap: 'wrap', gap: 1 }}>
        {ROLES.map((role) => (
          <Tile
            key={role}
            title={ROLE_WORDS[role].name}
            note={ROLE_WORDS[role].may}
            picked={false}
            disabled={busy}
            onPick={() => void be(role)}
          />
        ))}
      </Stack>
      <Problems problems={problems} />
    </Stack>
  );
}
