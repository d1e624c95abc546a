'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import dynamic from 'next/dynamic';
import { useEffect, useRef, useState, type ChangeEvent } from 'react';
import visuallyHidden from '@mui/utils/visuallyHidden';
import type { Problem } from '@/core/kernel';
import { MOST_PHOTOS } from '@/core/photo';
import { Caution } from '../../kit-of-parts/Caution';
import { Problems } from '../../kit-of-parts/Problems';
import type { StoredPhoto } from '../../kept/kept-db';
import { PHOTO_FRAME } from '../../common/EventPhotos';
import { openChosen, type Chosen } from './make-photo';
import type { Photos } from './use-photos';

const PhotoMarks = dynamic(() => import('./PhotoMarks').then((m) => m.PhotoMarks), { ssr: false });

/** What is seen at a look, photographed: taken here or chosen, and drawn on. It goes into the record with the decision. */
export function PhotoStrip({ photos }: { readonly photos: Photos }) {
  const { all, cannot, add, remove } = photos;
  const [chosen, setChosen] = useState<Chosen | null>(null);
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const open = async (e: ChangeEvent<HTMLInputElement>) => {
    const [file] = e.target.files ?? [];
    // The same file once more is a choice too.
    e.target.value = '';
    if (file === undefined) return;
    const opened = await openChosen(file);
    setProblems(
      opened.ok ? [] : opened.problems.map((p) => ({ ...p, message: `${file.name} ${p.message}.` })),
    );
    if (opened.ok) setChosen(opened.value);
  };
  const full = all.length >= MOST_PHOTOS;
  return (
    <Box component="section" aria-label="Photos">
      <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: 1.5 }}>
        {all.map((photo, i) => (
          <Thumb key={photo.hash} photo={photo} name={`Photo ${i + 1}`} onRemove={() => remove(photo.hash)} />
        ))}
        {full ? null : (
          <>
            <Button component="label" role={undefined} tabIndex={-1} variant="outlined" sx={FOCUS}>
              Take a photo
              <input
                type="file"
                accept="image/*"
                capture="environment"
                style={visuallyHidden}
                onChange={(e) => void open(e)}
              />
            </Button>
            <Button component="label" role={undefined} tabIndex={-1} variant="outlined" sx={FOCUS}>
              Choose one
              <input
                type="file"
                accept="image/jpeg,image/png,image/webp"
                style={visuallyHidden}
                onChange={(e) => void open(e)}
              />
            </Button>
          </>
        )}
      </Box>
      <Problems problems={problems} />
      {cannot ? <Caution>This browser has no room for photos.</Caution> : null}
      {chosen ? (
        <PhotoMarks
          chosen={chosen}
          onClose={() => setChosen(null)}
          onKeep={(photo) => {
            add(photo);
            setChosen(null);
          }}
        />
      ) : null}
    </Box>
  );
}

interface ThumbProps {
  readonly photo: StoredPhoto;
  readonly name: string;
  readonly onRemove: () => void;
}

function Thumb({ photo, name, onRemove }: ThumbProps) {
  const image = useRef<HTMLImageElement>(null);
  const { bytes } = photo;
  useEffect(() => {
    const url = URL.createObjectURL(new Blob([bytes], { type: 'image/jpeg' }));
    if (image.current) image.current.src = url;
    return () => URL.revokeObjectURL(url);
  }, [bytes]);
  return (
    <Box component="figure" sx={{ display: 'grid', gap: 0.5, m: 0 }}>
      <Box component="img" ref={image} alt={name} sx={{ height: 92, minWidth: 60, ...PHOTO_FRAME }} />
      <Button size="small" variant="text" onClick={onRemove} aria-label={`Leave ${name} out`}>
        Leave out
      </Button>
    </Box>
  );
}

/** The field in it takes the focus; the button shows it. */
const FOCUS = { '&:focus-within': { outline: '3px solid', outlineOffset: 2 } } as const;
