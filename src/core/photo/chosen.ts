import { ok, refuse, type Result } from '@/core/kernel';
import { MAX_CHOSEN_BYTES, MAX_CHOSEN_PIXELS } from './limits';

/** How much of a file is looked at before it is opened, bytes: a JPEG may carry a preview before its own size. */
export const HEAD_BYTES = 256 * 1024;

const at = (head: Uint8Array, from: number, text: string): boolean =>
  Array.from(text).every((c, i) => head[from + i] === c.codePointAt(0));

const big = (head: Uint8Array, from: number, bytes: number): number => {
  let value = 0;
  for (let i = 0; i < bytes; i += 1) value = value * 256 + (head[from + i] ?? 0);
  return value;
};
const little = (head: Uint8Array, from: number, bytes: number): number => {
  let value = 0;
  for (let i = bytes - 1; i >= 0; i -= 1) value = value * 256 + (head[from + i] ?? 0);
  return value;
};

interface Pixels {
  readonly width: number;
  readonly height: number;
}

/** The size in a JPEG's frame header; null when it does not stand in the head. */
function jpegPixels(head: Uint8Array): Pixels | null {
  let i = 2;
  while (i + 9 < head.length && head[i] === 0xff) {
    const marker = head[i + 1] ?? 0;
    if (marker === 0xff) {
      i += 1;
      continue;
    }
    const frame = marker >= 0xc0 && marker <= 0xcf && ![0xc4, 0xc8, 0xcc].includes(marker);
    if (frame) return { height: big(head, i + 5, 2), width: big(head, i + 7, 2) };
    i += 2 + big(head, i + 2, 2);
  }
  return null;
}

/** The size in the first chunk of a WebP file (RFC 9649). */
function webpPixels(head: Uint8Array): Pixels | null {
  if (at(head, 12, 'VP8X')) return { width: little(head, 24, 3) + 1, height: little(head, 27, 3) + 1 };
  if (at(head, 12, 'VP8L')) {
    const bits = little(head, 21, 4);
    return { width: (bits % 16384) + 1, height: (Math.floor(bits / 16384) % 16384) + 1 };
  }
  if (at(head, 12, 'VP8 '))
    return { width: little(head, 26, 2) % 16384, height: little(head, 28, 2) % 16384 };
  return null;
}

function pixelsOf(head: Uint8Array): Pixels | null {
  if (head[0] === 0xff && head[1] === 0xd8) return jpegPixels(head);
  if (at(head, 0, '\u0089PNG\r\n\u001a\n')) return { width: big(head, 16, 4), height: big(head, 20, 4) };
  if (at(head, 0, 'RIFF') && at(head, 8, 'WEBP')) return webpPixels(head);
  return null;
}

const megabytes = (bytes: number): string => `${Math.round(bytes / 1_048_576)} MB`;

/**
 * May this file be opened as a photo? Told from its first bytes, not from its name, before anything is decoded: JPEG, PNG or WebP, no larger
 * than a tablet can hold. `head` is up to `HEAD_BYTES` of it, `size` all its bytes.
 */
export function mayOpen(head: Uint8Array, size: number): Result<Pixels> {
  if (size > MAX_CHOSEN_BYTES)
    return refuse(
      'photo',
      `is ${megabytes(size)}; a photo of at most ${megabytes(MAX_CHOSEN_BYTES)} is read`,
    );
  const pixels = pixelsOf(head);
  if (pixels === null || pixels.width === 0 || pixels.height === 0)
    return refuse('photo', 'is no photo: JPEG, PNG and WebP are read');
  const count = pixels.width * pixels.height;
  return count > MAX_CHOSEN_PIXELS
    ? refuse(
        'photo',
        `has ${Math.round(count / 1e6)} megapixels; at most ${MAX_CHOSEN_PIXELS / 1e6} are read: take it smaller`,
      )
    : ok(pixels);
}
