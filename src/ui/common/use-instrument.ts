'use client';
import { useState } from 'react';

const KEY = 'ac_instrument';

/** With what is measured here: remembered on this device until somebody takes another. */
export function useInstrument(): readonly [string, (text: string) => void] {
  const [name, setName] = useState(() =>
    typeof window === 'undefined' ? '' : (window.localStorage.getItem(KEY) ?? ''),
  );
  return [
    name,
    (text) => {
      setName(text);
      window.localStorage.setItem(KEY, text);
    },
  ];
}
