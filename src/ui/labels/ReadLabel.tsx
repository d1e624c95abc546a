'use client';
import Box from '@mui/material/Box';
import { useState } from 'react';
import { refuse, type Result } from '@/core/kernel';
import { isLabelOf, readLabel, recordPath, type TerminationRef } from '@/core/record';
import { startReadCode } from '@/workers/read-code';
import { openChosen } from '../bench/photos/make-photo';
import { FileButton } from '../kit-of-parts/FileButton';
import { To } from '../kit-of-parts/To';

/** A code is found as well in a picture of this size, and in a tenth of the time. */
const SIDE = 1200;

/** What the code in a picture says. */
async function codeIn(file: File): Promise<Result<string>> {
  const opened = await openChosen(file);
  if (!opened.ok) return opened;
  const { image, width, height } = opened.value;
  const share = Math.min(1, SIDE / Math.max(width, height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.round(width * share);
  canvas.height = Math.round(height * share);
  const context = canvas.getContext('2d');
  if (context === null) return refuse('label', 'this browser shows no pictures');
  context.drawImage(image, 0, 0, canvas.width, canvas.height);
  image.close();
  const { data } = context.getImageData(0, 0, canvas.width, canvas.height);
  const said = await startReadCode({ data, width: canvas.width, height: canvas.height }).result;
  return said === null
    ? refuse('label', 'no code is found in this picture: nearer, straighter, with more light')
    : { ok: true, value: said };
}

interface Said {
  readonly good: boolean;
  readonly words: string;
  /** Where another label leads. */
  readonly other: TerminationRef | null;
}

function judged(code: Result<string>, here: TerminationRef): Said {
  if (!code.ok) return { good: false, words: `Not read: ${code.problems[0]?.message ?? ''}.`, other: null };
  const mine = isLabelOf(code.value, here);
  if (mine.ok)
    return {
      good: true,
      words: `This is the label of ${here.cable}/${here.end}: it leads here.`,
      other: null,
    };
  const read = readLabel(code.value);
  const other = read.ok && read.value.job === here.job ? read.value : null;
  return { good: false, words: `Not this end: the label ${mine.problems[0]?.message ?? ''}.`, other };
}

/** Reads a label back from a photo of it, and says whether it is this end's. */
export function ReadLabel({ here }: { readonly here: TerminationRef }) {
  const [said, setSaid] = useState<Said | null>(null);
  const [busy, setBusy] = useState(false);
  const read = async (file: File) => {
    setBusy(true);
    try {
      setSaid(judged(await codeIn(file), here));
    } catch (error) {
      const why = error instanceof Error ? error.message : 'it cannot be looked at';
      setSaid({ good: false, words: `Not read: ${why}.`, other: null });
    } finally {
      setBusy(false);
    }
  };
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: 1.5, mb: 2 }}>
      <FileButton
        label="Photo of a label"
        accept="image/jpeg,image/png,image/webp"
        disabled={busy}
        onFile={(file) => void read(file)}
      >
        Read a label back
      </FileButton>
      <Box
        role="status"
        sx={{ fontWeight: 600, color: said === null || said.good ? 'success.main' : 'error.main' }}
      >
        {busy ? 'Looking for its code …' : said?.words}
        {said?.other ? <To href={recordPath(said.other)}>Open that end</To> : null}
      </Box>
    </Box>
  );
}
