/** Where the holes of a plate are drawn, in the unit of their diameters. */
export interface PlacedHole {
  readonly label: string;
  readonly x: number;
  readonly y: number;
  readonly r: number;
}

interface Hole {
  readonly label: string;
  readonly diameterMm: number;
}

/**
 * Lays holes out on a plate in rows, in their order, each as large as it is: it shows how many there are and how they compare, not where they were
 * drilled. `width` bounds the plate; lengths in mm.
 */
export function layPlate(
  holes: readonly Hole[],
  width: number,
): { readonly holes: readonly PlacedHole[]; readonly width: number; readonly height: number } {
  const gap = 6;
  const placed: PlacedHole[] = [];
  let [x, y, row, widest] = [gap, gap, 0, 0];
  for (const { label, diameterMm } of holes) {
    if (x > gap && x + diameterMm + gap > width) {
      x = gap;
      y += row + gap;
      row = 0;
    }
    placed.push({ label, x: x + diameterMm / 2, y: y + diameterMm / 2, r: diameterMm / 2 });
    x += diameterMm + gap;
    row = Math.max(row, diameterMm);
    widest = Math.max(widest, x);
  }
  return { holes: placed, width: Math.max(widest, 2 * gap), height: y + row + gap };
}
