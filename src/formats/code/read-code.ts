import jsQR from 'jsqr';

/** A picture dot by dot: red, green, blue, alpha. */
export interface Picture {
  readonly data: Uint8ClampedArray;
  readonly width: number;
  readonly height: number;
}

/** Half as large, each dot the mean of four: the grain of a poor light goes, and the squares of a code stay. */
function halved({ data, width, height }: Picture): Picture {
  const [w, h] = [width >> 1, height >> 1];
  const half = new Uint8ClampedArray(w * h * 4);
  for (let y = 0; y < h; y += 1)
    for (let x = 0; x < w; x += 1)
      for (let c = 0; c < 4; c += 1) {
        const at = (2 * y * width + 2 * x) * 4 + c;
        const below = at + width * 4;
        half[(y * w + x) * 4 + c] =
          ((data[at] ?? 0) + (data[at + 4] ?? 0) + (data[below] ?? 0) + (data[below + 4] ?? 0)) / 4;
      }
  return { data: half, width: w, height: h };
}

/** Below this no code can be told. */
const SMALLEST = 60;

/** What the code in a picture says; null where none is found in it. Looked for as it is, and smaller, where grain hides it. */
export function readCode(picture: Picture): string | null {
  let at = picture;
  while (Math.min(at.width, at.height) >= SMALLEST) {
    const found = jsQR(at.data, at.width, at.height)?.data;
    if (found !== undefined && found !== '') return found;
    at = halved(at);
  }
  return null;
}
