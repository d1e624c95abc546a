'use client';
import Box from '@mui/material/Box';
import { useEffect } from 'react';
import { PHONE_BAR } from '../shell/widths';
import { Link } from '../kit-of-parts/Link';
import { PHONE } from '../bench/parts';
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
        no server
        <Box component="span" sx={WIDE}>
          : work is kept here
        </Box>
      </Box>
    );
  const [first] = kept;
  const stuck = first !== undefined && held.has(first.key);
  return (
    <Box component={Link} href="/on-this-device" role="status" sx={BADGE}>
      {kept.length} not sent
      <Box component="span" sx={WIDE}>
        {unsentWords(kept).replace(/^\d+ not sent/, '')}
      </Box>
      {stuck ? ': look' : ''}
      <Box component="span" sx={WIDE}>
        {stuck || reached ? '' : ', no server'}
      </Box>
    </Box>
  );
}

/** In the first line of every page, on a phone in a line of its own: what this device has not sent. */
export function UnsentEverywhere({ own }: { readonly own: boolean }) {
  const kept = useKept();
  const held = useHeld();
  if (kept.length === 0) return null;
  return (
    <Box
      component={Link}
      href="/on-this-device"
      role="status"
      sx={own ? { ...BADGE, ...LINE } : { ...BADGE, ...CHIP }}
    >
      {kept.length} not sent{held.size > 0 ? ': look' : ''}
    </Box>
  );
}

/** Sends what is kept wherever somebody is. */
export function SenderEverywhere() {
  useSender();
  return null;
}

/** At a bench, which has no such line: sends what is kept, and has the browser keep the pages that work goes on with. */
export function Sender() {
  useSender();
  useEffect(() => {
    void keepPages();
  }, []);
  return null;
}

/** Of what a phone has no room for. */
const WIDE = { [PHONE]: { display: 'none' } } as const;

const BADGE = {
  flex: 'none',
  p: '6px 10px',
  borderRadius: 1,
  fontSize: 14,
  [PHONE]: { p: '6px 7px', fontSize: 13 },
  fontWeight: 700,
  color: 'secondary.contrastText',
  bgcolor: 'secondary.main',
  textDecoration: 'none',
  whiteSpace: 'nowrap',
} as const;
const CHIP = { [PHONE_BAR]: { display: 'none' } } as const;
const LINE = {
  display: 'none',
  borderRadius: 0,
  textAlign: 'center',
  [PHONE_BAR]: { display: 'block' },
} as const;
