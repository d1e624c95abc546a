import Button from '@mui/material/Button';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import type { Problem } from '@/core/kernel';
import type { ProfileChange } from '@/core/termination-view';
import { Acts } from '../kit-of-parts/Acts';
import { DataTable } from '../kit-of-parts/DataTable';
import { Panel } from '../kit-of-parts/Panel';
import { Problems } from '../kit-of-parts/Problems';
import { To } from '../kit-of-parts/To';
import { stationPath } from '../rack/summaries';
import { For } from '../shell/may';

interface Props {
  readonly job: string;
  /** Null while the job is being judged. */
  readonly changes: readonly ProfileChange[] | null;
  /** Every figure is one. */
  readonly holds: boolean;
  readonly problems: readonly Problem[];
  readonly busy: boolean;
  readonly onKeep: () => void;
  readonly onLeave: () => void;
}

const isSame = (c: ProfileChange): boolean =>
  c.before.answer === c.after.answer && c.before.barrier === c.after.barrier && c.planFate !== 'lost';

/** What another profile would change, before anybody works by it. */
export function ProfileChanges({ job, changes, holds, problems, busy, onKeep, onLeave }: Props) {
  const others = (changes ?? []).filter((c) => !isSame(c));
  const same = (changes ?? []).filter(isSame);
  return (
    <Panel label="What would change" live>
      <Typography variant="h2" sx={{ fontSize: 18, my: 1 }}>
        {headline(changes, holds && problems.length === 0)}
      </Typography>
      <Problems problems={problems} />
      {others.length > 0 ? <Others job={job} changes={others} /> : null}
      {same.length > 0 ? (
        <Typography variant="quiet" sx={{ my: 1 }}>
          Plans to be restamped with the same answer: {same.map((c) => c.tag).join(', ')}.
        </Typography>
      ) : null}
      <Acts>
        <For what="setProfile" said>
          <Button
            variant="contained"
            color="secondary"
            disabled={busy || !holds || changes === null}
            onClick={onKeep}
          >
            Judge the job by this
          </Button>
        </For>
        <Button variant="outlined" disabled={busy} onClick={onLeave}>
          Leave it as it is
        </Button>
      </Acts>
    </Panel>
  );
}

function headline(changes: readonly ProfileChange[] | null, holds: boolean): string {
  if (!holds) return 'These figures cannot be judged by.';
  if (changes === null) return 'Judging every termination …';
  if (changes.length === 0) return 'Nothing would change at any termination.';
  const other = changes.filter((c) => !isSame(c)).length;
  const lost = changes.filter((c) => c.planFate === 'lost').length;
  const more = lost === 0 ? '' : `; ${lost} planned ${lost === 1 ? 'size does' : 'sizes do'} not do any more`;
  if (other === 0) return 'No answer would change.';
  return `${other} ${other === 1 ? 'termination gets' : 'terminations get'} another answer${more}.`;
}

interface OthersProps {
  readonly job: string;
  readonly changes: readonly ProfileChange[];
}

const Others = ({ job, changes }: OthersProps) => (
  <DataTable sx={{ width: '100%', '& td, & th': { fontSize: 13 }, '& th': { whiteSpace: 'nowrap' } }}>
    <TableHead>
      <TableRow>
        {['Termination', 'Barrier', 'now', 'then', 'Planned'].map((head) => (
          <TableCell key={head} scope="col">
            {head}
          </TableCell>
        ))}
      </TableRow>
    </TableHead>
    <TableBody>
      {changes.map((c) => (
        <Line key={c.tag} job={job} change={c} />
      ))}
    </TableBody>
  </DataTable>
);

function Line({ job, change: c }: { readonly job: string; readonly change: ProfileChange }) {
  const [cable = '', end = 'A'] = c.tag.split('/');
  const lost = c.planFate === 'lost';
  return (
    <TableRow>
      <TableCell component="th" scope="row">
        <To href={stationPath(job, cable, end === 'B' ? 'B' : 'A', 'choose')}>{c.tag}</To>
      </TableCell>
      <TableCell>
        {c.before.barrier === c.after.barrier ? c.after.barrier : `${c.before.barrier} → ${c.after.barrier}`}
      </TableCell>
      <TableCell sx={{ color: 'text.secondary' }}>
        {c.before.answer === c.after.answer ? 'the same' : c.before.answer}
      </TableCell>
      <TableCell>{c.after.answer}</TableCell>
      <TableCell sx={lost ? { color: 'error.main', fontWeight: 650 } : {}}>
        {c.size === null ? '–' : lost ? `${c.size}: not any more` : c.size}
      </TableCell>
    </TableRow>
  );
}
