import { horizontalDimension, type Drawing, type DrawingItem } from '@/core/kernel';
import {
  smallest,
  type PlugPlan,
  type PlugRequest,
  type SleevePlan,
  type SleeveRequest,
  type WrapPlan,
  type WrapRequest,
} from '@/core/soft-seal';
import { trimNumber } from '@/core/units';
import { lookOf } from '../face-drawing';
import { bar, circuitsIn, label, line } from './marks';

/** Cable that stands out on either side, wall above and below, and room for a line of dimensions, mm. */
const OUT = 34;
const WALL = 26;
const DIMENSION = 18;
const mm = (value: number): string => `${trimNumber(value, 1)} mm`;

/** Half the width of a circle where a plane `off` its middle cuts it; null where it passes beside it. */
const halfChord = (d: number, off: number): number | null =>
  Math.abs(off) < d / 2 ? Math.sqrt((d / 2) ** 2 - off ** 2) : null;

/**
 * A packed sleeve cut along its axis through the middle, to scale: sealant at both faces, the filling behind each, air where there is any. Cables and
 * blanks are drawn where that plane meets them.
 */
export function sleeveAxis(request: SleeveRequest, plan: SleevePlan): Drawing {
  const s = smallest(request.opening);
  const [across, middle] = s.kind === 'circle' ? [s.d, 0] : [s.h, s.w / 2];
  const floor = s.kind === 'circle' ? s.d / 2 : s.h;
  const deep = request.depth.min;
  const { sealantMm, airMm } = plan;
  const { fillingMm } = request.sheet;
  const need = 2 * sealantMm + fillingMm + airMm;
  const long = Math.max(deep, need);
  const width = long + 2 * OUT;
  const top = WALL;
  const height = across + 2 * WALL + 2 * DIMENSION;
  const circuits = circuitsIn(request.cables);
  const own = new Map(request.cables.map((c) => [c.tag, c]));
  const items: DrawingItem[] = [
    bar('wall', OUT, 0, deep, WALL),
    bar('wall', OUT, top + across, deep, WALL),
    bar('ground', OUT, top, deep, across),
  ];
  const half = fillingMm / 2;
  const faces = [
    { x: OUT, inner: OUT + sealantMm },
    { x: OUT + deep - sealantMm, inner: OUT + deep - sealantMm - half },
  ];
  for (const { x, inner } of faces) {
    items.push(bar('compound', x, top, sealantMm, across, 'sealant'));
    for (const c of plan.circles) {
      const h = halfChord(c.d, c.x - middle);
      if (h === null) continue;
      items.push(
        bar(c.tag === null ? 'body' : 'seal', inner, top + floor - c.y - h, half, 2 * h, c.tag ?? 'filling'),
      );
    }
  }
  for (const c of plan.circles) {
    const cable = c.tag === null ? undefined : own.get(c.tag);
    const h = cable === undefined ? null : halfChord(cable.diameter.max, c.x - middle);
    if (cable === undefined || h === null) continue;
    const { role, pattern } = lookOf(circuits, cable.circuit ?? '');
    items.push({
      kind: 'polygon',
      role,
      pattern,
      dimensionId: cable.tag,
      points: [
        { x: 0, y: top + floor - c.y - h },
        { x: width, y: top + floor - c.y - h },
        { x: width, y: top + floor - c.y + h },
        { x: 0, y: top + floor - c.y + h },
      ],
    });
  }
  const y = across + 2 * WALL + DIMENSION * 0.8;
  const size = width / 32;
  const right = OUT + deep;
  const air = deep - 2 * sealantMm - fillingMm;
  if (air > 4 * size)
    items.push(label('air', OUT + deep / 2, top + across - size, size, 'middle', 'dimension'));
  items.push(
    ...horizontalDimension(OUT, OUT + sealantMm, y, trimNumber(sealantMm, 1), 'sealant', size),
    ...horizontalDimension(OUT + sealantMm, OUT + sealantMm + half, y, trimNumber(half, 1), 'filling', size),
    ...horizontalDimension(
      right - sealantMm - half,
      right - sealantMm,
      y,
      trimNumber(half, 1),
      'filling',
      size,
    ),
    ...horizontalDimension(right - sealantMm, right, y, trimNumber(sealantMm, 1), 'sealant', size),
    ...horizontalDimension(
      OUT,
      right,
      y + DIMENSION * 0.9,
      `${mm(deep)} deep at least, ${mm(need)} needed`,
      'depth',
      size,
    ),
  );
  return {
    width,
    height: height + 4,
    mmPerUnit: 1,
    items,
    description: `Cut along the axis, to scale: ${mm(deep)} deep, ${mm(sealantMm)} of sealant at each face, ${mm(fillingMm)} of filling${airMm > 0 ? `, ${mm(airMm)} of air` : ''}; ${mm(need)} needed`,
  };
}

