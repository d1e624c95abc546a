import Box from '@mui/material/Box';
import { photosOf, type EventView } from '@/core/record';

/** The photos of an event, small; each opens by itself. */
export function EventPhotos({ job, event }: { readonly job: string; readonly event: EventView }) {
  const photos = photosOf(event);
  if (photos.length === 0) return null;
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, my: 0.5 }}>
      {photos.map((hash, i) => {
        const address = `/api/job/${encodeURIComponent(job)}/photo/${hash}`;
        return (
          <a key={hash} href={address} target="_blank" rel="noreferrer">
            <Box
              component="img"
              src={address}
              loading="lazy"
              alt={`Photo ${i + 1} of ${photos.length}, ${hash.slice(0, 8)}`}
              sx={{ display: 'block', height: 72, ...PHOTO_FRAME }}
            />
          </a>
        );
      })}
    </Box>
  );
}

export const PHOTO_FRAME = { border: '2px solid', borderColor: 'divider', borderRadius: 1 } as const;
