'use client';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { lostPasswordSchema, ROLE_WORDS, type Role } from '@/core/people';
import type { Problem } from '@/core/kernel';
import { Problems } from '../kit-of-parts/Problems';
import { To } from '../kit-of-parts/To';
import { atTheDoor, startAfresh } from './door';
import { Entrance } from './Entrance';
import { FormField } from './FormField';
import { NewPersonForm } from './NewPersonForm';
import { useDoorForm } from './use-door-form';

interface Props {
  readonly token: string;
  /** Null when it does not hold any more. */
  readonly invitation: {
    readonly name: string;
    readonly job: string | null;
    readonly roles: readonly Role[];
    readonly administrator: boolean;
    /** They have an account, and lost its password. */
    readonly back: boolean;
  } | null;
  /** Who is signed in on this device already. */
  readonly me: string | null;
}

/** An invitation, opened by its link or its code. */
export function InvitationPage({ token, invitation, me }: Props) {
  if (invitation === null)
    return (
      <Entrance
        title="This invitation does not hold"
        lead="It was taken up, taken back, or is older than a week. Ask whoever sent it for another."
      >
        <To href="/sign-in">Sign in</To>
      </Entrance>
    );
  const { roles, job, administrator, name, back } = invitation;
  if (back) return <Back token={token} name={name} />;
  const as = administrator
    ? 'administrator of the whole application'
    : roles.map((r) => ROLE_WORDS[r].name.toLowerCase()).join(' and ');
  return (
    <Entrance
      title={`Welcome, ${name}`}
      lead={`You are asked to come as ${as}${job === null ? '' : `, to the job ${job}`}.`}
    >
      {me === null ? (
        <>
          <NewPersonForm
            door="invitation"
            name={name}
            secret={() => token}
            submitWords="Come in"
            done={() => startAfresh('/')}
          />
          <Typography variant="quiet" component="p" sx={{ mt: 3, color: 'text.secondary' }}>
            You have an account here already? <To href={`/sign-in?to=/invitation/${token}`}>Sign in first</To>
            : the invitation is added to it.
          </Typography>
        </>
      ) : (
        <TakeAs token={token} me={me} />
      )}
    </Entrance>
  );
}

function Back({ token, name }: { readonly token: string; readonly name: string }) {
  const { control, submit, busy, problems } = useDoorForm({
    door: 'invitation',
    schema: lostPasswordSchema,
    empty: { password: '' },
    key: () => token,
    done: () => startAfresh('/'),
  });
  return (
    <Entrance title={`${name}, choose another password`} lead="The old one opens nothing any more, anywhere.">
      <form onSubmit={submit} noValidate>
        <FormField
          control={control}
          name="password"
          label="Password"
          type="password"
          autoComplete="new-password"
          autoFocus
        />
        <Problems problems={problems} />
        <Button type="submit" variant="contained" color="secondary" disabled={busy}>
          Choose it
        </Button>
      </form>
    </Entrance>
  );
}

function TakeAs({ token, me }: { readonly token: string; readonly me: string }) {
  const [busy, setBusy] = useState(false);
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const take = async () => {
    setBusy(true);
    const done = await atTheDoor('invitation', { key: token });
    setBusy(false);
    if (done.ok) startAfresh('/');
    else setProblems(done.problems);
  };
  return (
    <>
      <Problems problems={problems} />
      <Button variant="contained" color="secondary" disabled={busy} onClick={() => void take()}>
        Take it up as {me}
      </Button>
    </>
  );
}