/** A plug at each face, cut along the axis, to scale. */
export function plugAxis({ bore, cable, depthMm, sheet }: PlugRequest, plan: PlugPlan): Drawing {
  const long = sheet.plugs.find((p) => p.id === plan.plug)?.lengthMm ?? 0;
  const width = depthMm + 2 * OUT;
  const across = bore.min;
  const height = across + 2 * WALL + 2 * DIMENSION;
  const top = WALL + (across - cable.diameter.max) / 2;
  const size = width / 32;
  const y = across + 2 * WALL + DIMENSION * 0.8;
  const { role, pattern } = lookOf([cable.circuit ?? ''], cable.circuit ?? '');
  return {
    width,
    height: height + 4,
    mmPerUnit: 1,
    items: [
      bar('wall', OUT, 0, depthMm, WALL),
      bar('wall', OUT, WALL + across, depthMm, WALL),
      bar('ground', OUT, WALL, depthMm, across),
      ...(long > 0
        ? [
            bar('seal', OUT, WALL, long, across, 'plug'),
            bar('seal', OUT + depthMm - long, WALL, long, across, 'plug'),
          ]
        : []),
      {
        kind: 'polygon',
        role,
        pattern,
        dimensionId: cable.tag,
        points: [
          { x: 0, y: top },
          { x: width, y: top },
          { x: width, y: top + cable.diameter.max },
          { x: 0, y: top + cable.diameter.max },
        ],
      },
      ...(long > 0
        ? [
            ...horizontalDimension(OUT, OUT + long, y, trimNumber(long, 1), 'plug', size),
            ...horizontalDimension(OUT + depthMm - long, OUT + depthMm, y, trimNumber(long, 1), 'plug', size),
          ]
        : []),
      ...horizontalDimension(
        OUT,
        OUT + depthMm,
        y + DIMENSION * 0.9,
        `${mm(depthMm)} deep, ${mm(2 * long)} needed`,
        'depth',
        size,
      ),
    ],
    description: `Cut along the axis, to scale: ${mm(depthMm)} deep, a plug of ${mm(long)} at each face, air between them`,
  };
}

