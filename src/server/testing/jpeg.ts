interface Tiny {
  readonly width?: number;
  readonly height?: number;
  readonly remark?: string;
  /** What stands for its picture; no byte of it is 0xff. */
  readonly scan?: readonly number[];
}

const segment = (marker: number, body: readonly number[]): number[] => [
  0xff,
  marker,
  (body.length + 2) >> 8,
  (body.length + 2) & 255,
  ...body,
];

/** A JPEG of a handful of bytes, or of as many as it is given, with a remark as a camera leaves one. Its picture is nothing that anybody would look at. */
export function tinyJpeg({ width = 16, height = 16, remark = '', scan = [1, 2, 3] }: Tiny): Uint8Array {
  const [high, low] = [(n: number) => n >> 8, (n: number) => n & 255];
  return Uint8Array.from([
    0xff,
    0xd8,
    ...segment(0xfe, [...Buffer.from(remark)]),
    ...segment(0xdb, [0, ...Array.from({ length: 64 }, () => 1)]),
    ...segment(0xc0, [8, high(height), low(height), high(width), low(width), 1, 1, 17, 0]),
    ...segment(0xda, [1, 1, 0, 0, 63, 0]),
    ...scan,
    0xff,
    0xd9,
  ]);
}

/** A grey square of 8 × 8 that every viewer shows; `n` makes another one of it. ITU-T T.81, baseline, one block, the tables of its annex K cut short. */
export function realJpeg(n = 0): Uint8Array {
  // One code of length 1 for "no more": the block has its mean alone.
  const table = (kind: number) => segment(0xc4, [kind, 1, ...Array.from({ length: 15 }, () => 0), 0]);
  return Uint8Array.from([
    0xff,
    0xd8,
    ...segment(0xdb, [0, ...Array.from({ length: 64 }, () => 16 + n)]),
    ...segment(0xc0, [8, 0, 8, 0, 8, 1, 1, 17, 0]),
    ...table(0x00),
    ...table(0x10),
    ...segment(0xda, [1, 1, 0, 0, 63, 0]),
    // The mean as it was, and no more: two bits, filled up with ones.
    0x3f,
    0xff,
    0xd9,
  ]);
}
