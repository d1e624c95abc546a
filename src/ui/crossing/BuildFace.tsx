import type { FrameView } from '@/core/crossing';
import type { PlaceRef } from '@/core/frame-packing';
import type { Step } from '@/core/record';
import { FaceView } from './FaceView';

const NOTHING = () => undefined;

interface Props {
  readonly view: FrameView;
  readonly step: Step;
}

/** The frame as it will be, with the row of this step lit. */
export function BuildFace({ view, step }: Props) {
  const [inForce] = view.plans;
  if (!inForce) return null;
  const { target } = step;
  return (
    <FaceView
      request={inForce.request}
      plan={inForce.plan}
      side="front"
      only={target?.kind === 'row' || target?.kind === 'opening' ? target.frame : null}
      lit={null}
      picked={null}
      target={null}
      locked={rowOf(inForce.plan.frames, target)}
      marks="row"
      tall
      onLight={NOTHING}
      onPick={NOTHING}
      onOver={NOTHING}
      onDrop={NOTHING}
    />
  );
}

/** Every place of the row that a step is about. */
function rowOf(frames: FrameView['plans'][number]['plan']['frames'], target: Step['target']): PlaceRef[] {
  if (target?.kind !== 'row') return [];
  const { frame, opening, row } = target;
  const places = frames[frame]?.openings[opening]?.rows[row]?.places ?? [];
  return places.map((_, place) => ({ frame, opening, row, place }));
}
