'use client';
import Autocomplete from '@mui/material/Autocomplete';
import Box from '@mui/material/Box';
import Dialog from '@mui/material/Dialog';
import { usePathname, useRouter } from 'next/navigation';
import { useMemo } from 'react';
import { useLook } from '../data/use-look';
import { TextField } from '../kit-of-parts/TextField';
import { useActor } from '../shell/actor';
import { placesOf, productPlaces } from '../shell/places';
import { finds, jobOf, type Found } from './finds';

/** Everything that can be gone to, found by a few letters of it. */
export function CommandPalette({ onClose }: { readonly onClose: () => void }) {
  const router = useRouter();
  const job = jobOf(usePathname());
  const administrator = useActor()?.administrator ?? false;
  const places = useMemo(
    () => [...placesOf(job), productPlaces(job, administrator)].flatMap((g) => g.places),
    [job, administrator],
  );
  return (
    <Dialog
      open
      onClose={onClose}
      aria-label="Find"
      fullWidth
      maxWidth="sm"
      sx={{ '& .MuiDialog-container': { alignItems: 'flex-start' } }}
    >
      {job === null ? (
        <Search all={finds(places, null, [], [])} go={(href) => router.push(href)} onClose={onClose} />
      ) : (
        <InJob job={job} places={places} go={(href) => router.push(href)} onClose={onClose} />
      )}
    </Dialog>
  );
}

interface InJobProps {
  readonly job: string;
  readonly places: ReturnType<typeof placesOf>[number]['places'];
  readonly go: (href: string) => void;
  readonly onClose: () => void;
}

function InJob({ job, places, go, onClose }: InJobProps) {
  const ends = useLook(['viewSummaries', job]).view;
  const boxes = useLook(['viewBoxes', job]).view;
  const all = useMemo(() => finds(places, job, ends ?? [], boxes ?? []), [places, job, ends, boxes]);
  return <Search all={all} go={go} onClose={onClose} />;
}

const MOST_SHOWN = 40;

interface SearchProps {
  readonly all: readonly Found[];
  readonly go: (href: string) => void;
  readonly onClose: () => void;
}

function Search({ all, go, onClose }: SearchProps) {
  return (
    <Box sx={{ p: 2 }}>
      <Autocomplete
        open
        autoHighlight
        disablePortal
        clearOnBlur={false}
        options={all}
        getOptionLabel={(f) => f.name}
        getOptionKey={(f) => f.href}
        filterOptions={(options, { inputValue }) => {
          const words = inputValue.toLowerCase().split(/\s+/).filter(Boolean);
          return options
            .filter((f) => words.every((w) => `${f.name} ${f.note} ${f.group}`.toLowerCase().includes(w)))
            .slice(0, MOST_SHOWN);
        }}
        onChange={(_, found) => {
          if (found === null) return;
          onClose();
          go(found.href);
        }}
        slotProps={{ listbox: { sx: { maxHeight: '50vh' } } }}
        renderOption={({ key, ...props }, f) => (
          <Box component="li" key={key} {...props} sx={{ display: 'flex', gap: 1.5 }}>
            <b>{f.name}</b>
            <Box component="span" sx={{ color: 'text.secondary' }}>
              {[f.group === 'Places' ? 'place' : '', f.note].filter(Boolean).join(' · ')}
            </Box>
          </Box>
        )}
        renderInput={(params) => (
          <TextField
            id={params.id}
            fullWidth
            autoFocus
            placeholder="A place, a cable, a box, an action"
            slotProps={{
              input: { ref: params.slotProps.input.ref },
              htmlInput: {
                ...params.slotProps.htmlInput,
                'aria-label': 'Find a place, a cable, a box or an action',
              },
            }}
          />
        )}
      />
      {/* The list lies over what is below: room for it. */}
      <Box sx={{ height: '52vh' }} />
    </Box>
  );
}
