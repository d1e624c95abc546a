'use client';
import Button from '@mui/material/Button';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import { ROLE_WORDS, type InvitationView } from '@/core/people';
import { DataTable } from '../kit-of-parts/DataTable';
import { Section } from '../kit-of-parts/Section';

interface Props {
  readonly invitations: readonly InvitationView[];
  readonly busy: boolean;
  readonly onWithdraw: (id: number) => void;
}

/** Who is asked to come and has not come yet. */
export function Invitations({ invitations, busy, onWithdraw }: Props) {
  if (invitations.length === 0) return null;
  return (
    <Section title="Invited, not come yet">
      <DataTable label="Invitations that are open">
        <TableBody>
          {invitations.map((i) => (
            <TableRow key={i.id}>
              <TableCell component="th" scope="row">
                {i.name}
              </TableCell>
              <TableCell>
                {i.administrator
                  ? 'administrator'
                  : i.roles.length === 0
                    ? 'another password'
                    : i.roles.map((r) => ROLE_WORDS[r].name).join(', ')}
              </TableCell>
              <TableCell>by {i.invitedBy}</TableCell>
              <TableCell>
                until {new Date(i.expiresAt).toLocaleDateString([], { dateStyle: 'medium' })}
              </TableCell>
              <TableCell>
                <Button
                  size="small"
                  variant="outlined"
                  disabled={busy}
                  aria-label={`Take back: ${i.name}`}
                  onClick={() => onWithdraw(i.id)}
                >
                  Take back
                </Button>
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </DataTable>
    </Section>
  );
}
