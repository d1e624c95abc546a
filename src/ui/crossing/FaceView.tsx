'use client';
import {
  DndContext,
  DragOverlay,
  KeyboardSensor,
  MouseSensor,
  TouchSensor,
  useSensor,
  useSensors,
  type Announcements,
  type DragEndEvent,
  type DragOverEvent,
} from '@dnd-kit/core';
import Box from '@mui/material/Box';
import dynamic from 'next/dynamic';
import { memo, useMemo, useState } from 'react';
import { faceDrawing, facePlaces, type FacePlace, type Side } from '@/core/crossing';
import { sameRef, type FramePlan, type FrameRequest, type PlaceRef } from '@/core/frame-packing';
import { DrawingSvg } from '../drawing/DrawingSvg';
import { placeId, placeUnder, toNextPlace } from './face-moves';
import { FacePlaceMark, type PlaceMark } from './FacePlaceMark';
import { refWords } from './words';

interface Props {
  readonly request: FrameRequest;
  readonly plan: FramePlan;
  readonly side: Side;
  /** Only this frame, or all of them. */
  readonly only: number | null;
  readonly lit: string | null;
  readonly picked: PlaceRef | null;
  readonly target: { readonly ref: PlaceRef; readonly good: boolean } | null;
  readonly locked: readonly PlaceRef[];
  /** Places that stay with the locked ones. */
  readonly along?: readonly PlaceRef[];
  /** Marked places are locked ones, or those of the row that is being built. */
  readonly marks?: 'locked' | 'row';
  /** It has the height of the window to itself. */
  readonly tall?: boolean;
  readonly onLight: (tag: string | null) => void;
  readonly onPick: (ref: PlaceRef) => void;
  /** While a cable hangs over a place, and when it is let go there. */
  readonly onOver: (from: PlaceRef, to: PlaceRef | null) => void;
  readonly onDrop: (from: PlaceRef, to: PlaceRef) => void;
}

const Lens = dynamic(() => import('./Lens').then((m) => m.Lens), { ssr: false });
const MemoDrawing = memo(DrawingSvg);
const NONE: readonly PlaceRef[] = [];
/** Shorter than this a stroke of the pointer is a click. */
const CLICK_PX = 4;
/** A place smaller than this on the screen is looked at through the glass. */
const GLASS_BELOW_MM = 31;

/** Holds a cable whose tag is too small to be read in the whole face. */
const isSmall = ({ place, size }: FacePlace): boolean => place.cable !== undefined && size < GLASS_BELOW_MM;

const refOf = (held: { data: { current?: unknown } } | null): PlaceRef | null =>
  (held?.data.current as { readonly ref: PlaceRef } | undefined)?.ref ?? null;

/** The frames to scale from one side. A cable is dragged with pointer, finger or keys (Space, arrows, Enter), or picked and put. */
export function FaceView(props: Props) {
  const { request, plan, side, only, lit, picked, target, onPick, onLight, onOver, onDrop } = props;
  const { locked, along = NONE, marks = 'locked', tall = false } = props;
  const drawing = useMemo(
    () => faceDrawing(request, plan, { side, only, numbered: true }),
    [request, plan, side, only],
  );
  const places = useMemo(() => facePlaces(request, plan, side, only), [request, plan, side, only]);
  const [looked, setLooked] = useState<FacePlace | null>(null);
  // With tags in full, drawn once the glass is first held over a place.
  const [glassUsed, setGlassUsed] = useState(false);
  const inFull = useMemo(
    () => (glassUsed ? faceDrawing(request, plan, { side, only }) : null),
    [glassUsed, request, plan, side, only],
  );
  const [hanging, setHanging] = useState<string | null>(null);
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: CLICK_PX } }),
    useSensor(TouchSensor, { activationConstraint: { distance: CLICK_PX } }),
    useSensor(KeyboardSensor, {
      coordinateGetter: toNextPlace,
      keyboardCodes: { start: ['Space'], cancel: ['Escape'], end: ['Space', 'Enter'] },
    }),
  );
  const markOf = (ref: PlaceRef): PlaceMark =>
    locked.some((l) => sameRef(l, ref)) ? marks : along.some((l) => sameRef(l, ref)) ? 'along' : null;
  const look = (at: FacePlace | null) => {
    setLooked(at);
    if (at !== null && isSmall(at)) setGlassUsed(true);
    onLight(at?.place.cable ?? null);
  };
  const over = ({ active, over: to }: DragOverEvent) => {
    const from = refOf(active);
    if (from) onOver(from, refOf(to));
  };
  const end = ({ active, over: to }: DragEndEvent) => {
    setHanging(null);
    const [from, at] = [refOf(active), refOf(to)];
    if (!from) return;
    onOver(from, null);
    if (at) onDrop(from, at);
  };
  return (
    <DndContext
      accessibility={{ announcements: announcementsOf(places) }}
      sensors={sensors}
      collisionDetection={placeUnder}
      onDragStart={({ active }) => setHanging(cableAt(places, refOf(active)))}
      onDragOver={over}
      onDragEnd={end}
      onDragCancel={({ active }) => {
        setHanging(null);
        const from = refOf(active);
        if (from) onOver(from, null);
      }}
    >
      <Box
        sx={{
          position: 'relative',
          width: '100%',
          maxHeight: tall ? 'calc(100dvh - 210px)' : 'max(300px, calc(100dvh - 392px))',
          mx: 'auto',
          '& > svg': { position: 'absolute', inset: 0, width: '100%', height: '100%' },
        }}
        style={{ aspectRatio: `${drawing.width} / ${drawing.height}` }}
      >
        <MemoDrawing drawing={drawing} lit={lit} />
        <svg viewBox={`0 0 ${drawing.width} ${drawing.height}`} role="group" aria-label="Places">
          {places.map((at) => (
            <FacePlaceMark
              key={placeId(at.ref)}
              at={at}
              mark={markOf(at.ref)}
              picked={picked !== null && sameRef(picked, at.ref)}
              over={target !== null && sameRef(target.ref, at.ref) ? (target.good ? 'good' : 'bad') : null}
              onPick={onPick}
              onLook={look}
            />
          ))}
        </svg>
        {inFull && looked && isSmall(looked) ? <Lens drawing={inFull} at={looked} /> : null}
      </Box>
      <DragOverlay dropAnimation={null}>
        {hanging === null ? null : (
          <Box
            component="span"
            sx={{ px: 0.75, fontWeight: 700, bgcolor: 'secondary.main', color: 'secondary.contrastText' }}
          >
            {hanging}
          </Box>
        )}
      </DragOverlay>
    </DndContext>
  );
}

const cableAt = (places: readonly FacePlace[], ref: PlaceRef | null): string | null =>
  (ref === null ? undefined : places.find((p) => sameRef(p.ref, ref)))?.place.cable ?? null;

/** What is said of a cable that is moved by keys; where it would do and where not is said by the line under the face. */
const announcementsOf = (places: readonly FacePlace[]): Announcements => ({
  onDragStart: ({ active }) =>
    `${cableAt(places, refOf(active)) ?? 'A spare'} picked up: arrows move it, Enter puts it down, Escape leaves it.`,
  onDragOver: ({ over }) => {
    const ref = refOf(over);
    return ref === null ? undefined : `Over ${refWords(ref)}.`;
  },
  onDragEnd: () => undefined,
  onDragCancel: () => 'Left where it was.',
});
