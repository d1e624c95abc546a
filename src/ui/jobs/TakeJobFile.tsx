'use client';
import { useRouter } from 'next/navigation';
import { useSend } from '../data/use-send';
import { FileButton } from '../kit-of-parts/FileButton';
import { Problems } from '../kit-of-parts/Problems';
import { useRun } from '../termination/use-run';

/** A whole job from its file. */
export function TakeJobFile() {
  const router = useRouter();
  const send = useSend();
  const { run, busy, problems } = useRun();
  const take = async (file: File) => {
    const done = await run(async () => send('importJob', await file.text()), 'The job has been taken in.');
    if (done.ok) router.push(`/job/${encodeURIComponent(done.value.slug)}/board`);
  };
  return (
    <>
      <FileButton
        label="Job file"
        accept=".json,application/json"
        disabled={busy}
        onFile={(f) => void take(f)}
      >
        Take in a job file
      </FileButton>
      <Problems problems={problems} />
    </>
  );
}
