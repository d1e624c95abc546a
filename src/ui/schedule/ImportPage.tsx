'use client';
import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import { SCHEDULE_COLUMNS } from '@/core/schedule';
import { DataTable } from '../kit-of-parts/DataTable';
import { FileButton } from '../kit-of-parts/FileButton';
import { Problems } from '../kit-of-parts/Problems';
import { To } from '../kit-of-parts/To';
import { WHOLE_PLACE } from '../kit-of-parts/whole-place';
import { ImportPreview } from './ImportPreview';
import { useScheduleImport } from './use-schedule-import';

/** A file is judged row by row before anything is written; good rows are taken in, refused ones go back with their reasons. */
export function ImportPage({ job }: { readonly job: string }) {
  const { file, preview, problems, outcome, busy, judge, accept } = useScheduleImport(job);
  return (
    <Stack component="main" sx={WHOLE_PLACE}>
      <Typography variant="h1">Import a cable schedule</Typography>
      <Typography variant="lead">
        One row per cable, comma or semicolon separated, with a header. Columns: {SCHEDULE_COLUMNS.join(', ')}
        . Only cable and type must be there. Readings as in <q>caliper 30.2 mm @0 | wrap tape 95.7 mm</q>; a
        bare value is taken as a datasheet value.
      </Typography>
      <Drop name={file?.name ?? null} onFile={(chosen) => void judge(chosen)} />
      {file === null ? <Example /> : null}
      {busy ? <p role="status">Reading…</p> : null}
      <Problems problems={problems} />
      {outcome ? (
        <p role="status">
          <b>
            {outcome.added} added, {outcome.changed} changed, {outcome.refused} left out.
          </b>{' '}
          One undo takes all of it back.{' '}
          <To href={`/job/${encodeURIComponent(job)}/schedule`}>Open the schedule</To>
        </p>
      ) : null}
      {preview ? (
        <ImportPreview
          key={preview.hash}
          preview={preview}
          busy={busy}
          taken={outcome !== null}
          onAccept={() => void accept()}
        />
      ) : null}
    </Stack>
  );
}

interface DropProps {
  readonly name: string | null;
  readonly onFile: (file: File) => void;
}

const Drop = ({ name, onFile }: DropProps) => (
  <Box
    onDragOver={(e) => e.preventDefault()}
    onDrop={(e) => {
      e.preventDefault();
      const [dropped] = e.dataTransfer.files;
      if (dropped) onFile(dropped);
    }}
    sx={{
      p: 3.25,
      textAlign: 'center',
      bgcolor: 'background.paper',
      border: '2px dashed',
      borderColor: 'text.secondary',
      borderRadius: 1,
    }}
  >
    <Typography sx={{ mb: 1.5, color: 'text.secondary' }}>{name ?? 'Drop the file here, or'}</Typography>
    <FileButton label="Schedule file, CSV" accept=".csv,.txt,text/csv" onFile={onFile}>
      Choose a file
    </FileButton>
  </Box>
);

const EXAMPLE = [
  ['cable', 'type', 'route', 'a_enclosure', 'a_entry', 'a_tail', 'outer'],
  ['K-140', 'W4-10', '42,5 m', 'MCC-1', 'P15', '620', 'caliper 20.8 mm @0 | caliper 21 mm @90'],
  ['K-141', 'B4-4', '18 m', 'MCC-2', 'P14', '1 3/4 in', 'datasheet 14.6 mm ± 0.4'],
] as const;

/** What a good file looks like, before there is one. */
function Example() {
  const [head, ...body] = EXAMPLE;
  return (
    <DataTable sx={{ my: 2.5, color: 'text.secondary', '& td, & th': { whiteSpace: 'nowrap' } }}>
      <caption className="ac-visually-hidden">An example of a schedule file</caption>
      <TableHead>
        <TableRow>
          {head.map((c) => (
            <TableCell key={c}>{c}</TableCell>
          ))}
        </TableRow>
      </TableHead>
      <TableBody>
        {body.map((r) => (
          <TableRow key={r[0]}>
            {r.map((c, i) => (
              <TableCell key={head[i]}>{c}</TableCell>
            ))}
          </TableRow>
        ))}
      </TableBody>
    </DataTable>
  );
}
