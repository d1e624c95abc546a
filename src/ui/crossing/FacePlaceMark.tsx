import { useDraggable, useDroppable } from '@dnd-kit/core';
import type { FacePlace } from '@/core/crossing';
import type { PlaceRef } from '@/core/frame-packing';
import { placeId } from './face-moves';
import { refWords } from './words';
import styles from './Face.module.css';

/** How a place is marked: kept by hand, kept with one that is, or of the row that is being built. */
export type PlaceMark = 'locked' | 'along' | 'row' | null;

const MARK_WORDS: Readonly<Record<Exclude<PlaceMark, null>, string>> = {
  locked: ', locked',
  along: ', stays with it',
  row: ', this row',
};

interface Props {
  readonly at: FacePlace;
  readonly mark: PlaceMark;
  readonly picked: boolean;
  /** A cable hangs over it that would do here, or would not. */
  readonly over: 'good' | 'bad' | null;
  readonly onPick: (ref: PlaceRef) => void;
  readonly onLook: (at: FacePlace | null) => void;
}

const wordsOf = ({ ref, place }: FacePlace, mark: PlaceMark): string =>
  `${refWords(ref)}, ${place.module}, ${place.cable ?? 'spare'}${mark ? MARK_WORDS[mark] : ''}${place.remeasure ? ', measure again' : ''}`;

/** One place of the face view: a cable in it is dragged, or picked and put with clicks or Enter. */
export function FacePlaceMark({ at, mark, picked, over, onPick, onLook }: Props) {
  const { ref, place, x, y, size } = at;
  const id = placeId(ref);
  const drag = useDraggable({ id, data: { ref }, disabled: place.cable === undefined });
  const drop = useDroppable({ id, data: { ref } });
  const put = (node: SVGGElement | null) => {
    drag.setNodeRef(node as unknown as HTMLElement | null);
    drop.setNodeRef(node as unknown as HTMLElement | null);
  };
  return (
    <g
      ref={put}
      {...drag.listeners}
      role="button"
      tabIndex={0}
      aria-label={wordsOf(at, mark)}
      aria-pressed={picked}
      data-place={id}
      data-cable={place.cable}
      data-over={over ?? undefined}
      data-row={mark === 'row' ? 'yes' : undefined}
      className={styles.place}
      onClick={() => onPick(ref)}
      onKeyDown={(e) => {
        if (e.key === 'Enter') {
          e.preventDefault();
          onPick(ref);
        } else drag.listeners?.onKeyDown?.(e);
      }}
      onPointerEnter={() => onLook(at)}
      onPointerLeave={() => onLook(null)}
      onFocus={() => onLook(at)}
      onBlur={() => onLook(null)}
    >
      <rect x={x} y={y} width={size} height={size} />
      {place.remeasure ? (
        <path
          d={`M${x + size} ${y} l${-size * 0.28} 0 l${size * 0.28} ${size * 0.28} z`}
          className={styles.again}
        />
      ) : null}
      {mark === 'locked' || mark === 'along' ? (
        <path
          d={`M${x} ${y} l${size * 0.34} 0 l${-size * 0.34} ${size * 0.34} z`}
          className={mark === 'locked' ? styles.locked : styles.along}
        />
      ) : null}
    </g>
  );
}
