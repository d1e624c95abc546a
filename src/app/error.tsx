'use client';
import Button from '@mui/material/Button';
import { useEffect } from 'react';
import { TopBar } from '@/ui/shell/TopBar';
import styles from './page.module.css';

/** A bug, said plainly. What was saved before it is saved. */
export default function ErrorPage({
  error,
  reset,
}: {
  readonly error: Error & { digest?: string };
  readonly reset: () => void;
}) {
  useEffect(() => {
    // The digest is what ties this page to the server's log.
    document.title = 'Error · Amber Collar';
  }, []);
  return (
    <div className={styles.shell}>
      <TopBar job={null} />
      <main className={styles.notice} role="alert">
        <h1>This page has failed.</h1>
        <p>
          What was saved before is saved. The fault is ours
          {error.digest ? `; it is in the log as ${error.digest}` : ''}.
        </p>
        <p>
          <Button variant="contained" onClick={reset}>
            Try again
          </Button>
        </p>
      </main>
    </div>
  );
}
