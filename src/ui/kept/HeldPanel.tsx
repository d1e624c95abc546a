'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQueryClient } from '@tanstack/react-query';
import { useState, type ReactNode } from 'react';
import { deedAt } from '@/core/kept-work';
import type { Problem } from '@/core/kernel';
import { eventTitle, type EventView } from '@/core/record';
import { Acts } from '../kit-of-parts/Acts';
import { Caution } from '../kit-of-parts/Caution';
import { Problems } from '../kit-of-parts/Problems';
import { TextField } from '../kit-of-parts/TextField';
import type { StoredDeed } from './kept-db';
import { forget, release, settleHeld, type Held } from './sender';

interface Props {
  /** As it is called. */
  readonly name: string;
  readonly held: Held;
  readonly deeds: readonly StoredDeed[];
}

const clock = (iso: string): string =>
  new Date(iso).toLocaleString('en-GB', {
    day: '2-digit',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
  });

/** What a device kept and the record does not simply take: both sides, and what can be decided. Nothing is merged by itself. */
export function HeldPanel(props: Props) {
  const { name, held } = props;
  switch (held.kind) {
    case 'other':
      return (
        <Caution tone="hold">
          {name}: this was done by {held.by}. It is sent when {held.by} works at this device again; nobody
          sends it in another name.
        </Caution>
      );
    case 'refused':
      return <RefusedReading {...props} message={held.message} />;
    default:
      return <Settle {...props} held={held} />;
  }
}

function RefusedReading({ name, deeds, message }: Props & { readonly message: string }) {
  const [first] = deeds;
  return (
    <Box component="section" aria-label={`${name}: a reading is refused`} sx={FRAME}>
      <Caution>
        {name}: the reading does not go in: {message}.
      </Caution>
      <Acts>
        <Button variant="outlined" onClick={() => first && release(first.key)}>
          Try again
        </Button>
        <Button variant="outlined" onClick={() => first && void forget(first.key, first.n)}>
          Forget this reading
        </Button>
      </Acts>
    </Box>
  );
}

type Open = Exclude<Held, { readonly kind: 'other' | 'refused' }>;

function Settle({ name, held, deeds }: Props & { readonly held: Open }) {
  const client = useQueryClient();
  const [reason, setReason] = useState('');
  const [busy, setBusy] = useState(false);
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const [first] = deeds;
  const conflict = held.kind === 'conflict' ? held.conflict : null;
  const work = deeds.filter((d) => d.deed.kind === 'work');
  const settle = (stands: 'record' | 'device') => {
    if (first === undefined) return;
    setBusy(true);
    void settleHeld(client, first.key, { stands, reason, seen: held.seen })
      .then(setProblems)
      .finally(() => setBusy(false));
  };
  const ready = reason.trim().length >= 4 && !busy;
  return (
    <Box component="section" aria-label={`${name}: decide what stands`} sx={FRAME}>
      <Typography variant="h2">
        {conflict === null ? `${name}: a step does not go in` : `${name} went on without this device`}
      </Typography>
      <Caution tone="hold">
        {conflict === null
          ? `${held.kind === 'stopped' ? held.message : ''}. What was kept before it is in the record; it and what follows are not.`
          : conflict.planChanged
            ? 'Its plan was made again meanwhile. Look at the end itself before you decide which work is on it.'
            : 'Others recorded work that this device did not know of. Look at the end itself before you decide which work is on it.'}
      </Caution>
      <Box sx={SIDES}>
        {conflict === null ? null : (
          <Side title="In the record meanwhile">
            {conflict.theirs.length === 0 ? <li>No work: only the plan is another one.</li> : null}
            {conflict.theirs.map((e) => (
              <Theirs key={e.id} event={e} />
            ))}
          </Side>
        )}
        <Side title="Kept on this device">
          {deeds.map((d) => (
            <li key={d.n}>
              <b>{d.title}</b>
              <br />
              {d.person.name}, {clock(deedAt(d.deed))}
            </li>
          ))}
        </Side>
      </Box>
      <TextField
        name="why"
        label="Why: it stands in the record"
        value={reason}
        onChange={(e) => setReason(e.target.value)}
        helperText={ready ? undefined : 'Say why first.'}
        slotProps={{ htmlInput: { maxLength: 400 } }}
      />
      <Problems problems={problems} />
      <Acts>
        {conflict === null ? (
          <Button variant="outlined" onClick={() => first && release(first.key)} disabled={busy}>
            Try again
          </Button>
        ) : (
          <Button variant="outlined" onClick={() => settle('device')} disabled={!ready || work.length === 0}>
            This device stands: take theirs back
          </Button>
        )}
        <Button variant="outlined" onClick={() => settle('record')} disabled={!ready || work.length === 0}>
          The record stands: leave {work.length === 1 ? 'this step' : `these ${work.length} steps`} out
        </Button>
      </Acts>
    </Box>
  );
}

const NO_TITLES: ReadonlyMap<string, string> = new Map();

const Theirs = ({ event }: { readonly event: EventView }) => (
  <li>
    <b>{eventTitle(event, NO_TITLES)}</b>
    <br />
    {event.actor}, {clock(event.kept === null ? event.receivedAt : event.at)}
  </li>
);

const Side = ({ title, children }: { readonly title: string; readonly children: ReactNode }) => (
  <section aria-label={title}>
    <Typography variant="h3" sx={{ fontSize: 15 }}>
      {title}
    </Typography>
    <Box component="ol" sx={{ m: 0, pl: 3, maxHeight: 340, overflowY: 'auto' }}>
      {children}
    </Box>
  </section>
);

const FRAME = {
  display: 'flex',
  flexDirection: 'column',
  gap: 1.5,
  p: '14px 16px',
  border: '2px solid',
  borderColor: 'info.main',
  borderRadius: 1,
} as const;
const SIDES = {
  display: 'grid',
  gridTemplateColumns: 'repeat(auto-fit, minmax(min(260px, 100%), 1fr))',
  gap: 2,
} as const;
