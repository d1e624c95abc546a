'use client';
import Button from '@mui/material/Button';
import { useMadeFile } from '../common/use-made-file';
import { Acts } from '../kit-of-parts/Acts';
import { Making } from '../kit-of-parts/Making';

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
      <Making label="Records" work={file} />
    </>
  );
}
