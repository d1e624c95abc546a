import { rectangle, type Drawing, type DrawingItem } from '@/core/kernel';
import {
  ALL,
  smallest,
  type PlugPlan,
  type PlugRequest,
  type Round,
  type SleevePlan,
  type SleeveRequest,
  type WrapPlan,
  type WrapRequest,
} from '@/core/soft-seal';
import { trimNumber } from '@/core/units';
import { cable, circuitsIn, label, line, nameFor, round, shape } from './marks';

/** Wall round the opening, and room below for what is said of it, mm. */
const WALL = 14;

/** Where 0, 0 of an arrangement lies in its drawing, and the size of that, mm. y grows downwards there, upwards in the arrangement. */
export interface SectionFrame {
  readonly width: number;
  readonly height: number;
  readonly x0: number;
  readonly y0: number;
}

/** How the section of a sleeve stands in its drawing. */
export function sleeveFrame(request: SleeveRequest): SectionFrame {
  const s = smallest(request.opening);
  const [w, h] = s.kind === 'circle' ? [s.d, s.d] : [s.w, s.h];
  const foot = Math.max(8, w / 14);
  return {
    width: w + 2 * WALL,
    height: h + 2 * WALL + foot,
    x0: s.kind === 'circle' ? WALL + w / 2 : WALL,
    y0: s.kind === 'circle' ? WALL + h / 2 : WALL + h,
  };
}

/** Numbers of cables in the order in which they are given, from 1: what stands for a tag that would be too small to read. */
export const cableNumbers = (tags: readonly string[]): ReadonlyMap<string, number> =>
  new Map(tags.map((tag, i) => [tag, i + 1]));

/** A packed sleeve across its axis, to scale: cables by their circuit in what goes round them, blanks, and between them what stays open. */
export function sleeveSection(request: SleeveRequest, plan: SleevePlan, numbered: boolean): Drawing {
  const s = smallest(request.opening);
  const { width, height, x0, y0 } = sleeveFrame(request);
  const circuits = circuitsIn(request.cables);
  const numbers = cableNumbers(request.cables.map((c) => c.tag));
  const cables = new Map(request.cables.map((c) => [c.tag, c]));
  const foot = height - 2 * WALL - (s.kind === 'circle' ? s.d : s.h);
  const items: DrawingItem[] = [
    shape('wall', rectangle(0, 0, width, height - foot)),
    s.kind === 'circle'
      ? shape('ground', round(x0, y0, s.d / 2))
      : shape('ground', rectangle(WALL, WALL, s.w, s.h)),
  ];
  // What lies in no opening of this size is drawn in the smallest that was found for it, over the edge of this one.
  const lying = plan.circles.length > 0 ? plan.circles : (plan.wouldFit?.circles ?? []);
  const [cx, cy] = plan.circles.length > 0 ? [x0, y0] : [width / 2, (height - foot) / 2];
  for (const c of lying) {
    const at = { x: cx + c.x, y: cy - c.y };
    if (c.tag === null) {
      items.push(shape('body', round(at.x, at.y, c.d / 2), { dimensionId: `blank ${c.part}` }));
      items.push(line(cross(at, c.d / 6), { width: width / 500 }));
      continue;
    }
    const own = cables.get(c.tag);
    if (!own) continue;
    items.push(shape('seal', round(at.x, at.y, c.d / 2), { dimensionId: c.tag }));
    items.push(
      ...cable(
        c.tag,
        own.circuit ?? '',
        circuits,
        { ...at, d: own.diameter.max },
        nameFor(c.tag, numbered ? (numbers.get(c.tag) ?? 0) : null, own.diameter.max, width),
      ),
    );
  }
  if (plan.circles.length === 0 && plan.wouldFit !== null) {
    const edge = s.kind === 'circle' ? round(x0, y0, s.d / 2) : rectangle(WALL, WALL, s.w, s.h);
    items.push(line([...edge, ...edge.slice(0, 1)], { dashed: true, role: 'mark', width: 1.6 }));
  }
  const across =
    s.kind === 'circle'
      ? `${trimNumber(s.d, 1)} mm across`
      : `${trimNumber(s.w, 1)} × ${trimNumber(s.h, 1)} mm`;
  items.push(
    label(`smallest opening, ${across}`, width / 2, height - foot / 2, width / 24, 'middle', 'dimension'),
  );
  const blanks = plan.circles.filter((c) => c.tag === null).length;
  return {
    width,
    height,
    mmPerUnit: 1,
    items,
    description:
      plan.circles.length === 0
        ? `The opening, ${across}, to scale; what is to go through lies in no way in it`
        : `Section across the opening, ${across}, to scale: ${plan.circles.length - blanks} cables in their sleeves, ${blanks} blanks`,
  };
}

const cross = ({ x, y }: { readonly x: number; readonly y: number }, r: number) => [
  { x: x - r, y: y - r },
  { x: x + r, y: y + r },
];

