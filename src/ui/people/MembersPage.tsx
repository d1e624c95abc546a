'use client';
import Button from '@mui/material/Button';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { ROLES, ROLE_WORDS, type MembersView, type Role } from '@/core/people';
import { useSend } from '../data/use-send';
import { useLook } from '../data/use-look';
import { Acts } from '../kit-of-parts/Acts';
import { DataTable } from '../kit-of-parts/DataTable';
import { Facts } from '../kit-of-parts/Facts';
import { Place } from '../kit-of-parts/Place';
import { Problems } from '../kit-of-parts/Problems';
import { Section } from '../kit-of-parts/Section';
import { TextField } from '../kit-of-parts/TextField';
import { useRun } from '../termination/use-run';
import { freshToken, invitationLink } from './invitation-link';
import { InvitationLink } from './InvitationLink';
import { Invitations } from './Invitations';
import { RoleChips } from './RoleChips';

interface Props {
  readonly job: string;
  readonly first: MembersView;
}

/** Who is what in a job; its administrators change it and invite. */
export function MembersPage({ job, first }: Props) {
  const view = useLook(['viewMembers', job]).view ?? first;
  const send = useSend();
  const { run, busy, problems } = useRun();
  const set = (id: string, roles: readonly Role[]) => void run(() => send('setMember', job, id, roles));
  return (
    <Place
      title="People"
      lead="Who is what in this job. What somebody has recorded stays theirs, whatever becomes of their roles."
    >
      <DataTable label="People of this job">
        <TableHead>
          <TableRow>
            <TableCell>Name</TableCell>
            <TableCell>Signs in as</TableCell>
            <TableCell>In this job</TableCell>
            <TableCell>PIN</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {view.members.map((m) => (
            <TableRow key={m.id}>
              <TableCell component="th" scope="row">
                {m.name}
                {m.blocked ? ' (shut out)' : ''}
              </TableCell>
              <TableCell>{m.username}</TableCell>
              <TableCell>
                {view.maySet ? (
                  <RoleChips
                    label={`Roles of ${m.name}`}
                    roles={m.roles}
                    disabled={busy}
                    onChange={(roles) => set(m.id, roles)}
                  />
                ) : (
                  m.roles.map((r) => ROLE_WORDS[r].name).join(', ')
                )}
              </TableCell>
              <TableCell>{m.hasPin ? 'set' : 'none'}</TableCell>
            </TableRow>
          ))}
        </TableBody>
      </DataTable>
      <Problems problems={problems} />
      {view.maySet ? (
        <>
          <Others others={view.others} busy={busy} onAdd={set} />
          <Invite job={job} />
          <Invitations
            invitations={view.invitations}
            busy={busy}
            onWithdraw={(id) => void run(() => send('withdrawInvitation', job, id), 'Taken back.')}
          />
        </>
      ) : (
        <Typography sx={{ mt: 2 }}>An administrator of the job says who is what in it.</Typography>
      )}
      <Section title="What each may do">
        <Facts facts={ROLES.map((r) => [ROLE_WORDS[r].name, ROLE_WORDS[r].may] as const)} />
      </Section>
    </Place>
  );
}

interface OthersProps {
  readonly others: MembersView['others'];
  readonly busy: boolean;
  readonly onAdd: (id: string, roles: readonly Role[]) => void;
}

/** People who can sign in already and are nothing in this job yet. */
function Others({ others, busy, onAdd }: OthersProps) {
  const [who, setWho] = useState('');
  const [roles, setRoles] = useState<readonly Role[]>([]);
  if (others.length === 0) return null;
  const found = others.find((o) => o.id === who);
  return (
    <Section title="Somebody who has an account">
      <Acts>
        <TextField
          select
          label="Who"
          value={who}
          onChange={(e) => setWho(e.target.value)}
          sx={{ minWidth: 200 }}
        >
          <option value="">Choose</option>
          {others.map((o) => (
            <option key={o.id} value={o.id}>
              {o.name}
            </option>
          ))}
        </TextField>
        <RoleChips label="As what they come" roles={roles} onChange={setRoles} />
        <Button
          variant="contained"
          disabled={busy || found === undefined || roles.length === 0}
          onClick={() => {
            onAdd(who, roles);
            setWho('');
            setRoles([]);
          }}
        >
          {found === undefined ? 'Choose who' : roles.length === 0 ? 'Choose as what' : `Add ${found.name}`}
        </Button>
      </Acts>
    </Section>
  );
}

function Invite({ job }: { readonly job: string }) {
  const send = useSend();
  const { run, busy, problems } = useRun();
  const [name, setName] = useState('');
  const [roles, setRoles] = useState<readonly Role[]>(['fitter']);
  const [made, setMade] = useState<{ readonly name: string; readonly link: string } | null>(null);
  const invite = async () => {
    const { token, hash } = freshToken();
    const done = await run(() => send('invite', job, name, roles, hash));
    if (!done.ok) return;
    setMade({ name: name.trim(), link: invitationLink(token) });
    setName('');
  };
  const ready = name.trim() !== '' && roles.length > 0;
  return (
    <Section title="Invite somebody">
      <Acts>
        <TextField
          label="Who"
          value={name}
          onChange={(e) => setName(e.target.value)}
          slotProps={{ htmlInput: { maxLength: 60 } }}
          sx={{ minWidth: 200 }}
        />
        <RoleChips label="As what they are invited" roles={roles} onChange={setRoles} />
        <Button variant="contained" color="secondary" disabled={busy || !ready} onClick={() => void invite()}>
          {name.trim() === ''
            ? 'Say who is meant'
            : roles.length === 0
              ? 'Choose as what'
              : 'Make the invitation'}
        </Button>
      </Acts>
      <Problems problems={problems} />
      {made ? <InvitationLink link={made.link} name={made.name} onClose={() => setMade(null)} /> : null}
    </Section>
  );
}
