'use client';
import { useState } from 'react';

interface Touched<V> {
  readonly text: string;
  readonly seen: string;
  readonly version: V;
}

/**
 * A field that follows the server until a hand touches it. From then on it keeps what that hand saw, and the version of it: whatever comes
 * from the server meanwhile must not be overwritten as if it had been seen.
 */
export function useTyped<V>(shown: string, version: V) {
  const [touched, setTouched] = useState<Touched<V> | null>(null);
  return {
    text: touched?.text ?? shown,
    /** Differs from what the hand saw. */
    dirty: touched !== null && touched.text.trim() !== touched.seen,
    version: touched?.version ?? version,
    type: (text: string) =>
      setTouched((before) => ({
        text,
        seen: before?.seen ?? shown,
        version: before?.version ?? version,
      })),
    /** Follows the server again: it was saved, or left. */
    follow: () => setTouched(null),
  };
}
