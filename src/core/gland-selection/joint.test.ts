import { engagedUm } from './joint';

const mm = (male: number, undercut: number, stack: number, wall: number, chamfer: number) =>
  engagedUm({
    maleUm: male * 1000,
    undercutUm: undercut * 1000,
    stackUm: stack * 1000,
    wallUm: wall * 1000,
    chamferUm: chamfer * 1000,
  }) / 1000;

it.each([
  // 15 − 1.5 washer − max(1.5, 1) = 12; the hole has 15
  ['undercut deeper than the chamfer', 15, 1.5, 1.5, 16, 1, 12],
  // The chamfer is what the male thread loses: 15 − 1.5 − 2 = 11.5
  ['chamfer deeper than the undercut', 15, 1.5, 1.5, 16, 2, 11.5],
  ['both alike count once', 15, 1.5, 0, 16, 1.5, 13.5],
  ['a thin wall', 15, 1.5, 1.5, 8.5, 1, 7.5],
  ['a wall that ends in the chamfer', 15, 1.5, 1.5, 1, 1, 0],
  // No washer: the undercut lies opposite 0.5 mm of the hole's thread behind the chamfer: 8 − 1.5
  ['an undercut that reaches into a thin wall', 15, 1.5, 0, 8, 1, 6.5],
  ['a stack longer than the thread', 5, 1, 6, 16, 1, 0],
])('%s', (_, male, undercut, stack, wall, chamfer, engaged) =>
  expect(mm(male, undercut, stack, wall, chamfer)).toBeCloseTo(engaged, 9),
);

it('never engages more than either thread has, nor more than lies opposite by a scan along the axis', () => {
  for (let n = 0; n < 4000; n += 1) {
    const pick = (k: number, most: number) => ((n * k) % (most * 2 + 1)) / 2;
    const [male, undercut, stack, wall, chamfer] = [
      pick(7, 20),
      pick(3, 3),
      pick(5, 4),
      pick(11, 20),
      pick(13, 3),
    ];
    let opposite = 0;
    // Tenths along the axis from the shoulder: male thread from undercut to its end, hole from stack + chamfer to stack + wall.
    for (let x = 0.05; x < 45; x += 0.1)
      if (x > undercut && x < male && x > stack + chamfer && x < stack + wall) opposite += 0.1;
    expect(mm(male, undercut, stack, wall, chamfer)).toBeLessThanOrEqual(opposite + 1e-6);
  }
});
