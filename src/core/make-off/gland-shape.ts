import type { Family, PartRole, Size } from '@/core/catalogue';

/** One part of the stack, from the box outwards. */
export interface ShapePart {
  readonly id: string;
  readonly role: PartRole;
  readonly name: string;
  /** Order in which it goes onto the cable; null for what stays with the box's side. */
  readonly slideOn: number | null;
  readonly facing: string | null;
}

/** A gland's outline: the dimensions its sheet gives, and its parts in order. mm. */
export interface GlandShape {
  readonly hexFlatsMm: number;
  /** From the armour stop to the shoulder of the entry component. */
  readonly innerLengthMm: number;
  /** How far the closed gland stands off the wall. */
  readonly protrusionMm: number;
  readonly threadLengthMm: number;
  readonly parts: readonly ShapePart[];
}

export const glandShape = (family: Family, size: Size): GlandShape => ({
  hexFlatsMm: size.hexFlatsMm,
  innerLengthMm: size.innerLengthMm,
  protrusionMm: size.protrusionMm,
  threadLengthMm: size.entry.lengthMm,
  parts: family.parts.map((p) => ({
    id: p.id,
    role: p.role,
    name: p.name,
    slideOn: p.slideOn ?? null,
    facing: p.orientation === 'oneWay' ? (p.facing ?? null) : null,
  })),
});
