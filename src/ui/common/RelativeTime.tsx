'use client';
import { useSyncExternalStore } from 'react';
import Box from '@mui/material/Box';
import { clockNow } from './server-clock';

const MINUTE = 60_000;
const UNITS: readonly [Intl.RelativeTimeFormatUnit, number][] = [
  ['day', 24 * 60 * MINUTE],
  ['hour', 60 * MINUTE],
  ['minute', MINUTE],
];

let now = 0;
const subscribe = (listener: () => void) => {
  now = clockNow();
  const timer = setInterval(() => {
    now = clockNow();
    listener();
  }, MINUTE / 2);
  return () => clearInterval(timer);
};
const read = () => (now === 0 ? (now = clockNow()) : now);

function relative(at: number, from: number): string {
  const format = new Intl.RelativeTimeFormat('en', { numeric: 'auto' });
  for (const [unit, size] of UNITS) {
    if (Math.abs(from - at) >= size) return format.format(Math.round((at - from) / size), unit);
  }
  return 'just now';
}

/** A time both ways: absolute in UTC, which the server can print too, and how long ago once the page lives. */
export function RelativeTime({ at }: { readonly at: string }) {
  const from = useSyncExternalStore(subscribe, read, () => 0);
  const absolute = `${at.slice(0, 10)} ${at.slice(11, 16)}`;
  return (
    <time dateTime={at} suppressHydrationWarning>
      <Box component="span" sx={{ whiteSpace: 'nowrap' }}>
        {absolute}
      </Box>{' '}
      {from > 0 ? (
        <Box component="span" sx={{ fontSize: 12.5, whiteSpace: 'nowrap', color: 'text.secondary' }}>
          {relative(Date.parse(at), from)}
        </Box>
      ) : null}
    </time>
  );
}
