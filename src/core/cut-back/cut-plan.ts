import { fail, ok, refuse, type Problem, type Result } from '@/core/kernel';
import type { Measurement } from '@/core/cable-measurement';
import type { ArmourKind, Family, Size } from '@/core/catalogue';
import type { EntryFit } from '@/core/gland-selection';
import type { CableType, CodeProfile, Entry } from '@/core/schedule';
import type { LengthUnit } from '@/core/units';
import { armourGuard, innerGuard, outerGuard, outerSheathThicknessMm, type DepthGuard } from './depth-guard';
import { roundJointly, type Span } from './round-marks';
import { ARMOUR_TOOLS, SHEATH_TOOLS, type ToolChoice } from './tools';

/** Raised by hand whenever a change of these rules may change a mark. */
export const CUT_BACK_RULES = 1;

export interface CutInput {
  readonly family: Family;
  readonly size: Size;
  readonly entryFit: EntryFit;
  readonly entry: Entry;
  readonly cableType: CableType;
  readonly outerSheath: Measurement;
  readonly innerSheath: Measurement | null;
  readonly armourWire: Measurement | null;
  readonly profile: CodeProfile;
  /** From the inside face of the wall to the farthest terminal, along the route the cores take. mm. */
  readonly routeMm: number | null;
  /** Extra tail that is left for another go. mm. */
  readonly spareMm: number;
  readonly unit: LengthUnit;
}

export type MarkId = 'outerSheath' | 'armour' | 'innerSheath';

/** One cut. `atMm` is measured from the raw cable end. */
export interface Mark {
  readonly id: MarkId;
  readonly title: string;
  readonly atMm: number;
  readonly guard: DepthGuard;
  readonly tools: readonly ToolChoice[];
  readonly check: string;
}

/** A part of the stripped end with the span it must lie in. */
export interface CutLength {
  readonly mm: number;
  readonly minMm: number;
  readonly maxMm: number;
}

export interface CutPlan {
  readonly tails: CutLength;
  readonly stub: CutLength;
  readonly armour: CutLength;
  /** In cutting order. */
  readonly marks: readonly Mark[];
  /** From the armour stop to the inside face of the wall. */
  readonly stopToWallMm: number;
  /** How far the inner sheath stands inside the wall's inner face. */
  readonly emergenceMm: number;
  /** Cable used up at this end, with the saw's kerf. */
  readonly consumedMm: number;
  readonly unit: LengthUnit;
  /** How the lengths came about, for the reader who checks. */
  readonly workings: readonly { readonly label: string; readonly mm: number }[];
}

/**
 * Marks for a gland that seals on the inner sheath (cut kind `stub`). Along the cable from its end: tails `T`, inner sheath `S`,
 * armour `A`; outer sheath off to T+S+A, armour off to T+S, inner sheath off to T. Refused when a figure is missing, when the
 * terminal cannot be reached, or when no division of the rule lies in a tolerance.
 */
export function planCut(input: CutInput): Result<CutPlan> {
  const { family, size, cableType, profile } = input;
  if (family.cutKind !== 'stub')
    return refuse('family', `${family.code} is plan only: its cut-back is not built yet`);
  const armourSpan = armourLength(size, cableType.armour);
  const missing = missingFigures(input, armourSpan);
  if (missing.length > 0) return fail(missing);
  if (!armourSpan || input.routeMm === null || input.armourWire === null) return fail(missing);

  const through = throughLength(input);
  const least = through.stopToThreadEndMm + family.emergenceMm;
  const stubSpan: Span = { id: 'stub', min: least, target: least, max: least + profile.cut.stubToleranceMm };
  const reach = input.routeMm + through.stopToWallMm + profile.cut.bendSlackMm + input.spareMm;
  const standsInMm = stubSpan.max - through.stopToWallMm;
  if (input.routeMm <= standsInMm) {
    return refuse(
      'routeMm',
      `the terminal is nearer than the inner sheath may stand in the box: the route must be over ${standsInMm.toFixed(0)} mm`,
      input.routeMm,
    );
  }
  const stub = roundJointly([stubSpan, spanOf('armour', armourSpan.minMm, armourSpan.maxMm)], input.unit);
  if (!stub.ok) return stub;
  const stubMm = stub.value[0]?.mm ?? 0;
  const tailLeast = reach - stubMm;
  const spans: Span[] = [
    { id: 'tails', min: tailLeast, target: tailLeast, max: tailLeast + profile.cut.tailToleranceMm },
    stubSpan,
    spanOf('armour', armourSpan.minMm, armourSpan.maxMm),
  ];
  const rounded = roundJointly(spans, input.unit);
  if (!rounded.ok) return rounded;
  const [tails, inner, armour] = rounded.value.map((r, i) => ({
    mm: r.mm,
    minMm: spans[i]?.min ?? 0,
    maxMm: spans[i]?.max ?? 0,
  }));
  if (!tails || !inner || !armour) throw new Error('three spans in, three lengths out');
  const outerMark = tails.mm + inner.mm + armour.mm;
  return ok({
    tails,
    stub: inner,
    armour,
    marks: marksFor(input, input.armourWire, tails.mm, inner.mm, outerMark),
    stopToWallMm: through.stopToWallMm,
    emergenceMm: inner.mm - through.stopToWallMm,
    consumedMm: outerMark + profile.cut.kerfMm,
    unit: input.unit,
    workings: [
      ...through.workings,
      { label: 'least inner sheath beyond the thread', mm: family.emergenceMm },
      { label: 'wall to farthest terminal', mm: input.routeMm },
      { label: 'slack for the bend', mm: profile.cut.bendSlackMm },
      { label: 'spare tail', mm: input.spareMm },
    ],
  });
}

