'use client';
import Button from '@mui/material/Button';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { useState } from 'react';
import { MADE_FOR, madeFor, readEntries, readHole, withMadeFor } from '@/core/boxes';
import type { Problem } from '@/core/kernel';
import type { Entry } from '@/core/schedule';
import type { BoxView } from '@/core/termination-view';
import { readNumber } from '../common/read-number';
import { useSend } from '../data/use-send';
import { Acts } from '../kit-of-parts/Acts';
import { Choice } from '../kit-of-parts/Choice';
import { DataTable } from '../kit-of-parts/DataTable';
import { Problems } from '../kit-of-parts/Problems';
import { Section } from '../kit-of-parts/Section';
import { TextField } from '../kit-of-parts/TextField';
import { To } from '../kit-of-parts/To';
import { stationPath } from '../rack/summaries';
import { useRun } from '../termination/use-run';
import { For } from '../shell/may';

interface Props {
  readonly job: string;
  readonly box: BoxView;
}

const MADE_FOR_WORDS = new Map(MADE_FOR);

/** Every hole with its thread, its wall, and who has it; and more of them in a line. */
export function Entries({ job, box }: Props) {
  const send = useSend();
  const { run, busy, problems } = useRun();
  const [editing, setEditing] = useState<string | null>(null);
  return (
    <Section title={`Entries, ${box.entries.filter((e) => e.holder === null).length} free`}>
      {box.entries.length === 0 ? null : (
        <DataTable label={`Entries of ${box.box.tag}`}>
          <TableHead>
            <TableRow>
              <TableCell>Entry</TableCell>
              <TableCell>Hole</TableCell>
              <TableCell>Made for</TableCell>
              <TableCell>Wall</TableCell>
              <TableCell>Chamfer</TableCell>
              <TableCell>Taken by</TableCell>
              <TableCell />
            </TableRow>
          </TableHead>
          <TableBody>
            {box.entries.map((e) =>
              editing === e.entry.label ? (
                <EditEntry
                  key={e.id}
                  entry={e.entry}
                  busy={busy}
                  onClose={() => setEditing(null)}
                  onKeep={(entry) =>
                    void run(
                      () => send('setEntry', job, box.box.tag, entry.label, e.version, entry),
                      'Kept.',
                    ).then((done) => {
                      if (done.ok) setEditing(null);
                    })
                  }
                />
              ) : (
                <TableRow key={e.id}>
                  <TableCell component="th" scope="row">
                    {e.entry.label}
                  </TableCell>
                  <TableCell>{e.hole}</TableCell>
                  <TableCell>{MADE_FOR_WORDS.get(madeFor(e.entry))}</TableCell>
                  <TableCell>{e.entry.wallMm} mm</TableCell>
                  <TableCell>{e.entry.chamferMm} mm</TableCell>
                  <TableCell>
                    {e.holder === null ? (
                      'free: a blank plug'
                    ) : (
                      <To href={stationPath(job, e.holder.slice(0, -2), e.holder.slice(-1), 'choose')}>
                        {e.holder}
                      </To>
                    )}
                  </TableCell>
                  <TableCell>
                    <For what="setEntry">
                      <Acts tight>
                        <Button
                          size="small"
                          variant="outlined"
                          aria-label={`Change ${e.entry.label}`}
                          onClick={() => setEditing(e.entry.label)}
                        >
                          Change
                        </Button>
                        {e.holder === null ? (
                          <Button
                            size="small"
                            variant="outlined"
                            disabled={busy}
                            aria-label={`Take out ${e.entry.label}`}
                            onClick={() =>
                              void run(
                                () => send('takeOutBox', job, box.box.tag, e.version, e.entry.label),
                                `${e.entry.label} is taken out.`,
                              )
                            }
                          >
                            Take out
                          </Button>
                        ) : null}
                      </Acts>
                    </For>
                  </TableCell>
                </TableRow>
              ),
            )}
          </TableBody>
        </DataTable>
      )}
      <Problems problems={problems} />
      <For what="addEntries">
        <MoreEntries job={job} box={box} />
      </For>
    </Section>
  );
}

