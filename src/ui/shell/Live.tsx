'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useLive } from '../data/use-live';

const clock = (at: number): string =>
  new Date(at).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit', second: '2-digit' });

/** Says when somebody else has changed what is shown, and when this page hears of nothing any more. Silent otherwise. */
export function Live({ job, readAt }: { readonly job: string; readonly readAt: number }) {
  const { newer, awaySince, show } = useLive(job, readAt);
  if (!newer && awaySince === null) return null;
  return (
    <Box role="status" sx={BAND} data-live={awaySince === null ? 'newer' : 'away'}>
      {awaySince === null ? (
        <>
          <span>Somebody else has changed this since it was shown.</span>
          <Button variant="outlined" size="small" onClick={show}>
            Show it as it is now
          </Button>
        </>
      ) : (
        <span>
          Nothing is heard from the server since {clock(awaySince)}: what stands here may be behind. It
          catches up by itself.
        </span>
      )}
    </Box>
  );
}

const BAND = {
  display: 'flex',
  flexWrap: 'wrap',
  alignItems: 'center',
  gap: '6px 14px',
  px: 2,
  py: 0.75,
  borderBottom: '2px solid',
  borderColor: 'warning.main',
  bgcolor: 'background.paper',
  fontWeight: 600,
} as const;