const spanOf = (id: string, min: number, max: number): Span => ({ id, min, target: (min + max) / 2, max });

const armourLength = (size: Size, armour: ArmourKind) =>
  size.armourLengths.find((l) => l.armour.includes(armour));

function missingFigures(input: CutInput, armourSpan: unknown): Problem[] {
  const problems: Problem[] = [];
  const need = (path: string, message: string) => problems.push({ path, message });
  if (input.routeMm === null) need('routeMm', 'the way from the wall to the farthest terminal is not known');
  if (input.armourWire === null) need('armourWire', 'the armour is not measured');
  if (!armourSpan)
    need('armourLengths', `${input.size.code} gives no armour length for ${input.cableType.armour}`);
  return problems;
}

/** From the armour stop outwards through gland, adaptor, washers and wall. */
function throughLength(input: CutInput) {
  const { size, entryFit, entry } = input;
  const stackMm = entryFit.outside.reduce((sum, a) => sum + a.thicknessMm, 0);
  const addedMm = entryFit.adaptor?.addedLengthMm ?? 0;
  const threadMm = entryFit.adaptor ? entryFit.adaptor.maleLengthMm : size.entry.lengthMm;
  const wallEndMm = stackMm + entry.wallMm;
  const shoulderMm = size.innerLengthMm + addedMm;
  return {
    stopToWallMm: shoulderMm + wallEndMm,
    stopToThreadEndMm: shoulderMm + Math.max(threadMm, wallEndMm),
    workings: [
      { label: 'armour stop to shoulder of the gland', mm: size.innerLengthMm },
      ...(addedMm > 0 ? [{ label: 'adaptor, shoulder to shoulder', mm: addedMm }] : []),
      ...(stackMm > 0 ? [{ label: 'washers and earth tag', mm: stackMm }] : []),
      {
        label: threadMm > wallEndMm ? 'entry thread (longer than the wall)' : 'wall',
        mm: threadMm > wallEndMm ? threadMm - stackMm : entry.wallMm,
      },
    ],
  };
}

function marksFor(input: CutInput, wire: Measurement, tails: number, stub: number, outer: number): Mark[] {
  const { cableType, profile, outerSheath, innerSheath } = input;
  const thickness = outerSheathThicknessMm(cableType, outerSheath, innerSheath, input.armourWire);
  return [
    {
      id: 'outerSheath',
      title: 'Outer sheath off',
      atMm: outer,
      guard: outerGuard(thickness, profile),
      tools: SHEATH_TOOLS,
      check: 'Edge square; no armour strand nicked or lifted.',
    },
    {
      id: 'armour',
      title: 'Armour off',
      atMm: tails + stub,
      guard: armourGuard(cableType, wire, profile),
      tools: ARMOUR_TOOLS[cableType.armour],
      check: 'Ends level all round; inner sheath without a scratch.',
    },
    {
      id: 'innerSheath',
      title: 'Inner sheath off',
      atMm: tails,
      guard: innerGuard(cableType, profile),
      tools: SHEATH_TOOLS,
      check:
        'Fillers, tape and strings removed; no core nicked. A nicked core means: cut back and start again.',
    },
  ];
}
