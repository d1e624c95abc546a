'use client';
import Stack from '@mui/material/Stack';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import { useEffect } from 'react';
import { needsAttention, type ProcessView, type RunningView } from '@/core/running';
import { RelativeTime } from '../common/RelativeTime';
import { useNow } from '../common/use-now';
import { useLook } from '../data/use-look';
import { Caution } from '../kit-of-parts/Caution';
import { DataTable } from '../kit-of-parts/DataTable';
import { Facts } from '../kit-of-parts/Facts';
import { Place } from '../kit-of-parts/Place';
import { Problems } from '../kit-of-parts/Problems';
import { Section } from '../kit-of-parts/Section';
import { attentionWords, bytesWords } from './words';

const AGAIN_MS = 15_000;

/** Processes, nodes and the last backup, and what of them needs somebody; for administrators of the whole application. */
export function RunningPage({ first }: { readonly first: RunningView }) {
  const { view, problems, reload } = useLook(['viewRunning']);
  useEffect(() => {
    const every = setInterval(reload, AGAIN_MS);
    return () => clearInterval(every);
  }, [reload]);
  const { processes, database, backup, heavy } = view ?? first;
  return (
    <Place
      title="What runs"
      lead="Processes of the application, the database, and when it was last put aside. Looked at again every 15 s."
    >
      <Problems problems={problems} />
      <Attentions view={view ?? first} />
      <Section title="Processes">
        <DataTable label="Processes">
          <TableHead>
            <TableRow>
              <TableCell>Machine, process</TableCell>
              <TableCell>Release, build</TableCell>
              <TableCell>Since</TableCell>
              {['Last heard of, s', 'Late by, ms', 'Memory, MB', 'Heavy work', 'Pages that follow'].map(
                (name) => (
                  <TableCell key={name} align="right">
                    {name}
                  </TableCell>
                ),
              )}
            </TableRow>
          </TableHead>
          <TableBody>
            {processes.map((p) => (
              <ProcessLine key={p.id} of={p} />
            ))}
          </TableBody>
        </DataTable>
        {processes.length === 0 ? (
          <Typography variant="quiet">No process has said that it is there within ten minutes.</Typography>
        ) : null}
      </Section>
      <Section title="Database">
        <Facts
          facts={[
            ['Release', database.engine],
            ['Node that answers', database.node],
            ['Heavy work of all processes', `${heavy.held} of ${heavy.of} places taken`],
            ...(database.cluster === null
              ? [['Cluster', 'stands alone: when this machine goes, nothing is written'] as const]
              : ([
                  ['State', database.cluster.state],
                  ['Nodes together', database.cluster.size],
                  ['Where', database.cluster.addresses.join(', ')],
                  [
                    'Write sets that wait',
                    `${database.cluster.receiveQueue} to apply, ${database.cluster.sendQueue} to send`,
                  ],
                  ['Held back', `${(database.cluster.heldBack * 100).toFixed(1)} % of its time`],
                ] as const)),
          ]}
        />
      </Section>
      <Section title="Last backup">
        {backup === null ? (
          <Typography variant="quiet">There is none.</Typography>
        ) : (
          <Facts
            facts={[
              ['Ended', <RelativeTime key="ended" at={backup.endedAt} />],
              ['Took', `${((Date.parse(backup.endedAt) - Date.parse(backup.beganAt)) / 1000).toFixed(0)} s`],
              ['Size', bytesWords(backup.bytes)],
              ['Of', backup.node],
              ['Lies in', backup.place],
            ]}
          />
        )}
      </Section>
    </Place>
  );
}

function Attentions({ view }: { readonly view: RunningView }) {
  const now = useNow();
  // By the server's clock, which is known once the page lives.
  if (now === null) return null;
  const found = needsAttention(view, now);
  return found.length === 0 ? (
    <Typography sx={{ mb: 1.5 }}>All of it is as it should be.</Typography>
  ) : (
    <Stack sx={{ gap: 1, mb: 2 }}>
      {found.map((a) => (
        <Caution key={attentionWords(a)} tone={a.code === 'not-ready' ? 'stop' : 'marginal'}>
          {attentionWords(a)}
        </Caution>
      ))}
    </Stack>
  );
}

const ProcessLine = ({ of }: { readonly of: ProcessView }) => (
  <TableRow>
    <TableCell component="th" scope="row">
      {of.host} {of.pid}
    </TableCell>
    <TableCell>
      {of.version} {of.build.slice(0, 8)}
    </TableCell>
    <TableCell>
      <RelativeTime at={of.startedAt} />
    </TableCell>
    <TableCell align="right">{of.quietSeconds.toFixed(0)}</TableCell>
    <TableCell align="right">{of.lagMs}</TableCell>
    <TableCell align="right">{of.memoryMb}</TableCell>
    <TableCell align="right">
      {of.heavyRunning}
      {of.heavyWaiting > 0 ? `, ${of.heavyWaiting} waiting` : ''}
    </TableCell>
    <TableCell align="right">{of.followers}</TableCell>
  </TableRow>
);
