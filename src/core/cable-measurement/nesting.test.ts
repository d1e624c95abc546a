import { interval } from '@/core/testing';
import { NOTHING_MEASURED } from '@/core/gland-selection';
import { nestingProblems, type Layers } from '.';

const WIRE: Layers = { armour: 'roundWire', jacketed: true, innerSheath: true, cores: 4 };
const at = (quantity: Parameters<typeof interval>[0], mm: number) => interval(quantity, mm, mm);
const problems = (layers: Layers, mm: Partial<Record<Parameters<typeof interval>[0], number>>) =>
  nestingProblems(layers, {
    ...NOTHING_MEASURED,
    ...Object.fromEntries(Object.entries(mm).map(([q, d]) => [q, at(q as 'core', d)])),
  }).map((p) => p.message);

it.each<[string, Partial<Layers>, Parameters<typeof problems>[1], boolean]>([
  ['nothing measured', {}, {}, true],
  [
    'layers that nest',
    {},
    { outerSheath: 28, overArmour: 25, innerSheath: 21.5, laidUpCores: 19, core: 8, armourWire: 1.6 },
    true,
  ],
  ['an inner sheath just inside', {}, { outerSheath: 28, innerSheath: 27.9 }, true],
  ['an inner sheath as thick as the outer', {}, { outerSheath: 28, innerSheath: 28 }, false],
  ['cores as thick as the inner sheath', {}, { innerSheath: 21, laidUpCores: 21 }, false],
  ['an inner sheath over the armour', {}, { innerSheath: 25, overArmour: 24.9 }, false],
  ['armour as thick as its jacket', {}, { outerSheath: 28, overArmour: 28 }, false],
  [
    'armour thicker than the whole cable, without a jacket',
    { jacketed: false },
    { outerSheath: 28, overArmour: 28.1 },
    false,
  ],
  ['a single core thicker than its bundle', { cores: 1 }, { laidUpCores: 19, core: 19.1 }, false],
  ['armour without a jacket over it', { jacketed: false }, { outerSheath: 28, overArmour: 28 }, true],
  ['one core as thick as four', {}, { laidUpCores: 19, core: 19 }, false],
  ['a single core that is its bundle', { cores: 1 }, { laidUpCores: 19, core: 19 }, true],
  [
    'wires that fill the room under the jacket',
    {},
    { outerSheath: 25, innerSheath: 22, armourWire: 1.5 },
    false,
  ],
  ['wires that leave the jacket a little', {}, { outerSheath: 25, innerSheath: 22, armourWire: 1.49 }, true],
  [
    'bare wires that just fit',
    { jacketed: false },
    { outerSheath: 25, innerSheath: 22, armourWire: 1.5 },
    true,
  ],
  [
    'an inner sheath in a cable without one',
    { innerSheath: false },
    { outerSheath: 28, innerSheath: 21 },
    false,
  ],
  [
    'armour in a cable without any',
    { armour: 'none', innerSheath: false },
    { outerSheath: 14, overArmour: 12 },
    false,
  ],
  [
    'the strip of a metal-clad cable',
    { armour: 'interlocked', innerSheath: false },
    { outerSheath: 24, overArmour: 21, armourWire: 0.6 },
    true,
  ],
])('%s', (_, layers, mm, good) => expect(problems({ ...WIRE, ...layers }, mm).length === 0).toBe(good));

it('names both numbers and the reading', () => {
  const found = nestingProblems(WIRE, {
    ...NOTHING_MEASURED,
    outerSheath: at('outerSheath', 25),
    innerSheath: at('innerSheath', 26.2),
  });
  expect(found).toEqual([
    {
      path: 'readings[0].text',
      message: 'inner sheath of 26.2 mm cannot lie inside the outer sheath of 25 mm: measure both again',
    },
  ]);
});