/** A plug across its axis, to scale. */
export function plugSection({ bore, cable: own, offsetMm = 0 }: PlugRequest, plan: PlugPlan): Drawing {
  const foot = Math.max(8, bore.min / 14);
  const width = bore.min + 2 * WALL;
  const height = width + foot;
  const middle = width / 2;
  return {
    width,
    height,
    mmPerUnit: 1,
    items: [
      shape('wall', rectangle(0, 0, width, width)),
      shape(plan.plug === null ? 'ground' : 'seal', round(middle, middle, bore.min / 2)),
      // The seam between the halves.
      ...(plan.plug === null
        ? []
        : [
            line(
              [
                { x: middle, y: WALL },
                { x: middle, y: width - WALL },
              ],
              { role: 'ground', width: 1.2 },
            ),
          ]),
      ...cable(
        own.tag,
        own.circuit ?? '',
        [own.circuit ?? ''],
        { x: middle + offsetMm, y: middle, d: own.diameter.max },
        nameFor(own.tag, 1, own.diameter.max, width),
      ),
      label(
        `gap ${trimNumber(plan.annulus.min, 1)}–${trimNumber(plan.annulus.max, 1)} mm`,
        middle,
        height - foot / 2,
        width / 24,
        'middle',
        'dimension',
      ),
    ],
    description: `Section across the bore of ${trimNumber(bore.min, 1)} mm, to scale: ${own.tag} with a gap of ${trimNumber(plan.annulus.min, 1)} to ${trimNumber(plan.annulus.max, 1)} mm round it${plan.plug === null ? ', and no plug that closes it' : `, ${plan.plug} in two halves`}`,
  };
}

/** A bundle of a wrap where it stands in the section, with its strip, and its cables; drawing coordinates, mm. */
interface BundlePlace {
  readonly id: string;
  readonly x: number;
  readonly y: number;
  readonly round: Round;
  readonly cables: readonly {
    readonly tag: string;
    readonly x: number;
    readonly y: number;
    readonly d: number;
  }[];
}

/** How the section of a wrap stands in its drawing, and where its bundles stand in it. */
export function wrapFrame(
  { sheet, stub }: WrapRequest,
  { rounds }: WrapPlan,
): {
  readonly width: number;
  readonly height: number;
  readonly middle: number;
  readonly foot: number;
  readonly all: Round | undefined;
  readonly bundles: readonly BundlePlace[];
} {
  const all = rounds.find((r) => r.id === ALL);
  const outer = rounds.at(-1);
  const largest = Math.max(
    stub.outside.max,
    outer === undefined ? 0 : outer.diameter.max + 2 * outer.layers * sheet.strip.thicknessMm,
  );
  const foot = Math.max(8, largest / 16);
  const width = largest + 2 * WALL;
  const middle = width / 2;
  return {
    width,
    height: width + foot,
    middle,
    foot,
    all,
    bundles: rounds
      .filter((r) => r.id !== ALL)
      .map((r) => {
        const at = all?.circles.find((c) => c.name === r.id) ?? { x: 0, y: 0 };
        const [x, y] = [middle + at.x, middle - at.y];
        return {
          id: r.id,
          x,
          y,
          round: r,
          cables: r.circles.map((c) => ({ tag: c.name, x: x + c.x, y: y - c.y, d: c.d })),
        };
      }),
  };
}

/** A fire wrap across its axis, to scale: cables in their bundles with strip and sealant, and the strip round all. */
export function wrapSection(request: WrapRequest, plan: WrapPlan, numbered: boolean): Drawing {
  const { sheet, stub, bundles } = request;
  const thick = sheet.strip.thicknessMm;
  const { width, height, middle, foot, all, bundles: places } = wrapFrame(request, plan);
  const outer = plan.rounds.at(-1);
  const circuits = circuitsIn(bundles.flatMap((b) => b.cables));
  const through = new Map(bundles.flatMap((b) => b.cables).map((c) => [c.tag, c]));
  const numbers = cableNumbers([...through.keys()]);
  const items: DrawingItem[] = [];
  const strip = (cx: number, cy: number, r: Round) => {
    for (let k = r.layers; k > 0; k -= 1)
      items.push(
        shape('body', round(cx, cy, r.diameter.max / 2 + k * thick), { dimensionId: `round ${r.id}` }),
      );
    items.push(shape('compound', round(cx, cy, r.diameter.max / 2), { dimensionId: `round ${r.id}` }));
  };
  if (all) strip(middle, middle, all);
  for (const place of places) {
    strip(place.x, place.y, place.round);
    for (const c of place.cables)
      items.push(
        ...cable(
          c.tag,
          through.get(c.tag)?.circuit ?? '',
          circuits,
          c,
          nameFor(c.tag, numbered ? (numbers.get(c.tag) ?? 0) : null, c.d, width),
        ),
      );
  }
  // The stub behind it all.
  const ring = round(middle, middle, stub.outside.max / 2);
  items.push(line([...ring, ...ring.slice(0, 1)], { dashed: true, role: 'dimension', width: 1 }));
  if (plan.rounds.length === 0) items.push(label('blank', middle, middle, width / 16));
  items.push(
    label(
      outer === undefined
        ? `stub, ${trimNumber(stub.outside.max, 0)} mm outside`
        : `bundle ${trimNumber(outer.diameter.min, 0)}–${trimNumber(outer.diameter.max, 0)} mm, dashed: the stub`,
      middle,
      height - foot / 2,
      width / 26,
      'middle',
      'dimension',
    ),
  );
  return {
    width,
    height,
    mmPerUnit: 1,
    items,
    description: `Section across the wrap, to scale: ${bundles.length} bundles with ${through.size} cables, strip round each${all ? ' and round all' : ''}; the stub dashed`,
  };
}