/** A fire wrap cut along its axis, to scale: the strip as it is laid above, as it is under the tie below, the cloth over it, the marks. */
export function wrapAxis(request: WrapRequest, plan: WrapPlan): Drawing {
  const { sheet, stub } = request;
  const { strip, marks } = sheet;
  const outer = plan.rounds.at(-1);
  const bundle = outer?.diameter.max ?? 0;
  const layers = outer?.layers ?? 0;
  const laid = layers * strip.thicknessMm;
  // The middle of the window that the sheet gives.
  const lost = (strip.compression.min + strip.compression.max) / 2;
  const tied = laid * (1 - lost);
  const tall = Math.max(stub.outside.max, bundle + 2 * laid);
  const wallMm = 20;
  const from = wallMm + stub.lengthMm;
  const width = from + plan.marks.second + OUT;
  const head = 22;
  const middle = head + tall / 2 + 6;
  const bottom = middle + tall / 2 + 6;
  const size = width / 34;
  const stripAt = from + marks.fromStubMm + (marks.apartMm - strip.widthMm) / 2;
  const items: DrawingItem[] = [
    bar('wall', 0, head - 6, wallMm, tall + 24),
    // The stub, cut open: its two walls.
    bar('metal', 0, middle - stub.outside.max / 2, from, (stub.outside.max - stub.inside.max) / 2, 'stub'),
    bar('metal', 0, middle + stub.inside.max / 2, from, (stub.outside.max - stub.inside.max) / 2, 'stub'),
  ];
  if (bundle > 0) {
    items.push(bar('conductor', 0, middle - bundle / 2, width, bundle, 'bundle'));
    items.push(
      bar('compound', from + marks.fromStubMm, middle - bundle / 2, marks.apartMm, bundle, 'sealant'),
    );
    items.push(bar('body', stripAt, middle - bundle / 2 - laid, strip.widthMm, laid, 'strip'));
    items.push(bar('body', stripAt, middle + bundle / 2, strip.widthMm, tied, 'strip'));
    items.push(bar('mark', stripAt + strip.widthMm / 2 - 5, middle + bundle / 2 + tied, 10, 3, 'tie'));
    items.push(
      label(`as laid, ${mm(laid)}`, stripAt + strip.widthMm / 2, middle - bundle / 2 + size, size),
      label(`tied, ${mm(tied)}`, stripAt + strip.widthMm / 2, middle + bundle / 2 - size, size),
    );
    for (const at of [plan.marks.first, plan.marks.second])
      items.push(
        line(
          [
            { x: from + at, y: middle - bundle / 2 - laid - 8 },
            { x: from + at, y: middle + bundle / 2 + laid + 8 },
          ],
          { dashed: true, role: 'dimension', width: 1 },
        ),
      );
  } else
    items.push(
      bar(
        'body',
        from - strip.widthMm,
        middle - stub.inside.max / 2,
        strip.widthMm,
        stub.inside.max,
        'strip',
      ),
      label('folded strip', from - strip.widthMm / 2, middle, size),
    );
  // The cloth: from behind the end of the stub over strip and tie, below as it hangs when it is tied.
  const over = bundle > 0 ? stripAt + strip.widthMm : from;
  for (const [side, reach] of [
    [-1, bundle / 2 + laid],
    [1, bundle / 2 + tied],
  ] as const) {
    const y = (r: number) => middle + side * (r + 3);
    items.push(
      line(
        [
          { x: wallMm + stub.lengthMm * 0.35, y: y(stub.outside.max / 2) },
          { x: from, y: y(stub.outside.max / 2) },
          { x: bundle > 0 ? stripAt : from, y: y(bundle > 0 ? reach : stub.outside.max / 2) },
          { x: over, y: y(bundle > 0 ? reach : stub.outside.max / 2) },
        ],
        { role: 'mark', width: 3 },
      ),
    );
  }
  items.push(
    label(
      'cloth: swelling face outward',
      wallMm + stub.lengthMm * 0.4,
      head - 12,
      size,
      'start',
      'dimension',
    ),
    ...(bundle > 0
      ? [
          ...horizontalDimension(
            from,
            from + plan.marks.first,
            bottom + 14,
            trimNumber(plan.marks.first, 0),
            'marks',
            size,
          ),
          ...horizontalDimension(
            from + plan.marks.first,
            from + plan.marks.second,
            bottom + 14,
            trimNumber(marks.apartMm, 0),
            'marks',
            size,
          ),
        ]
      : []),
    ...horizontalDimension(wallMm, from, bottom + 14, `stub ${trimNumber(stub.lengthMm, 0)}`, 'stub', size),
  );
  return {
    width,
    height: bottom + 24,
    mmPerUnit: 1,
    items,
    description: `Cut along the axis, to scale: stub of ${mm(stub.lengthMm)}, marks at ${mm(plan.marks.first)} and ${mm(plan.marks.second)} from its end, strip of ${mm(laid)} as laid above and ${mm(tied)} under the tie below; the swelling face of the cloth outward`,
  };
}
