'use client';
import Button from '@mui/material/Button';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import { useSnackbar } from 'notistack';
import {
  passwordChangeSchema,
  pinFormSchema,
  SHORTEST_PASSWORD,
  WRONG_PINS,
  type MeView,
  type SessionView,
} from '@/core/people';
import { useChanged, useSend } from '../data/use-send';
import { useLook } from '../data/use-look';
import { DataTable } from '../kit-of-parts/DataTable';
import { Facts } from '../kit-of-parts/Facts';
import { Place } from '../kit-of-parts/Place';
import { Problems } from '../kit-of-parts/Problems';
import { Section } from '../kit-of-parts/Section';
import { useRun } from '../termination/use-run';
import { deviceWords } from './device-words';
import { FormField } from './FormField';
import { useDoorForm } from './use-door-form';

/** One's own account: what one is called, password, PIN, and where one is signed in. */
export function MePage({ first, session }: { readonly first: MeView; readonly session: string }) {
  const me = useLook(['viewMe']).view ?? first;
  return (
    <Place title="My account">
      <Section title="Who I am">
        <Facts
          facts={[
            ['Name in the record', me.name],
            ['Name to sign in by', me.username],
            ...(me.administrator ? [['Also', 'administrator of the whole application'] as const] : []),
          ]}
        />
      </Section>
      <PinSection hasPin={me.hasPin} />
      <PasswordSection />
      <SessionsSection sessions={me.sessions} session={session} />
    </Place>
  );
}

function PinSection({ hasPin }: { readonly hasPin: boolean }) {
  const changed = useChanged();
  const { enqueueSnackbar } = useSnackbar();
  const { control, submit, busy, problems } = useDoorForm({
    door: 'pin',
    schema: pinFormSchema,
    empty: { pin: '' },
    done: () => {
      enqueueSnackbar('This PIN opens a shared device for you from now on.', { variant: 'success' });
      changed();
    },
  });
  return (
    <Section title="PIN for a shared device">
      <Typography variant="lead">
        With it you take over a tablet on which a colleague is signed in. {WRONG_PINS} wrong ones lock it;
        your password opens it again.{' '}
        {hasPin ? 'You have one; another takes its place.' : 'You have none yet.'}
      </Typography>
      <form onSubmit={submit} noValidate style={{ maxWidth: 320 }}>
        <FormField
          control={control}
          name="pin"
          label="4 to 8 digits"
          type="password"
          autoComplete="off"
          numeric
        />
        <Problems problems={problems} />
        <Button type="submit" variant="contained" disabled={busy}>
          {hasPin ? 'Change my PIN' : 'Set my PIN'}
        </Button>
      </form>
    </Section>
  );
}

function PasswordSection() {
  const changed = useChanged();
  const { enqueueSnackbar } = useSnackbar();
  const { control, submit, busy, problems, reset } = useDoorForm({
    door: 'password',
    schema: passwordChangeSchema,
    empty: { current: '', password: '' },
    done: () => {
      enqueueSnackbar('Changed. Everywhere else you are signed out.', { variant: 'success' });
      reset();
      changed();
    },
  });
  return (
    <Section title="Password">
      <form onSubmit={submit} noValidate style={{ maxWidth: 420, paddingTop: 8 }}>
        <FormField
          control={control}
          name="current"
          label="The one until now"
          type="password"
          autoComplete="current-password"
        />
        <FormField
          control={control}
          name="password"
          label="The new one"
          type="password"
          help={`at least ${SHORTEST_PASSWORD} characters`}
          autoComplete="new-password"
        />
        <Problems problems={problems} />
        <Button type="submit" variant="contained" disabled={busy}>
          Change my password
        </Button>
      </form>
    </Section>
  );
}

interface SessionsProps {
  readonly sessions: readonly SessionView[];
  /** The one that looks. */
  readonly session: string;
}

function SessionsSection({ sessions, session }: SessionsProps) {
  const send = useSend();
  const { run, busy, problems } = useRun();
  const when = (iso: string) => new Date(iso).toLocaleString([], { dateStyle: 'medium', timeStyle: 'short' });
  return (
    <Section title="Where I am signed in">
      <DataTable label="Where I am signed in">
        <TableHead>
          <TableRow>
            <TableCell>Device</TableCell>
            <TableCell>Since</TableCell>
            <TableCell>Until</TableCell>
            <TableCell />
          </TableRow>
        </TableHead>
        <TableBody>
          {sessions.map((s) => (
            <TableRow key={s.id}>
              <TableCell>{deviceWords(s.device)}</TableCell>
              <TableCell>{when(s.since)}</TableCell>
              <TableCell>{when(s.until)}</TableCell>
              <TableCell>
                {s.id === session ? (
                  'here'
                ) : (
                  <Button
                    size="small"
                    variant="outlined"
                    disabled={busy}
                    onClick={() => void run(() => send('endMySessions', s.id, false), 'Signed out there.')}
                  >
                    Sign out there
                  </Button>
                )}
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </DataTable>
      <Problems problems={problems} />
      {sessions.length > 1 ? (
        <Button
          variant="outlined"
          disabled={busy}
          sx={{ mt: 1.5 }}
          onClick={() => void run(() => send('endMySessions', session, true), 'Signed out everywhere else.')}
        >
          Sign out everywhere but here
        </Button>
      ) : null}
    </Section>
  );
}
