import { array, boolean, number, object, string, type InferType } from 'yup';
import { eachOnce } from '@/core/kernel';

const MOST_POSITIONS = 128;
const name = () => string().trim().min(1).max(40).required();

/** What a position is for. */
export const POSITION_USES = ['power', 'earth', 'pilot'] as const;
export type PositionUse = (typeof POSITION_USES)[number];

/** One position of an insert. */
const positionSchema = object({
  /** As it is numbered on the insert. */
  id: name(),
  /** Where it lies on the pins as one looks at their mating face, mm from the middle: x to the right, y up, the key on top. */
  xMm: number().min(-500).max(500).required(),
  yMm: number().min(-500).max(500).required(),
  use: string().oneOf(POSITION_USES).required(),
  /** Its pin is longer: it makes before the others, and breaks after them. */
  firstToMake: boolean().optional(),
})
  .noUnknown()
  .required();

/** Positions of an insert: each numbered once, none on another. */
export const positionsSchema = array()
  .of(positionSchema)
  .min(1)
  .max(MOST_POSITIONS)
  .test('once', 'number a position twice', (list) => eachOnce(list, 'id'))
  .test('apart', 'lie on one another', (list) => distinct(list, (p) => `${p.xMm} ${p.yMm}`));

/** The insert of a plug-in gland or a coupler, by its own sheet. */
export const insertSchema = object({
  code: name(),
  sheet: string().trim().min(1).max(120).required(),
  positions: positionsSchema.required(),
})
  .noUnknown()
  .required();
export type Insert = InferType<typeof insertSchema>;
export type Position = Insert['positions'][number];

interface Placed {
  readonly id: string;
  readonly xMm: number;
  readonly yMm: number;
}

/** What is no list of positions is refused for that. */
const distinct = (list: readonly unknown[] | undefined, of: (position: Placed) => string): boolean => {
  const placed = (Array.isArray(list) ? list : []).filter(
    (p): p is Placed => typeof p === 'object' && p !== null && 'id' in p,
  );
  return new Set(placed.map(of)).size === placed.length;
};
