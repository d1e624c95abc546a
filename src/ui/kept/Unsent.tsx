'use client';
import Box from '@mui/material/Box';
import { useEffect } from 'react';
import { Link } from '../kit-of-parts/Link';
import { keepPages } from './keep-pages';
import type { StoredDeed } from './kept-db';
import { unsentWords } from './unsent-words';
import { useHeld, useInReach, useKept, useSender } from './use-kept';

/** What of a subject is kept on this device, in sight at every step; silent when nothing is. */
export function UnsentOf({ kept }: { readonly kept: readonly StoredDeed[] }) {
  const held = useHeld();
  const reached = useInReach();
  if (kept.length === 0)
    return reached ? null : (
      <Box component="b" role="status" sx={BADGE}>
        no server: work is kept here
      </Box>
    );
  const [first] = kept;
  const stuck = first !== undefined && held.has(first.key);
  return (
    <Box component={Link} href="/on-this-device" role="status" sx={BADGE}>
      {unsentWords(kept)}
      {stuck ? ': look' : reached ? '' : ', no server'}
    </Box>
  );
}

/** In the first line of every page: what this device has not sent. It is sent from here as well. */
export function UnsentEverywhere() {
  useSender();
  const kept = useKept();
  const held = useHeld();
  if (kept.length === 0) return null;
  return (
    <Box component={Link} href="/on-this-device" role="status" sx={BADGE}>
      {kept.length} not sent{held.size > 0 ? ': look' : ''}
    </Box>
  );
}

/** At a bench, which has no such line: sends what is kept, and has the browser keep the pages that work goes on with. */
export function Sender() {
  useSender();
  useEffect(() => {
    void keepPages();
  }, []);
  return null;
}

const BADGE = {
  flex: 'none',
  p: '6px 10px',
  borderRadius: 1,
  fontSize: 14,
  fontWeight: 700,
  color: 'secondary.contrastText',
  bgcolor: 'secondary.main',
  textDecoration: 'none',
  whiteSpace: 'nowrap',
} as const;
