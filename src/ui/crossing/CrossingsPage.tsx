'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { TextField } from '../kit-of-parts/TextField';
import Typography from '@mui/material/Typography';
import { Link } from '../kit-of-parts/Link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { capital } from '@/core/kernel';
import {
  CROSSING_KINDS,
  KINDS,
  type CrossingFill,
  type CrossingKindId,
  type CrossingLine,
} from '@/core/crossing';
import { trimNumber } from '@/core/units';
import { RecordFaults } from '../common/RecordFaults';
import { useSend } from '../data/use-send';
import { Acts } from '../kit-of-parts/Acts';
import { Choice } from '../kit-of-parts/Choice';
import { Empty } from '../kit-of-parts/Empty';
import { Place } from '../kit-of-parts/Place';
import { PlainList } from '../kit-of-parts/PlainList';
import { Problems } from '../kit-of-parts/Problems';
import { useRun } from '../termination/use-run';
import { StateWords } from './StateWords';
import { crossingPath } from './words';
import { For } from '../shell/may';

interface Props {
  readonly job: string;
  readonly lines: readonly CrossingLine[];
}

/** Every crossing of a job: how full, what is spare, how far it is. */
export function CrossingsPage({ job, lines }: Props) {
  return (
    <Place
      title="Crossings"
      lead="Where cables go through a wall or a deck: in transit frames, packed sleeves, plugs, or with a fire wrap round a stub."
    >
      {lines.length === 0 ? (
        <Empty>No crossing yet. Give the first one a name.</Empty>
      ) : (
        <PlainList>
          {lines.map((line) => (
            <Line key={line.name} job={job} line={line} />
          ))}
        </PlainList>
      )}
      <For what="addCrossing">
        <AddCrossing job={job} />
      </For>
    </Place>
  );
}

function Line({ job, line }: { readonly job: string; readonly line: CrossingLine }) {
  return (
    <Box component="li" sx={LINE}>
      <div>
        <Box
          component={Link}
          href={crossingPath(job, line.name)}
          sx={{
            color: 'inherit',
            textDecoration: 'none',
            fontSize: 17,
            '&:hover b': { color: 'var(--ac-amber-text)' },
          }}
        >
          <Box component="b" sx={{ display: 'block', fontSize: 24, fontStretch: '108%' }}>
            {line.name}
            <Box component="span" sx={{ ml: 1.5, fontSize: 15, fontWeight: 400, color: 'text.secondary' }}>
              {KINDS[line.kind].words}
            </Box>
          </Box>
          {line.place}
        </Box>
        <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: '2px 16px', color: 'text.secondary' }}>
          <StateWords state={line.state}>
            {line.state === 'building' ? `, ${line.done} of ${line.steps} steps` : ''}
          </StateWords>
          <span>
            {line.cables} {line.cables === 1 ? 'cable' : 'cables'}
          </span>
          {line.provisional ? (
            <Box component="b" sx={{ fontWeight: 600, color: 'warning.main' }}>
              provisional
            </Box>
          ) : null}
          <span>{line.brief}</span>
        </Box>
        <RecordFaults faults={line.faults} />
      </div>
      <Comes line={line} />
    </Box>
  );
}

/** What its plan comes to: how full its frames are, or whether a soft seal closes. */
function Comes({ line }: { readonly line: CrossingLine }) {
  if (line.fill !== null) return <Fill fill={line.fill} />;
  return (
    <Typography variant="lead">
      {line.verdict === null ? 'No plan yet.' : `${capital(line.verdict)}.`}
    </Typography>
  );
}

/** How many places of each size are taken, drawn. */
const Fill = ({ fill }: { readonly fill: CrossingFill }) => (
  <div role="group" aria-label={`${fill.taken} of ${fill.places} places taken`}>
    {fill.bySize.map((s) => (
      <Box key={`${s.size} ${s.corner}`} sx={FILL}>
        <Box component="b" sx={{ fontWeight: 600, textAlign: 'right' }}>
          {trimNumber(s.size, 1)}
          {s.corner ? ' corner' : ''}
        </Box>
        <Box sx={{ height: 12, bgcolor: 'var(--ac-track)' }}>
          <Box
            sx={{ height: '100%', bgcolor: 'text.primary' }}
            style={{ width: `${(s.taken / Math.max(1, s.taken + s.spare)) * 100}%` }}
          />
        </Box>
        <span>
          {s.taken} taken, {s.spare} spare
        </span>
      </Box>
    ))}
  </div>
);

function AddCrossing({ job }: { readonly job: string }) {
  const [name, setName] = useState('');
  const [kind, setKind] = useState<CrossingKindId>('frames');
  const send = useSend();
  const { run, busy, problems } = useRun();
  const router = useRouter();
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        void run(() => send('addCrossing', job, name, kind)).then(
          (r) => r.ok && router.push(crossingPath(job, r.value.name)),
        );
      }}
    >
      <Acts>
        <TextField
          label="Name of a new crossing"
          placeholder="W-1"
          value={name}
          onChange={(e) => setName(e.target.value)}
          slotProps={{ htmlInput: { maxLength: 40 } }}
          sx={{ width: 200 }}
        />
        <Choice
          label="Kind"
          value={kind}
          options={CROSSING_KINDS.map((k) => [k, KINDS[k].words] as const)}
          onChange={setKind}
          width={170}
        />
        <Button type="submit" variant="outlined" disabled={busy || name.trim() === ''}>
          Add a crossing
        </Button>
      </Acts>
      <Problems problems={problems} />
    </form>
  );
}

const LINE = {
  display: 'grid',
  gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 1fr) minmax(0, 1fr)' },
  alignItems: 'start',
  gap: '4px 40px',
  p: '12px 0 18px',
  borderTop: '2px solid',
  borderColor: 'text.primary',
} as const;
const FILL = {
  display: 'grid',
  gridTemplateColumns: '84px 1fr 150px',
  alignItems: 'center',
  gap: 1.25,
  fontSize: 14,
} as const;
