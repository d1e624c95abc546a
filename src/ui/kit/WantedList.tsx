'use client';
import Button from '@mui/material/Button';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import type { WantedView } from '@/core/termination-view';
import { useLook } from '../data/use-look';
import { Acts } from '../kit-of-parts/Acts';
import { DataTable } from '../kit-of-parts/DataTable';
import { Problems } from '../kit-of-parts/Problems';
import { Section } from '../kit-of-parts/Section';
import { To } from '../kit-of-parts/To';

/** Ends for which the catalogue has nothing: what to ask a supplier for, end by end. */
export function WantedList({ job }: { readonly job: string }) {
  const { view, problems } = useLook(['viewWanted', job], { onReturn: false });
  if (view === null) return <Problems problems={problems} />;
  if (view.length === 0) return null;
  const base = `/job/${encodeURIComponent(job)}`;
  return (
    <Section title="To be asked for: nothing in the catalogue fits">
      <Acts>
        <Button
          size="small"
          variant="outlined"
          href={`/api${base}/kit/wanted`}
          sx={{ '@media print': { display: 'none' } }}
        >
          Save as CSV
        </Button>
        <Typography variant="quiet" color="text.secondary">
          One piece for each end. The supplier’s own sheet and certificate decide.
        </Typography>
      </Acts>
      <DataTable label="To be asked for" sx={{ width: '100%' }}>
        <TableHead>
          <TableRow>
            <TableCell>End</TableCell>
            <TableCell>It has to take</TableCell>
            <TableCell>Nearest, and what would help</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {view.map((w) => (
            <Line key={w.tag} base={base} wanted={w} />
          ))}
        </TableBody>
      </DataTable>
    </Section>
  );
}

function Line({
  base,
  wanted: { tag, area, needs, nearest },
}: {
  readonly base: string;
  readonly wanted: WantedView;
}) {
  const at = tag.lastIndexOf('/');
  return (
    <TableRow>
      <TableCell sx={{ verticalAlign: 'top' }}>
        <To href={`${base}/t/${encodeURIComponent(tag.slice(0, at))}/${tag.slice(at + 1)}/choose`}>{tag}</To>
        <Typography variant="quiet" component="div" color="text.secondary">
          {area}
        </Typography>
      </TableCell>
      <TableCell sx={{ verticalAlign: 'top' }}>
        {needs.map(([what, figure]) => (
          <div key={what}>
            {what}: <b>{figure}</b>
          </div>
        ))}
      </TableCell>
      <TableCell sx={{ verticalAlign: 'top' }}>
        {nearest === null ? (
          'no size comes near'
        ) : (
          <>
            <b>{nearest.size}</b>: {nearest.reasons.join('; ')}
            {nearest.remedies.map((r) => (
              <div key={r}>→ {r}</div>
            ))}
          </>
        )}
      </TableCell>
    </TableRow>
  );
}