function MoreEntries({ job, box }: Props) {
  const send = useSend();
  const { run, busy, problems } = useRun();
  const last = box.entries[box.entries.length - 1]?.entry;
  const [holes, setHoles] = useState('');
  const [wall, setWall] = useState(String(last?.wallMm ?? 2));
  const [chamfer, setChamfer] = useState(String(last?.chamferMm ?? 0));
  const [unread, setUnread] = useState<readonly Problem[]>([]);
  const add = async () => {
    const [wallMm, chamferMm] = [readNumber(wall), readNumber(chamfer)];
    if (Number.isNaN(wallMm) || Number.isNaN(chamferMm)) {
      setUnread([{ path: 'wall', message: 'The wall and its chamfer are numbers of mm.' }]);
      return;
    }
    const read = readEntries(holes, { wallMm, chamferMm }, new Set(box.entries.map((e) => e.entry.label)));
    setUnread(read.ok ? [] : read.problems);
    if (!read.ok) return;
    const done = await run(
      () => send('addEntries', job, box.box.tag, read.value),
      `${read.value.length} more.`,
    );
    if (done.ok) setHoles('');
  };
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        void add();
      }}
    >
      <Acts top>
        <TextField
          label="More entries"
          value={holes}
          onChange={(e) => setHoles(e.target.value)}
          placeholder="E1–E12 M20; C1 hole 20.5"
          sx={{ width: 300 }}
        />
        <TextField
          label="Wall, mm"
          value={wall}
          onChange={(e) => setWall(e.target.value)}
          sx={{ width: 100 }}
        />
        <TextField
          label="Chamfer, mm"
          value={chamfer}
          onChange={(e) => setChamfer(e.target.value)}
          sx={{ width: 120 }}
        />
        <Button type="submit" variant="contained" disabled={busy || holes.trim() === ''}>
          Add them
        </Button>
      </Acts>
      <Problems problems={[...unread, ...problems]} />
    </form>
  );
}

interface EditProps {
  readonly entry: Entry;
  readonly busy: boolean;
  readonly onKeep: (entry: Entry) => void;
  readonly onClose: () => void;
}

const holeText = ({ thread, holeMm }: Entry): string =>
  thread === null
    ? `hole ${holeMm ?? ''}`
    : thread.form === 'metric'
      ? `${thread.size}x${thread.pitchMm}`
      : `${thread.size} NPT`;

function EditEntry({ entry, busy, onKeep, onClose }: EditProps) {
  const [hole, setHole] = useState(holeText(entry));
  const [made, setMade] = useState(madeFor(entry));
  const [wall, setWall] = useState(String(entry.wallMm));
  const [chamfer, setChamfer] = useState(String(entry.chamferMm));
  const [wrong, setWrong] = useState<readonly Problem[]>([]);
  const keep = () => {
    const read = readHole(hole);
    const [wallMm, chamferMm] = [readNumber(wall), readNumber(chamfer)];
    if (!read.ok) setWrong(read.problems);
    else if (Number.isNaN(wallMm) || Number.isNaN(chamferMm))
      setWrong([{ path: 'wall', message: 'The wall and its chamfer are numbers of mm.' }]);
    else onKeep(withMadeFor({ ...entry, ...read.value, wallMm, chamferMm }, made));
  };
  const named = (what: string) => ({ htmlInput: { 'aria-label': `${what} of ${entry.label}` } });
  return (
    <TableRow>
      <TableCell component="th" scope="row">
        {entry.label}
      </TableCell>
      <TableCell>
        <TextField
          value={hole}
          onChange={(e) => setHole(e.target.value)}
          slotProps={named('Hole')}
          sx={{ width: 140 }}
          autoFocus
        />
      </TableCell>
      <TableCell>
        <Choice
          label={`${entry.label} is made for`}
          options={MADE_FOR}
          value={made}
          onChange={setMade}
          width={220}
        />
      </TableCell>
      <TableCell>
        <TextField
          value={wall}
          onChange={(e) => setWall(e.target.value)}
          slotProps={named('Wall')}
          sx={{ width: 90 }}
        />
      </TableCell>
      <TableCell>
        <TextField
          value={chamfer}
          onChange={(e) => setChamfer(e.target.value)}
          slotProps={named('Chamfer')}
          sx={{ width: 90 }}
        />
      </TableCell>
      <TableCell colSpan={2}>
        <Acts tight>
          <Button size="small" variant="contained" disabled={busy} onClick={keep}>
            Keep
          </Button>
          <Button size="small" variant="outlined" onClick={onClose}>
            Leave it
          </Button>
        </Acts>
        <Problems problems={wrong} />
      </TableCell>
    </TableRow>
  );
}
