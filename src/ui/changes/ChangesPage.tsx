'use client';
import { UndoRedo } from './UndoRedo';
import { DataTable } from '../kit-of-parts/DataTable';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Button from '@mui/material/Button';
import type { MovedOnLine } from '@/core/termination-view';
import { Problems } from '../kit-of-parts/Problems';
import { useLook } from '../data/use-look';
import { useSend } from '../data/use-send';
import { stationPath } from '../rack/summaries';
import { useRun } from '../termination/use-run';
import Typography from '@mui/material/Typography';
import { Way } from '../kit-of-parts/Way';
import { Place } from '../kit-of-parts/Place';
import { To } from '../kit-of-parts/To';
import { For } from '../shell/may';

interface Props {
  readonly job: string;
}

/** Ends whose plans do not stand on what is in force today: what making them again would do, at once where it undoes nothing, else one by one. */
export function ChangesPage({ job }: Props) {
  const { view: lines, problems, reload } = useLook(['viewMovedOn', job], { onReturn: false });
  const send = useSend();
  const { run, busy, problems: refused } = useRun();
  const free = (lines ?? []).filter((l) => l.restamp);
  const held = (lines ?? []).filter((l) => !l.restamp);
  return (
    <Place
      way={<Way from={[['Board', `/job/${encodeURIComponent(job)}/board`]]} here="Changes" />}
      title="Changes"
      acts={<UndoRedo job={job} running={{ run, busy }} />}
    >
      <Typography variant="lead" role="status">
        {lines === null ? 'Every plan that does not stand on today is made again in thought …' : lead(lines)}
      </Typography>
      <Problems problems={[...problems, ...refused]} />
      {problems.length > 0 ? (
        <Button variant="outlined" onClick={reload}>
          Try again
        </Button>
      ) : null}
      {held.length > 0 ? (
        <section aria-label="To be looked at one by one">
          <Typography variant="h2">To be looked at one by one</Typography>
          <Lines job={job} lines={held} />
        </section>
      ) : null}
      {free.length > 0 ? (
        <section aria-label="Can be made again at once">
          <Typography variant="h2">Can be made again at once</Typography>
          <Typography variant="lead">
            The size stays and nothing that was done has to be done again. The sheet that came with a gland
            leads: make a plan again only where that is the one in force.
          </Typography>
          <For what="restamp" said>
            <Button
              variant="contained"
              color="secondary"
              disabled={busy}
              onClick={() =>
                void run(
                  () =>
                    send(
                      'restamp',
                      job,
                      free.map((l) => l.tag),
                    ),
                  'Made again as one change: Undo takes it back where no work stands on it.',
                )
              }
            >
              Make {free.length === 1 ? 'this plan' : `these ${free.length} plans`} again
            </Button>
          </For>
          <Lines job={job} lines={free} />
        </section>
      ) : null}
    </Place>
  );
}

function lead(lines: readonly MovedOnLine[]): string {
  if (lines.length === 0) return 'Every plan of this job stands on what is in force today.';
  const sheets = lines.filter((l) => l.sheet !== null).length;
  const stale = lines.filter((l) => l.stale).length;
  return (
    [
      ...(stale > 0
        ? [`Under ${plans(stale)} a measurement, the place, the profile or a rule has changed`]
        : []),
      ...(sheets > 0
        ? [`${plans(sheets)} ${sheets === 1 ? 'stands' : 'stand'} on a sheet that has moved on`]
        : []),
    ].join('. ') + '.'
  );
}

const plans = (n: number): string => `${n} ${n === 1 ? 'plan' : 'plans'}`;

const SHOWN = 200;

function Lines({ job, lines }: { readonly job: string; readonly lines: readonly MovedOnLine[] }) {
  return (
    <>
      <DataTable sx={{ mt: 1.5, mb: 0.5, '& td:nth-of-type(-n + 3)': { whiteSpace: 'nowrap' } }}>
        <TableHead>
          <TableRow>
            <TableCell>End</TableCell>
            <TableCell>Size</TableCell>
            <TableCell>Why</TableCell>
            <TableCell>Made again</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {lines.slice(0, SHOWN).map((l) => (
            <TableRow key={l.tag}>
              <TableCell>
                <To href={stationPath(job, l.cable, l.end, 'choose')}>{l.tag}</To>
              </TableCell>
              <TableCell>{l.size}</TableCell>
              <TableCell>
                {l.sheet ? `sheet ${l.sheet.code}: ${l.sheet.from} → ${l.sheet.to}` : null}
                {l.sheet && l.stale ? '; ' : null}
                {l.stale ? 'stale' : null}
              </TableCell>
              <TableCell>{outcome(l)}</TableCell>
            </TableRow>
          ))}
        </TableBody>
      </DataTable>
      {lines.length > SHOWN ? <Typography variant="lead">and {lines.length - SHOWN} more</Typography> : null}
    </>
  );
}

function outcome({ refusal, redo, changed, signedBy }: MovedOnLine): string {
  if (refusal !== null) return `cannot be kept: ${refusal}`;
  const said = changed.length === 0 ? 'no decision changes' : changed.join('; ');
  if (redo === 0) return said;
  const signature = signedBy === null ? '' : `the signature of ${signedBy} goes, `;
  return `${signature}${redo} ${redo === 1 ? 'step' : 'steps'} to be done again; ${said}`;
}
