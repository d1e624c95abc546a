import { fail, hashBytes, ok, refuse, type Result } from '@/core/kernel';
import { HEAD_BYTES, MAX_PHOTO_BYTES, mayOpen, PHOTO_SIDE, readJpeg } from '@/core/photo';
import { PHOTO_INK } from '../../theme/photo-ink';

/** A line drawn on a photo: points as shares of its width and height, 0 to 1. */
export type Stroke = readonly { readonly x: number; readonly y: number }[];

/** A photo as it is looked at and drawn on before it is kept. */
export interface Chosen {
  readonly image: ImageBitmap;
  readonly width: number;
  readonly height: number;
}

/** Opens a file as a photo, made small enough to keep. What it is is told from its bytes before it is decoded. */
export async function openChosen(file: File): Promise<Result<Chosen>> {
  const head = new Uint8Array(await file.slice(0, HEAD_BYTES).arrayBuffer());
  const may = mayOpen(head, file.size);
  if (!may.ok) return may;
  let whole: ImageBitmap;
  try {
    whole = await createImageBitmap(file);
  } catch {
    return refuse('photo', 'cannot be shown: it breaks off or is damaged');
  }
  const share = Math.min(1, PHOTO_SIDE / Math.max(whole.width, whole.height));
  const [width, height] = [Math.round(whole.width * share), Math.round(whole.height * share)];
  return ok({ image: whole, width, height });
}

/** Width of what is drawn on a photo, as a share of its longer side. */
const STROKE = 0.008;

/** Draws the photo and what was marked on it: light in dark, so that it is seen on copper and on shadow. */
export function paint(
  context: CanvasRenderingContext2D,
  { image, width, height }: Chosen,
  strokes: readonly Stroke[],
): void {
  context.drawImage(image, 0, 0, width, height);
  context.lineCap = 'round';
  context.lineJoin = 'round';
  for (const [color, times] of [
    [PHOTO_INK.edge, 2],
    [PHOTO_INK.line, 1],
  ] as const) {
    context.strokeStyle = color;
    context.lineWidth = STROKE * Math.max(width, height) * times;
    for (const stroke of strokes) {
      context.beginPath();
      for (const { x, y } of stroke) context.lineTo(x * width, y * height);
      context.stroke();
    }
  }
}

const QUALITIES = [0.86, 0.75, 0.6, 0.45];

const jpegOf = (canvas: HTMLCanvasElement, quality: number): Promise<Blob | null> =>
  new Promise((done) => canvas.toBlob(done, 'image/jpeg', quality));

/** The photo as it is kept: drawn anew with its marks, so that nothing of the file that was chosen is left but what is seen. */
export async function makePhoto(
  chosen: Chosen,
  strokes: readonly Stroke[],
): Promise<Result<{ readonly hash: string; readonly bytes: Uint8Array<ArrayBuffer> }>> {
  const canvas = document.createElement('canvas');
  canvas.width = chosen.width;
  canvas.height = chosen.height;
  const context = canvas.getContext('2d');
  if (context === null) return refuse('photo', 'this browser draws no photos');
  paint(context, chosen, strokes);
  for (const quality of QUALITIES) {
    const blob = await jpegOf(canvas, quality);
    if (blob === null) return refuse('photo', 'this browser makes no JPEG');
    const read = readJpeg(new Uint8Array(await blob.arrayBuffer()));
    if (!read.ok) return fail(read.problems);
    const { bytes } = read.value;
    if (bytes.length <= MAX_PHOTO_BYTES) return ok({ hash: hashBytes(bytes), bytes });
  }
  return refuse('photo', `is still larger than ${MAX_PHOTO_BYTES / 1000} kB: take it from nearer by`);
}
