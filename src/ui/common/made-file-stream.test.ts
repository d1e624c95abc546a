import fc from 'fast-check';
import { readPack } from './made-file-stream';

const encoder = new TextEncoder();
const streamOf = (parts: readonly Uint8Array[]) =>
  new ReadableStream<Uint8Array>({
    start(controller) {
      for (const p of parts) controller.enqueue(p);
      controller.close();
    },
  });
/** A whole answer cut into pieces at arbitrary places. */
function cutUp(whole: Uint8Array, cuts: readonly number[]): Uint8Array[] {
  const at = [0, ...[...new Set(cuts.map((c) => c % whole.length))].sort((a, b) => a - b), whole.length];
  return at.slice(1).flatMap((end, i) => (end > (at[i] ?? 0) ? [whole.slice(at[i], end)] : []));
}
const answer = (pdf: Uint8Array): Uint8Array => {
  const head = encoder.encode(`{"done":1,"of":2}\n{"done":2,"of":2}\n{"bytes":${pdf.length}}\n`);
  return new Uint8Array([...head, ...pdf]);
};

it('reads progress and file, wherever the network cuts the stream', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.uint8Array({ minLength: 0, maxLength: 200 }),
      fc.array(fc.nat(), { maxLength: 12 }),
      async (pdf, cuts) => {
        const seen: number[] = [];
        const read = await readPack(streamOf(cutUp(answer(pdf), cuts)), (done, of) => seen.push(done / of));
        expect(read.ok && [...read.value]).toEqual([...pdf]);
        expect(seen).toEqual([0.5, 1]);
      },
    ),
  );
});

it('tells a refusal, and a stream that breaks off', async () => {
  const refused = await readPack(
    streamOf([
      encoder.encode('{"problems":[{"path":"tags","message":"nothing is chosen yet for K-1/A"}]}\n'),
    ]),
    () => undefined,
  );
  expect(refused).toMatchObject({ ok: false, problems: [{ message: 'nothing is chosen yet for K-1/A' }] });
  const whole = answer(encoder.encode('%PDF and more'));
  const broken = await readPack(streamOf([whole.slice(0, whole.length - 3)]), () => undefined);
  expect(broken).toMatchObject({
    ok: false,
    problems: [{ message: expect.stringContaining('broke off') as string }],
  });
  expect((await readPack(streamOf([]), () => undefined)).ok).toBe(false);
});
