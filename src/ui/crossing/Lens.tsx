import Box from '@mui/material/Box';
import type { FacePlace } from '@/core/crossing';
import type { Drawing, DrawingItem, Point } from '@/core/kernel';
import { DrawingSvg } from '../drawing/DrawingSvg';

/** Places beside the one under the pointer that the glass shows as well, in sizes of it. */
const AROUND = 0.9;
const SIDE_PX = 168;

interface Props {
  /** With tags in full: under the glass there is room for them. */
  readonly drawing: Drawing;
  readonly at: FacePlace;
}

/** Does any of it lie under the glass? Only that is drawn: a wall of a thousand cables would follow the pointer too slowly. */
function isNear(item: DrawingItem, middle: Point, half: number): boolean {
  const points = item.kind === 'text' ? [item.at] : item.points;
  const xs = points.map((p) => p.x);
  const ys = points.map((p) => p.y);
  return (
    Math.min(...xs) <= middle.x + half &&
    Math.max(...xs) >= middle.x - half &&
    Math.min(...ys) <= middle.y + half &&
    Math.max(...ys) >= middle.y - half
  );
}

/** A magnifier on the place under the pointer or the focus, in the corner that is farther from it. */
export function Lens({ drawing, at }: Props) {
  const half = at.size * (0.5 + AROUND);
  const [cx, cy] = [at.x + at.size / 2, at.y + at.size / 2];
  const items = drawing.items.filter((item) => isNear(item, { x: cx, y: cy }, half));
  return (
    <Box
      aria-hidden
      sx={{
        position: 'absolute',
        top: 0,
        [cx < drawing.width / 2 ? 'right' : 'left']: 0,
        width: SIDE_PX,
        height: SIDE_PX,
        overflow: 'hidden',
        border: '3px solid',
        borderColor: 'text.primary',
        borderRadius: '50%',
        bgcolor: 'background.paper',
        pointerEvents: 'none',
        '& svg': { width: '100%', height: '100%' },
      }}
    >
      <DrawingSvg
        drawing={{ ...drawing, items }}
        part={{ x: cx - half, y: cy - half, width: 2 * half, height: 2 * half }}
      />
    </Box>
  );
}
