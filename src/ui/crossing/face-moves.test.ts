import type { ClientRect, KeyboardCoordinateGetter } from '@dnd-kit/core';
import { placeId, toNextPlace } from './face-moves';

const rect = (left: number, top: number, size = 20): ClientRect => ({
  left,
  top,
  width: size,
  height: size,
  right: left + size,
  bottom: top + size,
});
// Three small places in a row, and a large one above all of them.
const PLACES = [rect(0, 60), rect(20, 60), rect(40, 60), rect(0, 0, 60)];

/** Where a cable that stands at a place goes by a key, as the drag library asks. */
function goes(from: ClientRect, code: string): { x: number; y: number } | undefined {
  let prevented = false;
  const event = { code, preventDefault: () => (prevented = true) } as unknown as KeyboardEvent;
  const to = toNextPlace(event, {
    active: 'x',
    currentCoordinates: { x: 100, y: 100 },
    context: {
      collisionRect: from,
      droppableRects: new Map(PLACES.map((r, i) => [i, r])),
    },
  } as unknown as Parameters<KeyboardCoordinateGetter>[1]);
  const moved = to !== undefined && (to.x !== 100 || to.y !== 100);
  expect(prevented).toBe(moved);
  return to === undefined ? undefined : { x: to.x - 100, y: to.y - 100 };
}

it('moves a cable by arrows to the next place in that direction, and no further than the last', () => {
  const [first, second, third, large] = PLACES as [ClientRect, ClientRect, ClientRect, ClientRect];
  expect(goes(first, 'ArrowRight')).toEqual({ x: 20, y: 0 });
  expect(goes(second, 'ArrowLeft')).toEqual({ x: -20, y: 0 });
  expect(goes(third, 'ArrowRight')).toEqual({ x: 0, y: 0 });
  expect(goes(second, 'ArrowUp')).toEqual({ x: 0, y: -40 });
  expect(goes(large, 'ArrowDown')).toEqual({ x: 0, y: 40 });
  expect(goes(first, 'Escape')).toBeUndefined();
});

it('names a place by where it stands, so that no two places of a plan share a name', () => {
  expect(placeId({ frame: 1, opening: 0, row: 12, place: 3 })).toBe('1.0.12.3');
  expect(placeId({ frame: 1, opening: 0, row: 1, place: 23 })).not.toBe(
    placeId({ frame: 1, opening: 0, row: 12, place: 3 }),
  );
});
