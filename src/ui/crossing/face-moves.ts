import {
  closestCenter,
  pointerWithin,
  type CollisionDetection,
  type KeyboardCoordinateGetter,
} from '@dnd-kit/core';
import type { PlaceRef } from '@/core/frame-packing';

/** A place by its number in frame, opening and row: what the drag library knows it by. */
export const placeId = ({ frame, opening, row, place }: PlaceRef): string =>
  `${frame}.${opening}.${row}.${place}`;

/** Under the pointer, or, where keys move the cable, nearest to where they have moved it. */
export const placeUnder: CollisionDetection = (args) =>
  args.pointerCoordinates ? pointerWithin(args) : closestCenter(args);

const WAYS: Readonly<Record<string, readonly [x: number, y: number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** One place on in the direction of the arrow: the nearest whose middle lies that way, and more that way than aside. */
export const toNextPlace: KeyboardCoordinateGetter = (event, { context, currentCoordinates }) => {
  const way = WAYS[event.code];
  const { collisionRect, droppableRects } = context;
  if (!way || !collisionRect) return undefined;
  const middle = {
    x: collisionRect.left + collisionRect.width / 2,
    y: collisionRect.top + collisionRect.height / 2,
  };
  let best: { far: number; dx: number; dy: number } | null = null;
  for (const rect of droppableRects.values()) {
    const [dx, dy] = [rect.left + rect.width / 2 - middle.x, rect.top + rect.height / 2 - middle.y];
    const [along, aside] = way[0] === 0 ? [dy * way[1], Math.abs(dx)] : [dx * way[0], Math.abs(dy)];
    if (along < 2 || aside > along) continue;
    const far = along + 2 * aside;
    if (best === null || far < best.far) best = { far, dx, dy };
  }
  if (best === null) return currentCoordinates;
  event.preventDefault();
  return { x: currentCoordinates.x + best.dx, y: currentCoordinates.y + best.dy };
};
