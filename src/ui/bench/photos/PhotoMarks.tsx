'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import { useEffect, useRef, useState, type PointerEvent } from 'react';
import type { Problem } from '@/core/kernel';
import { Acts } from '../../kit-of-parts/Acts';
import { Problems } from '../../kit-of-parts/Problems';
import { makePhoto, paint, type Chosen, type Stroke } from './make-photo';

interface Props {
  readonly chosen: Chosen;
  readonly onKeep: (photo: { readonly hash: string; readonly bytes: Uint8Array<ArrayBuffer> }) => void;
  readonly onClose: () => void;
}

/** A photo before it is kept: what matters is ringed with a finger, the last ring taken back, and it is kept or taken anew. */
export function PhotoMarks({ chosen, onKeep, onClose }: Props) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const [strokes, setStrokes] = useState<readonly Stroke[]>([]);
  const [busy, setBusy] = useState(false);
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (context) paint(context, chosen, strokes);
  }, [chosen, strokes]);
  const at = (e: PointerEvent<HTMLCanvasElement>) => {
    const box = e.currentTarget.getBoundingClientRect();
    return { x: (e.clientX - box.left) / box.width, y: (e.clientY - box.top) / box.height };
  };
  const keep = async () => {
    setBusy(true);
    const made = await makePhoto(chosen, strokes);
    setBusy(false);
    if (made.ok) onKeep(made.value);
    else setProblems(made.problems);
  };
  return (
    <Dialog open fullScreen onClose={onClose} aria-label="Mark what matters" data-bench="">
      <Box data-dark="" sx={FRAME}>
        <Box sx={{ display: 'grid', placeItems: 'center', minHeight: 0, overflow: 'hidden' }}>
          <canvas
            ref={canvas}
            width={chosen.width}
            height={chosen.height}
            role="img"
            aria-label="The photo, to be drawn on"
            style={{
              maxWidth: '100%',
              maxHeight: 'calc(100dvh - 130px)',
              touchAction: 'none',
              cursor: 'crosshair',
            }}
            onPointerDown={(e) => {
              e.currentTarget.setPointerCapture(e.pointerId);
              const from = at(e);
              setStrokes((now) => [...now, [from]]);
            }}
            onPointerMove={(e) => {
              if (!e.currentTarget.hasPointerCapture(e.pointerId)) return;
              const to = at(e);
              setStrokes((now) => {
                const last = now[now.length - 1] ?? [];
                return [...now.slice(0, -1), [...last, to]];
              });
            }}
          />
        </Box>
        <Problems problems={problems} />
        <Acts>
          <Button variant="outlined" onClick={onClose}>
            Take another
          </Button>
          <Button
            variant="outlined"
            disabled={strokes.length === 0}
            onClick={() => setStrokes(strokes.slice(0, -1))}
          >
            Undo the mark
          </Button>
          <Button variant="contained" color="secondary" disabled={busy} onClick={() => void keep()}>
            Keep this photo
          </Button>
        </Acts>
      </Box>
    </Dialog>
  );
}

const FRAME = {
  display: 'grid',
  gridTemplateRows: 'minmax(0, 1fr) auto auto',
  height: '100dvh',
  p: 2,
  bgcolor: 'var(--ac-ground)',
  color: 'var(--ac-ink)',
} as const;
