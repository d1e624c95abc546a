'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import MuiLink from '@mui/material/Link';
import type { ReactNode } from 'react';
import { subjectKey } from '@/core/kept-work';
import { replay, type SubjectRef } from '@/core/record';
import { RelativeTime } from '../common/RelativeTime';
import { Caution } from '../kit-of-parts/Caution';
import { DataTable } from '../kit-of-parts/DataTable';
import { Empty } from '../kit-of-parts/Empty';
import { Place } from '../kit-of-parts/Place';
import { Section } from '../kit-of-parts/Section';
import { PHONE_BAR } from '../shell/widths';
import { TopBar } from '../shell/TopBar';
import { HeldPanel } from './HeldPanel';
import type { Along, StoredDeed } from './kept-db';
import { benchPath, subjectName } from './subject-words';
import { unsentWords } from './unsent-words';
import { useAllAlong, type AllAlong } from './use-all-along';
import { useHeld, useInReach, useKept } from './use-kept';

/** What is kept in this browser: work that the server has not got, and the ends that go on without one. `at` is the address it is shown at. */
export function OnThisDevice({ at }: { readonly at: string }) {
  const kept = useKept();
  const reached = useInReach();
  const along = useAllAlong();
  const asked = at !== '/on-this-device';
  return (
    <Stack sx={{ height: '100dvh' }}>
      <TopBar job={null} />
      <Place
        title="On this device"
        lead={
          asked
            ? 'There is no server, and this page needs one. What is with this device goes on.'
            : 'What this browser keeps: it is here on this device only until the server has it.'
        }
      >
        {along.cannot ? (
          <Caution>This browser keeps nothing. Nothing can be done here without a server.</Caution>
        ) : null}
        {reached ? null : (
          <Caution tone="hold">The server does not answer. It is asked again by itself.</Caution>
        )}
        <Box sx={{ mt: 2 }}>
          <NotSent kept={kept} />
        </Box>
        <WithYou along={along} kept={kept} />
      </Place>
    </Stack>
  );
}

function groupsOf(kept: readonly StoredDeed[]): readonly (readonly StoredDeed[])[] {
  const groups = new Map<string, StoredDeed[]>();
  for (const deed of kept) groups.set(deed.key, [...(groups.get(deed.key) ?? []), deed]);
  return [...groups.values()];
}

function NotSent({ kept }: { readonly kept: readonly StoredDeed[] }) {
  const held = useHeld();
  if (kept.length === 0)
    return (
      <Section title="Not sent">
        <Typography>Nothing: the server has all that was done here.</Typography>
      </Section>
    );
  return (
    <Section title={unsentWords(kept)} label="Not sent">
      {groupsOf(kept).map((deeds) => {
        const [first] = deeds;
        if (first === undefined) return null;
        const name = subjectName(first.subject);
        const stuck = held.get(first.key);
        return stuck === undefined ? (
          <Typography key={first.key} sx={{ my: 1 }}>
            <ToBench subject={first.subject}>{name}</ToBench>: {deeds.length} by {first.person.name}, the last
            “{deeds[deeds.length - 1]?.title}”
          </Typography>
        ) : (
          <HeldPanel key={first.key} name={name} held={stuck} deeds={deeds} />
        );
      })}
    </Section>
  );
}

function WithYou({ along, kept }: { readonly along: AllAlong; readonly kept: readonly StoredDeed[] }) {
  const { all, leave } = along;
  if (all === null) return null;
  if (all.length === 0)
    return (
      <Section title="With you">
        <Empty>
          Nothing is with this device. Whatever is opened at the bench comes along by itself; more is taken
          along from the board of a job.
        </Empty>
      </Section>
    );
  const unsent = new Set(kept.map((d) => d.key));
  const free = all.filter((a) => !unsent.has(a.key));
  return (
    <Section title={`With you: ${all.length}`} label="With you">
      <DataTable label="What goes on without a server">
        <TableHead>
          <TableRow>
            <TableCell>Bench</TableCell>
            <TableCell sx={ROOM}>Job</TableCell>
            <TableCell>Comes next, as last seen</TableCell>
            <TableCell>Seen</TableCell>
            <TableCell sx={ROOM}>For</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {all.map((a) => (
            <TableRow key={a.key}>
              <TableCell sx={{ whiteSpace: 'nowrap' }}>
                <ToBench subject={a.subject}>
                  <b>{subjectName(a.subject)}</b>
                </ToBench>
              </TableCell>
              <TableCell sx={ROOM}>{jobName(a)}</TableCell>
              <TableCell>{nextWords(a)}</TableCell>
              <TableCell>
                <RelativeTime at={new Date(a.seenAt).toISOString()} />
              </TableCell>
              <TableCell sx={ROOM}>{a.person.name}</TableCell>
            </TableRow>
          ))}
        </TableBody>
      </DataTable>
      <Button variant="outlined" sx={{ mt: 2 }} onClick={() => leave(free.map((a) => subjectKey(a.subject)))}>
        Leave {free.length === all.length ? 'all of it' : `the ${free.length} without unsent work`} here
      </Button>
    </Section>
  );
}

/** Columns that a phone has no room for. */
const ROOM = { [PHONE_BAR]: { display: 'none' } } as const;

/** A whole page anew: where there is no server, the device has it. */
const ToBench = ({ subject, children }: { readonly subject: SubjectRef; readonly children: ReactNode }) => (
  <MuiLink href={benchPath(subject)}>{children}</MuiLink>
);

const jobName = (along: Along): string =>
  along.subject.kind === 'termination' && 'tag' in along.view ? along.view.job.name : along.subject.job;

/** What came next when it was seen last. */
function nextWords({ view }: Along): string {
  if (view.steps.length === 0) return 'no steps yet';
  return replay(view.steps, view.acts).next?.title ?? 'every step is done';
}
