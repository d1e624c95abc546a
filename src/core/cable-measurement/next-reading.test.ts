import { nextAngle, nextToMeasure, type Quantity, type Reading } from '.';

const NEEDED: readonly Quantity[] = ['outerSheath', 'innerSheath', 'armourWire'];
const caliper = (quantity: Quantity): Reading => ({ quantity, method: 'caliper', text: '20', unit: 'mm' });

it('leads an instrument that types through every layer, both angles of each, and never writes one into another', () => {
  const readings: Reading[] = [];
  const asked: string[] = [];
  let quantity: Quantity | null = 'outerSheath';
  for (let guard = 0; quantity !== null && guard < 20; guard += 1) {
    asked.push(`${quantity} ${nextAngle(readings, quantity)}`);
    readings.push(caliper(quantity));
    quantity = nextToMeasure(NEEDED, readings, quantity);
  }
  expect(asked).toEqual([
    'outerSheath 0',
    'outerSheath 90',
    'innerSheath 0',
    'innerSheath 90',
    'armourWire 0',
  ]);
});

it.each<[string, Quantity[], Quantity, Quantity | null]>([
  ['one of two angles is there', ['outerSheath'], 'outerSheath', 'outerSheath'],
  ['a layer in the middle was begun with', ['innerSheath', 'innerSheath'], 'innerSheath', 'armourWire'],
  ['the last layer is done and an earlier one is not', ['armourWire'], 'armourWire', 'outerSheath'],
  [
    'all have theirs',
    ['outerSheath', 'outerSheath', 'innerSheath', 'innerSheath', 'armourWire'],
    'outerSheath',
    null,
  ],
])('goes on where %s', (_, taken, current, next) => {
  expect(nextToMeasure(NEEDED, taken.map(caliper), current)).toBe(next);
});

it('does not take a datasheet or a tape for a caliper’s second angle', () => {
  const tape: Reading = { ...caliper('outerSheath'), method: 'wrapTape', text: '60' };
  expect(nextToMeasure(NEEDED, [caliper('outerSheath'), tape], 'outerSheath')).toBe('outerSheath');
});
