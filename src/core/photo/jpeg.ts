import { ok, refuse, type Result } from '@/core/kernel';

/** A JPEG file that holds its picture and nothing else. */
export interface Jpeg {
  readonly width: number;
  readonly height: number;
  /** Without anything that is not needed to show it: where and with what it was taken, a preview, remarks, what hangs on behind. */
  readonly bytes: Uint8Array<ArrayBuffer>;
}

const SOI = 0xd8;
const EOI = 0xd9;
const SOS = 0xda;
/** Tables of quantisation and of codes, and the restart interval. */
const KEPT = new Set([0xdb, 0xc4, 0xdd]);
/** Baseline, extended and progressive frames. */
const FRAMES = new Set([0xc0, 0xc1, 0xc2]);

/** Application data (position, camera, preview, colour profile) and remarks. */
const isLeftOut = (marker: number): boolean => (marker >= 0xe0 && marker <= 0xef) || marker === 0xfe;

/** JFIF 1.02, square pixels, no preview: what a viewer needs to know of colours, and nothing of anybody. */
const JFIF = [0xff, 0xe0, 0, 16, 0x4a, 0x46, 0x49, 0x46, 0, 1, 2, 0, 0, 1, 0, 1, 0, 0];

const BROKEN = 'breaks off or is damaged';

interface Size {
  readonly width: number;
  readonly height: number;
}

function frameSize(bytes: Uint8Array, from: number, length: number): Result<Size> {
  const precision = bytes[from + 2] ?? 0;
  const height = ((bytes[from + 3] ?? 0) << 8) | (bytes[from + 4] ?? 0);
  const width = ((bytes[from + 5] ?? 0) << 8) | (bytes[from + 6] ?? 0);
  const components = bytes[from + 7] ?? 0;
  if (precision !== 8 || (components !== 1 && components !== 3) || length !== 8 + 3 * components)
    return refuse('photo', 'is a kind of JPEG that is not shown everywhere');
  return width === 0 || height === 0 ? refuse('photo', BROKEN) : ok({ width, height });
}

/** Where the next marker stands behind the coded picture that begins here; the end of the bytes where there is none. */
function endOfScan(bytes: Uint8Array, from: number): number {
  for (let i = from; i + 1 < bytes.length; i += 1) {
    if (bytes[i] !== 0xff) continue;
    const next = bytes[i + 1] ?? 0;
    const coded = next === 0 || (next >= 0xd0 && next <= 0xd7);
    if (!coded) return i;
  }
  return bytes.length;
}

/**
 * Reads a JPEG file (ITU-T T.81, annex B) segment by segment and puts it together anew from what shows its picture. Refused: what is no JPEG,
 * breaks off, or holds more than one picture. Done twice it comes to the same.
 */
export function readJpeg(bytes: Uint8Array): Result<Jpeg> {
  if (bytes[0] !== 0xff || bytes[1] !== SOI) return refuse('photo', 'is no JPEG');
  const parts: Uint8Array[] = [Uint8Array.of(0xff, SOI), Uint8Array.from(JFIF)];
  let size: Size | null = null;
  let scans = 0;
  let at = 2;
  for (;;) {
    if (bytes[at] !== 0xff) return refuse('photo', BROKEN);
    // Any number of fill bytes may stand before a marker.
    while (bytes[at + 1] === 0xff) at += 1;
    const marker = bytes[at + 1];
    if (marker === undefined) return refuse('photo', BROKEN);
    if (marker === EOI) break;
    const length = ((bytes[at + 2] ?? 0) << 8) | (bytes[at + 3] ?? 0);
    const end = at + 2 + length;
    if (length < 2 || end > bytes.length) return refuse('photo', BROKEN);
    if (FRAMES.has(marker)) {
      if (size !== null) return refuse('photo', 'holds more than one picture');
      const read = frameSize(bytes, at + 2, length);
      if (!read.ok) return read;
      size = read.value;
      parts.push(bytes.subarray(at, end));
      at = end;
    } else if (marker === SOS) {
      if (size === null) return refuse('photo', BROKEN);
      const next = endOfScan(bytes, end);
      parts.push(bytes.subarray(at, next));
      scans += 1;
      at = next;
    } else if (KEPT.has(marker)) {
      parts.push(bytes.subarray(at, end));
      at = end;
    } else if (isLeftOut(marker)) at = end;
    else return refuse('photo', 'is a kind of JPEG that is not shown everywhere');
  }
  if (size === null || scans === 0) return refuse('photo', 'holds no picture');
  parts.push(Uint8Array.of(0xff, EOI));
  const whole = new Uint8Array(parts.reduce((sum, p) => sum + p.length, 0));
  let to = 0;
  for (const part of parts) {
    whole.set(part, to);
    to += part.length;
  }
  return ok({ ...size, bytes: whole });
}
