'use client';
import Button from '@mui/material/Button';
import { useMadeFile } from '../common/use-made-file';
import { Acts } from '../kit-of-parts/Acts';
import { Making } from '../kit-of-parts/Making';

/** All of a job in one file, signed, to be kept for as long as somebody may ask. */
export function ArchiveActs({ job }: { readonly job: string }) {
  const file = useMadeFile();
  return (
    <>
      <Acts>
        <Button
          variant="outlined"
          disabled={file.progress !== null}
          onClick={() =>
            void file.make({
              address: `/api/job/${encodeURIComponent(job)}/archive`,
              body: { origin: window.location.origin },
              of: 1,
              name: `${job.replace(/[^\w.-]/g, '_')}-archive.zip`,
              type: 'application/zip',
              said: 'The archive is made.',
            })
          }
        >
          Save the archive of the job
        </Button>
      </Acts>
      <Making label="Archive" work={file} />
    </>
  );
}
