import type { FrameModule, FrameOpening } from './frame-request';
import { openingPatterns } from './row-patterns';

const MODULE: FrameModule = {
  id: 'M24',
  size: 24,
  bore: { min: 8, max: 17.5 },
  layer: 1,
  gap: { min: 0.2, max: 0.9 },
};
const MODULES: readonly FrameModule[] = [
  MODULE,
  { ...MODULE, id: 'M48', size: 48, bore: { min: 23, max: 37 } },
  { ...MODULE, id: 'C24', corner: true },
];
const OPENING: FrameOpening = {
  width: 48,
  height: 80,
  plate: 1,
  plateAgainstPress: true,
  press: { min: 28, max: 34, at: ['top'] },
  fillers: [],
};
// So many sets of circuits that no two rows need hold the same one: then no pattern can stand for another.
const DEMAND = { sizes: new Set(MODULES.map((m) => m.size * 1000)), rowSets: 9 };

describe('openingPatterns', () => {
  it('finds the rows that leave the press unit its room', () => {
    // 80 − 2·(24 + 1) = 30 and 80 − (48 + 1) = 31 lie in 28–34; 80 − 25 = 55 does not.
    const { patterns } = openingPatterns(OPENING, MODULES, DEMAND);
    expect(patterns.map((p) => [[...p.rows], p.closure])).toEqual([
      [[['24000x2', 2]], 30_000],
      [[['48000x1', 1]], 31_000],
    ]);
  });

  it('leaves low rows out that a higher one always holds as well', () => {
    // Two rows of 24 have four blocks of 24, and one row of 48 has one block that holds four of them, if they are divided alike: with two ways
    // to divide a block of 24 (one of 24, four of 12) five blocks may still be three and two, and only seven are sure to have four alike.
    const two = (sizes: number[]) =>
      openingPatterns(OPENING, MODULES, { sizes: new Set(sizes), rowSets: 1 }).patterns.map((p) => [
        ...p.rows.keys(),
      ]);
    expect(two([24_000, 48_000])).toEqual([['48000x1']]);
    expect(two([12_000, 24_000, 48_000])).toEqual([['24000x2'], ['48000x1']]);
  });

  it('uses the fewest fillers, and none that are not there', () => {
    const tall = {
      ...OPENING,
      height: 94,
      fillers: [
        { thickness: 6, max: 1 },
        { thickness: 12, max: 1 },
      ],
    };
    // 94 − 50 = 44: one of 12 leaves 32
    expect(openingPatterns(tall, MODULES, DEMAND).patterns[0]).toMatchObject({
      fillers: [12],
      closure: 32_000,
    });
    expect(openingPatterns({ ...tall, fillers: [] }, MODULES, DEMAND).patterns).toEqual([]);
  });

  it('builds a rounded opening with corner rows at both ends when the press unit stands inside', () => {
    const round = { ...OPENING, press: { ...OPENING.press, at: ['inside' as const] }, cornerModule: 'C24' };
    // 80 − 48 − one plate = 31
    expect(openingPatterns(round, MODULES, DEMAND).patterns).toMatchObject([
      { press: 'inside', closure: 31_000 },
    ]);
    expect(openingPatterns({ ...round, width: 24 }, MODULES, DEMAND).patterns).toEqual([]);
    expect(openingPatterns({ ...OPENING, press: round.press }, MODULES, DEMAND).patterns).toEqual([]);
  });

  it('leaves out rows beside which nothing closes the opening, and keeps low ones where none may be divided', () => {
    const modules = [...MODULES, { ...MODULE, id: 'M12', size: 12 }];
    const low = openingPatterns({ ...OPENING, height: 57 }, modules, DEMAND);
    // 57 − 24 − 1 = 32 and 57 − 13 − 13 = 31 close it; 57 − 49 = 8 does not.
    expect([...low.kinds.keys()]).toEqual(['24000x2', '12000x4']);
    const demand = { sizes: new Set([24_000, 48_000]), rowSets: 1 };
    const single = openingPatterns({ ...OPENING, undivided: true }, MODULES, demand);
    expect(single.patterns.map((p) => [...p.rows.keys()])).toEqual([['24000x2!'], ['48000x1!']]);
  });
});
