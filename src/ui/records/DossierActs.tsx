'use client';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMadeFile } from '../common/use-made-file';
import { Acts } from '../kit-of-parts/Acts';
import { Problems } from '../kit-of-parts/Problems';
import { Progress } from '../kit-of-parts/Progress';

interface Props {
  readonly job: string;
  readonly of: 'end' | 'crossing' | 'box' | 'job';
  /** Cable, crossing or box; empty for the job. */
  readonly name: string;
  readonly end?: string;
}

/** What is handed to an auditor: all of it on paper, or as a file that is checked elsewhere. */
export function DossierActs({ job, of, name, end = '' }: Props) {
  const file = useMadeFile();
  const base = `/api/job/${encodeURIComponent(job)}`;
  const called = [job, of, name, end].filter((part) => part !== '').join('-');
  const query = new URLSearchParams({ of, name, end }).toString();
  const print = () =>
    file.make({
      address: `${base}/dossier`,
      body: { of, name, end, paper: 'A4', origin: window.location.origin },
      of: 1,
      name: `${called.replace(/[^\w.-]/g, '_')}-dossier.pdf`,
      type: 'application/pdf',
      said: 'The dossier is made.',
    });
  return (
    <>
      <Acts label="Hand over">
        <Button variant="outlined" disabled={file.progress !== null} onClick={() => void print()}>
          Dossier as PDF
        </Button>
        <Button variant="text" href={`${base}/bundle?${query}`}>
          Record and photos, to check elsewhere (zip)
        </Button>
      </Acts>
      {file.progress ? (
        <div role="status">
          <Acts>
            <Progress label="Records" share={file.progress.done / Math.max(1, file.progress.of)} />
            {file.progress.done} of {file.progress.of}
            <Button variant="outlined" size="small" onClick={file.cancel}>
              Cancel
            </Button>
          </Acts>
        </div>
      ) : null}
      {file.said === '' ? null : (
        <Typography role="status" sx={{ my: 1, fontWeight: 650 }}>
          {file.said}
        </Typography>
      )}
      <Problems problems={file.problems} />
    </>
  );
}
