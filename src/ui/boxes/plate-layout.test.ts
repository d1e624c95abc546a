import { layPlate } from './plate-layout';

const holes = (...sizes: number[]) => sizes.map((diameterMm, i) => ({ label: `E${i + 1}`, diameterMm }));

it('keeps every hole on the plate and off every other', () => {
  const plate = layPlate(holes(20, 50, 16, 63, 20, 20, 110, 25), 160);
  for (const a of plate.holes) {
    expect(a.x - a.r).toBeGreaterThanOrEqual(0);
    expect(a.y - a.r).toBeGreaterThanOrEqual(0);
    expect(a.x + a.r).toBeLessThanOrEqual(plate.width);
    expect(a.y + a.r).toBeLessThanOrEqual(plate.height);
    for (const b of plate.holes)
      if (a.label !== b.label) expect(Math.hypot(a.x - b.x, a.y - b.y)).toBeGreaterThanOrEqual(a.r + b.r);
  }
});

it('draws a plate without a hole, and one hole that is wider than the plate', () => {
  expect(layPlate([], 100)).toMatchObject({ holes: [], width: 12 });
  expect(layPlate(holes(300), 100).width).toBeGreaterThanOrEqual(300);
});
