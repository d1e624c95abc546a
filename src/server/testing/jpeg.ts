interface Tiny {
  readonly width?: number;
  readonly height?: number;
  readonly remark?: string;
}

const segment = (marker: number, body: readonly number[]): number[] => [
  0xff,
  marker,
  (body.length + 2) >> 8,
  (body.length + 2) & 255,
  ...body,
];

/** A JPEG of a handful of bytes, with a remark as a camera leaves one. Its picture is nothing that anybody would look at. */
export function tinyJpeg({ width = 16, height = 16, remark = '' }: Tiny): Uint8Array {
  const [high, low] = [(n: number) => n >> 8, (n: number) => n & 255];
  return Uint8Array.from([
    0xff,
    0xd8,
    ...segment(0xfe, [...Buffer.from(remark)]),
    ...segment(0xdb, [0, ...Array.from({ length: 64 }, () => 1)]),
    ...segment(0xc0, [8, high(height), low(height), high(width), low(width), 1, 1, 17, 0]),
    ...segment(0xda, [1, 1, 0, 0, 63, 0]),
    1,
    2,
    3,
    0xff,
    0xd9,
  ]);
}
