import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import type { JobChoicePlan, tally } from '@/core/job-choice';
import type { JobChoiceView } from '@/core/termination-view';
import { trimNumber } from '@/core/units';
import { Acts } from '../kit-of-parts/Acts';
import { DataTable } from '../kit-of-parts/DataTable';
import { PlainList } from '../kit-of-parts/PlainList';
import { TagLink } from './TagLink';
import { For } from '../shell/may';

export type Tally = ReturnType<typeof tally>;
export const marginWords = (mm: number | null): string => (mm === null ? '–' : `${trimNumber(mm, 2)} mm`);

interface Props {
  readonly job: string;
  readonly view: JobChoiceView;
  readonly plan: JobChoicePlan;
  readonly seconds: number;
  readonly now: Tally;
  readonly busy: boolean;
  readonly onTake: () => void;
  readonly onLeave: () => void;
}

/** The fewest part numbers beside what is planned now, what would change, and whether it is proven. */
export function JobAnswer({ job, view, plan, seconds, now, busy, onTake, onLeave }: Props) {
  const before = new Map(view.before.map((p) => [p.tag, p.part]));
  const changed = plan.picks.filter((p) => before.get(p.tag) !== p.part);
  const code = (part: string | undefined) => (part === undefined ? '–' : (view.sizes[part] ?? part));
  const counts = new Map<string, number>();
  for (const p of plan.picks) counts.set(p.part, (counts.get(p.part) ?? 0) + 1);
  return (
    <section aria-label="Answer">
      <Typography variant="h2" sx={{ mt: 1.75, mb: 1, fontSize: 21 }}>
        {plan.parts} part numbers for {plan.picks.length} terminations,{' '}
        {plan.status === 'optimal'
          ? 'proven to be the fewest.'
          : `at most ${plan.parts - plan.partsBound} above the proven bound of ${plan.partsBound}.`}
      </Typography>
      <DataTable sx={{ '& td, & thead th:not(:first-of-type)': { minWidth: 110, textAlign: 'right' } }}>
        <TableHead>
          <TableRow>
            <TableCell scope="col" />
            <TableCell scope="col">planned now</TableCell>
            <TableCell scope="col">this choice</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {(
            [
              ['Terminations', view.before.length, plan.picks.length],
              ['Gland part numbers', now.parts, plan.parts],
              ['Adaptors', now.adaptors, plan.adaptors],
              ['Worst margin', marginWords(now.worstMarginMm), marginWords(plan.worstMarginMm)],
            ] as const
          ).map(([title, a, b]) => (
            <TableRow key={title}>
              <TableCell component="th" scope="row">
                {title}
              </TableCell>
              <TableCell>{a}</TableCell>
              <TableCell>
                <b>{b}</b>
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </DataTable>
      <PartBars counts={counts} code={code} />
      <Acts>
        <For what="acceptJobChoice" said>
          <Button
            variant="contained"
            color="secondary"
            disabled={busy || changed.length === 0}
            onClick={onTake}
          >
            {changed.length === 0 ? 'Planned like this already' : `Plan these ${changed.length} changes`}
          </Button>
        </For>
        <Button variant="outlined" disabled={busy} onClick={onLeave}>
          Leave it as it is
        </Button>
        <Typography component="span" variant="quiet">
          worked out in {trimNumber(seconds, 1)} s
        </Typography>
      </Acts>
      {changed.length === 0 ? null : (
        <DataTable>
          <TableHead>
            <TableRow>
              <TableCell scope="col">Termination</TableCell>
              <TableCell scope="col">now</TableCell>
              <TableCell scope="col">then</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {changed.map((p) => (
              <TableRow key={p.tag}>
                <TableCell component="th" scope="row">
                  <TagLink job={job} tag={p.tag} />
                </TableCell>
                <TableCell>{code(before.get(p.tag))}</TableCell>
                <TableCell>
                  <b>{code(p.part)}</b>
                </TableCell>
              </TableRow>
            ))}
          </TableBody>
        </DataTable>
      )}
    </section>
  );
}

interface PartBarsProps {
  readonly counts: ReadonlyMap<string, number>;
  readonly code: (part: string) => string;
}

/** How many terminations each part number serves. */
function PartBars({ counts, code }: PartBarsProps) {
  const most = Math.max(1, ...counts.values());
  return (
    <PlainList label="Terminations by part number">
      {[...counts]
        .sort((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1))
        .map(([part, n]) => (
          <Box component="li" key={part} sx={BAR}>
            <b>{code(part)}</b>
            <Box sx={{ height: 12, bgcolor: 'text.primary' }} style={{ width: `${(n / most) * 100}%` }} />
            <Box component="span" sx={{ textAlign: 'right' }}>
              {n}
            </Box>
          </Box>
        ))}
    </PlainList>
  );
}

const BAR = {
  display: 'grid',
  gridTemplateColumns: '92px minmax(0, 1fr) 28px',
  alignItems: 'center',
  gap: 1.5,
  maxWidth: 520,
  height: 26,
  fontSize: 14,
} as const;
