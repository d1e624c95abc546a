'use client';
import Box from '@mui/material/Box';
import Link from '@mui/material/Link';
import Typography from '@mui/material/Typography';
import { Acts } from '../kit-of-parts/Acts';
import { PlainList } from '../kit-of-parts/PlainList';
import { FileButton } from '../kit-of-parts/FileButton';
import Button from '@mui/material/Button';
import { useState } from 'react';
import type { FrameView } from '@/core/crossing';
import type { FramePlan } from '@/core/frame-packing';
import type { Problem } from '@/core/kernel';
import { placed } from './words';
import { Problems } from '../kit-of-parts/Problems';
import { look } from '../data/send';

const FILES = [
  ['crossing.pdf', 'Face views, rows and parts', 'PDF'],
  ['front.svg', 'Front to scale', 'SVG'],
  ['back.svg', 'Back to scale', 'SVG'],
  ['front.dxf', 'Front to scale', 'DXF'],
  ['back.dxf', 'Back to scale', 'DXF'],
  ['places.csv', 'Table of places', 'CSV'],
] as const;

/** What is wrong with a file, behind the line and the column that it stands in. */
const inFile = (p: Problem): Problem => (p.path === '' ? p : { ...p, message: `${p.path}: ${p.message}` });

/** The plan in force as files, and a frame that stands read from a table of places. */
export function FilesPanel({
  view,
  onRead,
  onAsBuilt,
  busy,
}: {
  readonly view: FrameView;
  readonly onRead: (plan: FramePlan) => void;
  readonly onAsBuilt: (() => void) | null;
  readonly busy: boolean;
}) {
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const [said, setSaid] = useState('');
  const base = `/api/job/${encodeURIComponent(view.job)}/crossing/${encodeURIComponent(view.name)}`;
  const read = async (file: File) => {
    setSaid('');
    const ref = { job: view.job, crossing: view.name };
    const made = await look(['previewPlaces', ref, await file.text()]);
    if (!made.ok) {
      setProblems(made.problems.map(inFile));
      return;
    }
    setProblems(made.value.violations.map(placed));
    setSaid(
      made.value.violations.length === 0
        ? `${file.name} keeps every rule. It is on the screen now; record it as built below.`
        : `${file.name} breaks ${made.value.violations.length} rules. It is on the screen, and cannot be recorded until they are kept.`,
    );
    onRead(made.value.plan);
  };
  return (
    <Box sx={{ mt: 1.5 }}>
      {view.plans.length > 0 ? (
        <PlainList ruled>
          {FILES.map(([file, title, format]) => (
            <Box component="li" key={file} sx={{ display: 'flex', justifyContent: 'space-between' }}>
              <Link href={`${base}/${file}`} download aria-label={`${title}, ${format}`}>
                {title}
              </Link>
              <Typography component="small" variant="quiet">
                {format}
              </Typography>
            </Box>
          ))}
        </PlainList>
      ) : (
        <Typography variant="lead">Files come with the first plan.</Typography>
      )}
      <Typography variant="h3" sx={{ mt: 2 }}>
        As built
      </Typography>
      <Typography variant="lead">
        What was built otherwise is recorded: move the cables in the face view, or read a table of places. The
        columns are those of the table above; peel and gap are worked out anew.
      </Typography>
      <Acts>
        <FileButton label="table of places" accept=".csv,text/csv" onFile={(file) => void read(file)}>
          Read a table of places
        </FileButton>
        <Button
          variant="contained"
          color="secondary"
          disabled={busy || onAsBuilt === null}
          onClick={() => onAsBuilt?.()}
        >
          Record as built
        </Button>
      </Acts>
      {said ? <p role="status">{said}</p> : null}
      <Problems problems={problems} />
    </Box>
  );
}
