'use client';
import { wrapFrame } from '@/core/crossing';
import type { Drawing } from '@/core/kernel';
import { Handles, type Handle, type Point } from './Handles';
import type { SealMade } from './use-seal';

type WrapMade = Extract<SealMade, { readonly of: 'wrap' }>;

interface Props {
  readonly made: WrapMade;
  readonly drawing: Drawing;
  readonly busy: boolean;
  readonly lit: string | null;
  readonly onLight: (tag: string | null) => void;
  /** A cable goes into another bundle. */
  readonly onBundle: (tag: string, bundle: string) => void;
}

/** Over the section of a wrap: a cable is laid into another bundle, or beside them all into one of its own. */
export function WrapHandles({ made, onBundle, ...rest }: Props) {
  const thick = made.request.sheet.strip.thicknessMm;
  const { middle, width, bundles } = wrapFrame(made.request, made.plan);
  const handles = bundles.flatMap((b) =>
    b.cables.map((c): Handle => ({ ...c, words: `${c.tag}, in bundle ${b.id}` })),
  );
  const ownOf = (tag: string) => bundles.find((b) => b.cables.some((c) => c.tag === tag));
  const bundleAt = (at: Point) =>
    bundles.find(
      (b) => Math.hypot(at.x - b.x, at.y - b.y) <= b.round.diameter.max / 2 + b.round.layers * thick,
    );
  const outside = (at: Point) => Math.hypot(at.x - middle, at.y - middle) > width / 2;
  const mayHang = (_: Handle, at: Point) => !outside(at);
  /** A name that no bundle has: of one more than there are, one is free. */
  const another = () => {
    const names = Array.from({ length: bundles.length + 1 }, (_, k) => `b${k + 1}`);
    return names.find((name) => bundles.every((b) => b.id !== name)) ?? '';
  };
  const lay = (tag: string, bundle: string) => {
    const own = ownOf(tag);
    // Within its bundle each finds its own place.
    if (own?.id !== bundle) onBundle(tag, bundle);
  };
  return (
    <Handles
      {...rest}
      handles={handles}
      mayHang={mayHang}
      onDrop={(c, at) => {
        if (outside(at)) return;
        const to = bundleAt(at);
        // The only one of its bundle has one of its own already.
        if (to === undefined && ownOf(c.tag)?.cables.length === 1) return;
        lay(c.tag, to?.id ?? another());
      }}
      onStep={(c, [right, up]) => {
        // In the order in which they are listed, whichever lies where.
        const listed = made.request.bundles;
        const at = listed.findIndex((b) => b.cables.some((of) => of.tag === c.tag));
        const to = listed[at + (right || -up)];
        if (to !== undefined) lay(c.tag, to.id);
      }}
    />
  );
}
