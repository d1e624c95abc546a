import fc from 'fast-check';
import { mayOpen } from './chosen';
import { readJpeg } from './jpeg';

const bytes = (...parts: readonly (number | string | readonly number[])[]): Uint8Array =>
  Uint8Array.from(
    parts.flatMap((p) =>
      typeof p === 'string'
        ? Array.from(p, (c) => c.codePointAt(0) ?? 0)
        : typeof p === 'number'
          ? [p]
          : [...p],
    ),
  );
const segment = (marker: number, ...body: readonly (number | string | readonly number[])[]): number[] => {
  const inner = bytes(...body);
  const length = inner.length + 2;
  return [0xff, marker, length >> 8, length & 255, ...inner];
};
const frame = (width: number, height: number, marker = 0xc0): number[] =>
  segment(marker, 8, height >> 8, height & 255, width >> 8, width & 255, 3, [1, 17, 0, 2, 17, 1, 3, 17, 1]);
const scan = [...segment(0xda, 3, [1, 0, 2, 17, 3, 17], 0, 63, 0), 1, 2, 0xff, 0, 3, 0xff, 0xd0, 4];
const table = segment(
  0xdb,
  0,
  Array.from({ length: 64 }, () => 1),
);
const EXIF = segment(0xe1, 'Exif\0\0', 'GPS 57.4 N 3.1 W', 'preview\xff\xd8\xff\xd9');
/** A file as a telephone writes it: with where it was taken, and a remark. */
const fromPhone = (...more: readonly (number | string | readonly number[])[]): Uint8Array =>
  bytes([0xff, 0xd8], EXIF, segment(0xfe, 'taken by'), table, frame(1600, 1200), scan, [0xff, 0xd9], ...more);
const text = (b: Uint8Array): string => String.fromCharCode(...b);
const refusal = (b: Uint8Array): string => {
  const read = readJpeg(b);
  return read.ok ? '' : (read.problems[0]?.message ?? '');
};

describe('a photo that is kept', () => {
  it('holds its picture, and neither where it was taken nor what hangs on behind', () => {
    const read = readJpeg(fromPhone('PK\u0003\u0004../../evil.sh<script>'));
    if (!read.ok) throw new Error('refused');
    expect(read.value).toMatchObject({ width: 1600, height: 1200 });
    expect(text(read.value.bytes)).not.toMatch(/GPS|Exif|preview|taken by|PK|script/);
    // The picture itself is there as it was.
    expect(text(read.value.bytes)).toContain(text(bytes(scan)));
    expect(readJpeg(read.value.bytes)).toEqual(read);
  });

  it.each<[string, Uint8Array, RegExp]>([
    ['an SVG with a script', bytes('<svg onload="alert(1)">'), /is no JPEG/],
    ['a GIF that calls itself JPEG', bytes('GIF89a'), /is no JPEG/],
    ['nothing', bytes(), /is no JPEG/],
    ['a JPEG without a picture', bytes([0xff, 0xd8], EXIF, [0xff, 0xd9]), /holds no picture/],
    ['two pictures in one', bytes([0xff, 0xd8], frame(2, 2), frame(2, 2)), /more than one/],
    ['a lossless JPEG', bytes([0xff, 0xd8], frame(2, 2, 0xc3)), /not shown everywhere/],
    ['a picture of no width', bytes([0xff, 0xd8], frame(0, 9), scan, [0xff, 0xd9]), /damaged/],
    ['a segment longer than the file', bytes([0xff, 0xd8, 0xff, 0xe1, 0xff, 0xff, 1]), /breaks off/],
  ])('is not made of %s', (_, file, words) => {
    expect(refusal(file)).toMatch(words);
  });

  it('is refused wherever it breaks off, and never read past its end', () => {
    const whole = fromPhone();
    for (let n = 0; n < whole.length; n += 1) expect(refusal(whole.subarray(0, n))).not.toBe('');
  });

  it('of any bytes at all is refused or comes to the same twice', () => {
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 400 }), (some) => {
        const read = readJpeg(bytes([0xff, 0xd8], [...some]));
        if (read.ok) expect(readJpeg(read.value.bytes)).toEqual(read);
      }),
    );
  });
});

describe('a file that is chosen', () => {
  const png = (w: number, h: number) =>
    bytes('\u0089PNG\r\n\u001a\n', [0, 0, 0, 13], 'IHDR', [0, 0, w >> 8, w & 255, 0, 0, h >> 8, h & 255]);
  it.each<[string, Uint8Array, number, string]>([
    ['JPEG, behind what the camera says', fromPhone(), 4000, '1600 × 1200'],
    ['PNG', png(640, 480), 4000, '640 × 480'],
    ['WebP', bytes('RIFF....WEBPVP8X', [10, 0, 0, 0, 0, 0, 0, 0, 0x7f, 2, 0, 0xdf, 1, 0]), 4000, '640 × 480'],
  ])('is measured before it is opened: %s', (_, head, size, said) => {
    const may = mayOpen(head, size);
    expect(may.ok && `${may.value.width} × ${may.value.height}`).toBe(said);
  });

  it.each<[string, Uint8Array, number, RegExp]>([
    ['sixty megapixels', png(10_000, 6_000), 4000, /has 60 megapixels; at most 50 are read/],
    ['two gigabytes', fromPhone(), 2 ** 31, /is 2048 MB; a photo of at most 30 MB is read/],
    ['a zip', bytes('PK\u0003\u0004'), 4000, /is no photo/],
    ['an SVG', bytes('<?xml version="1.0"?><svg/>'), 4000, /is no photo/],
    ['a PNG of no size', png(0, 0), 40, /is no photo/],
  ])('of %s is refused in words', (_, head, size, words) => {
    const may = mayOpen(head, size);
    expect(may.ok ? '' : may.problems[0]?.message).toMatch(words);
  });
});
