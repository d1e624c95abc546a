import type { FrameRequest } from './frame-request';
import { offeredModule } from './offered-places';
import { everyOpening } from '../testing/brute-force';
import { lockedRequest } from '../testing/locked-case';
import { smallCase } from '../testing/small-case';

const thick = { tag: 'T', diameter: { min: 30.3, max: 30.5 } };
const withOpening = (
  change: Partial<FrameRequest['frames'][number]['openings'][number]>,
  more: Partial<FrameRequest['frames'][number]> = {},
): FrameRequest => {
  const request = lockedRequest();
  const [frame] = request.frames;
  const [opening] = frame?.openings ?? [];
  if (!frame || !opening) throw new Error('frame');
  return { ...request, frames: [{ ...frame, ...more, openings: [{ ...opening, ...change }] }] };
};

it('finds the module in a row that the opening can be closed with, and none where it cannot', () => {
  // 48 + 24 + 2 plates leave 30 mm of 104; 48 alone leaves 55 mm, which nothing closes.
  expect(offeredModule(lockedRequest(), thick)?.id).toBe('M48');
  expect(offeredModule(withOpening({ height: 80 }), thick)?.id).toBe('M48');
  expect(offeredModule(withOpening({ height: 82 }), thick)).toBeNull();
  expect(offeredModule(withOpening({ height: 82, fillers: [{ thickness: 2, max: 1 }] }), thick)?.id).toBe(
    'M48',
  );
  expect(offeredModule(withOpening({ width: 72 }), thick)).toBeNull();
  expect(offeredModule(withOpening({}, { available: 0 }), thick)).toBeNull();
  expect(offeredModule(lockedRequest(), { ...thick, diameter: { min: 40, max: 41 } })).toBeNull();
});

it('offers nothing in a frame of which one opening cannot be packed', () => {
  const request = lockedRequest();
  const [frame] = request.frames;
  const [opening] = frame?.openings ?? [];
  if (!frame || !opening) throw new Error('frame');
  const bad = { ...opening, height: 20 };
  expect(offeredModule({ ...request, frames: [{ ...frame, openings: [opening, bad] }] }, thick)).toBeNull();
});

it('agrees with every way to build an opening, on small cases', () => {
  const seen = { yes: 0, no: 0 };
  for (let seed = 0; seed < 150; seed += 1) {
    const request = smallCase(5200 + seed);
    const built = request.frames
      .filter((f) => (f.available ?? 1) > 0)
      .map((f) => f.openings.map((o) => everyOpening(o, request)))
      .filter((openings) => openings.every((ways) => ways.length > 0));
    const places = new Set(built.flat(2).flatMap((rows) => rows.flatMap((r) => Object.keys(r.places))));
    for (const cable of request.cables) {
      const brute = request.modules.some(
        (m) =>
          cable.diameter.min >= m.bore.min &&
          cable.diameter.max <= m.bore.max &&
          places.has(m.corner ? `c${m.id}` : `s${Math.round(m.size * 1000)}`),
      );
      const mine = offeredModule(request, cable) !== null;
      expect([seed, cable.tag, mine]).toEqual([seed, cable.tag, brute]);
      seen[mine ? 'yes' : 'no'] += 1;
    }
  }
  expect(Math.min(seen.yes, seen.no)).toBeGreaterThan(10);
});
