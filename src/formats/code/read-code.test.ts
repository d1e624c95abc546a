import { isLabelOf, readLabel, recordPath } from '@/core/record';
import { seededRandom } from '@/core/kernel';
import { readCode, type Picture } from './read-code';
import { printLabel, type PrintedLabel } from '@/devices/label-printer';

const HERE = { job: 'quillmere', cable: 'K-104 / 2 é', end: 'B' };
const address = (ref = HERE) => `http://127.0.0.1:4300${recordPath(ref)}`;
const label = (ref = HERE) => printLabel({ tag: 'K-104/B', below: '', address: address(ref) });

/** A photo of a label: turned, paler, with the noise of a poor light. */
function photoOf({ width, height, dots }: PrintedLabel, turnedDeg: number, noise: number): Picture {
  const side = Math.ceil(Math.hypot(width, height)) + 40;
  const data = new Uint8ClampedArray(side * side * 4);
  const random = seededRandom(7);
  const rad = (turnedDeg * Math.PI) / 180;
  for (let y = 0; y < side; y += 1)
    for (let x = 0; x < side; x += 1) {
      const [dx, dy] = [x - side / 2, y - side / 2];
      const u = Math.round(dx * Math.cos(rad) + dy * Math.sin(rad) + width / 2);
      const v = Math.round(-dx * Math.sin(rad) + dy * Math.cos(rad) + height / 2);
      const on = u >= 0 && v >= 0 && u < width && v < height ? (dots[v * width + u] ?? 255) : 190;
      const shade = 40 + on * 0.7 + noise * (random() - 0.5);
      data.set([shade, shade, shade * 0.95, 255], (y * side + x) * 4);
    }
  return { data, width: side, height: side };
}

it.each([0, 17, 45, 90, 200])(
  'a label is read back from a photo of it that is turned by %s°, by its end',
  (turned) => {
    const said = readCode(photoOf(label(), turned, 20));
    expect(said).toBe(address());
    expect(isLabelOf(said ?? '', HERE)).toEqual({ ok: true, value: HERE });
  },
);

it('finds nothing where there is no code', () => {
  const plain = { width: 80, height: 80, data: new Uint8ClampedArray(80 * 80 * 4).fill(200) };
  expect(readCode(plain)).toBeNull();
});

it('says of the label of another end whose it is, and of any other code that it is none', () => {
  const refusal = (text: string) => {
    const read = isLabelOf(text, HERE);
    return read.ok ? 'taken' : read.problems[0]?.message;
  };
  expect(refusal(address({ ...HERE, end: 'A' }))).toMatch(
    /is of K-104 \/ 2 é\/A\. This end is K-104 \/ 2 é\/B/,
  );
  expect(refusal(address({ ...HERE, job: 'annex' }))).toMatch(/another job, “annex”/);
  for (const text of [
    '',
    'K-104/B',
    'http://x/job/a/t/b/C/prove',
    'http://x/job/a/t/%E0%A4%A/A/prove',
    'javascript:/job/a/t/b/A/prove',
    `${address()}?x=1`,
  ])
    expect(readLabel(text).ok).toBe(false);
});
