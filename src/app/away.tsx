'use client';
import { useRouter } from 'next/navigation';
import { useEffect } from 'react';
import styles from './page.module.css';

const RETRY_MS = 3000;

/** Shown while the database is away; looks again by itself until it is back. */
export function Away() {
  const router = useRouter();
  useEffect(() => {
    const timer = setInterval(() => router.refresh(), RETRY_MS);
    return () => clearInterval(timer);
  }, [router]);
  return (
    <main className={styles.notice} role="alert">
      <h1>The database does not answer.</h1>
      <p>
        What was saved is safe, and nothing has been lost here. This page looks again every three seconds and
        comes back by itself.
      </p>
      <p>If it lasts: is the database server running, and does DATABASE_URL point to it?</p>
    </main>
  );
}
