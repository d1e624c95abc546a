'use client';
import Button from '@mui/material/Button';
import Box from '@mui/material/Box';
import { useEffect, useRef, useState } from 'react';
import { recordPath } from '@/core/record';
import type { TerminationView } from '@/core/termination-view';
import { printLabel, type PrintedLabel } from '@/devices/label-printer';
import { giveFile } from '../common/save-file';
import { Acts } from '../kit-of-parts/Acts';
import { Folded } from '../kit-of-parts/Folded';
import { LABEL_INK } from '../theme/label-ink';
import { ReadLabel } from './ReadLabel';

interface Words {
  readonly tag: string;
  readonly below: string;
}

/** Sets what came out of the printer on a canvas, with its words in the product's own face. */
function draw(canvas: HTMLCanvasElement, label: PrintedLabel, { tag, below }: Words): void {
  canvas.width = label.width;
  canvas.height = label.height;
  const context = canvas.getContext('2d');
  if (context === null) return;
  const picture = context.createImageData(label.width, label.height);
  label.dots.forEach((shade, i) => picture.data.set([shade, shade, shade, 255], i * 4));
  context.putImageData(picture, 0, 0);
  context.fillStyle = LABEL_INK.ink;
  const face = getComputedStyle(document.body).fontFamily;
  const room = label.width - label.textLeft - 24;
  context.font = `700 60px ${face}`;
  context.fillText(tag, label.textLeft, label.height / 2, room);
  context.font = `500 26px ${face}`;
  context.fillText(below, label.textLeft, label.height / 2 + 44, room);
}

/** The label of an end: printed on the printer that ships, and read back from a photo of it. */
export function LabelSection({ view }: { readonly view: TerminationView }) {
  const { job, cable, end, tag, place, plan } = view;
  const here = { job: job.slug, cable, end };
  const [label, setLabel] = useState<PrintedLabel | null>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const below = [
    plan?.plan.size,
    place === null ? undefined : `${place.enclosure.tag}, entry ${place.entry.label}`,
  ]
    .filter((w) => w !== undefined)
    .join(' · ');
  useEffect(() => {
    if (canvas.current !== null && label !== null) draw(canvas.current, label, { tag, below });
  }, [label, tag, below]);
  const print = () =>
    setLabel(printLabel({ tag, below, address: `${window.location.origin}${recordPath(here)}` }));
  const save = () =>
    canvas.current?.toBlob((picture) => {
      if (picture !== null) giveFile(picture, `label ${tag.replaceAll('/', '-')}.png`);
    }, 'image/png');
  return (
    <Folded title="Label">
      <Acts>
        <Button variant="outlined" onClick={print}>
          Print on the simulated printer
        </Button>
        {label === null ? null : (
          <Button variant="outlined" onClick={save}>
            Save its picture
          </Button>
        )}
      </Acts>
      {label === null ? null : (
        <Box
          component="canvas"
          ref={canvas}
          role="img"
          aria-label={`Label of ${tag}`}
          sx={{
            display: 'block',
            width: 460,
            maxWidth: '100%',
            my: 1.5,
            border: '2px solid',
            borderColor: 'divider',
            borderRadius: '8px',
          }}
        />
      )}
      <ReadLabel here={here} />
    </Folded>
  );
}
