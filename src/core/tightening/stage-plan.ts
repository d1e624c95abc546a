import { own } from '@/core/kernel';
import type { Family, Size, Stage, StageMethod, StagePhase } from '@/core/catalogue';
import { trimNumber } from '@/core/units';

/** Raised by hand whenever a change of these rules may change a stage. */
export const TIGHTENING_RULES = 1;

/** One tightening stage of one size, ready to be shown and done. */
export interface StagePlan {
  readonly id: string;
  readonly title: string;
  readonly phase: StagePhase;
  readonly member: string;
  /** Part id of the member; `cable` or `box` where it is none. */
  readonly memberId: string;
  readonly held: string;
  /** Spanner across flats in mm; null for the hand, the cable or the box. */
  readonly memberSpannerMm: number | null;
  readonly heldSpannerMm: number | null;
  readonly method: StageMethod;
  /** The method in one line: “Torque 35 N·m ± 3”. */
  readonly words: string;
  /** How far the member travels by the turns; null where the sheet gives no pitch or the stage is not by turns. */
  readonly travelMm: number | null;
  readonly see: string;
  readonly lubricant: boolean;
  readonly sheet: string;
}

/** Fractions that the shipped face has a glyph for; the rest is written with decimals. */
const FRACTIONS: readonly (readonly [number, string])[] = [
  [0.25, '¼'],
  [0.5, '½'],
  [0.75, '¾'],
];

/** A number of turns as it is said: `1½ turns`, `½ turn`, `0.4 turn`. */
export function turnsWords(turns: number): string {
  const whole = Math.floor(turns + 1e-9);
  const rest = turns - whole;
  const glyph = FRACTIONS.find(([value]) => Math.abs(value - rest) < 1e-3)?.[1];
  const unit = turns > 1 ? 'turns' : 'turn';
  if (Math.abs(rest) < 1e-9) return `${whole} ${unit}`;
  if (glyph === undefined) return `${trimNumber(turns, 2)} ${unit}`;
  return whole === 0 ? `${glyph} ${unit}` : `${whole}${glyph} ${unit}`;
}

/** Axial travel of a thread: turns × pitch. Says nothing about torque, and never will. */
export const travelOf = (turns: number, pitchMm: number): number => turns * pitchMm;

/** The step of a scale that belongs to a diameter: the first that reaches it; null when the scale ends below. */
export const scaleStepFor = (method: StageMethod, diameterMm: number) =>
  [...(method.scale ?? [])].sort((a, b) => a.upToMm - b.upToMm).find((s) => diameterMm <= s.upToMm) ?? null;

/** The method in words. `diameterMm` is the top of the outer sheath's interval, for scale marks. */
export function methodWords(method: StageMethod, diameterMm: number): string {
  switch (method.kind) {
    case 'torque':
      return `Torque ${trimNumber(method.torqueNm ?? 0, 1)} N·m ± ${trimNumber(method.toleranceNm ?? 0, 1)}`;
    case 'handPlusTurns':
      return method.turns === 0 ? 'Hand-tight' : `Hand-tight, then ${turnsWords(method.turns ?? 0)}`;
    case 'metalToMetal':
      return 'Until metal meets metal';
    case 'resistancePlusTurns':
      return `To a strong resistance, then ${turnsWords(method.turns ?? 0)}`;
    case 'untilGripsPlusTurns':
      return method.turns === 0
        ? 'Until the seal grips'
        : `Until the seal grips, then ${turnsWords(method.turns ?? 0)}`;
    case 'scaleMark': {
      // The step's own limit is named, not the cable: the words change only when the mark does.
      const step = scaleStepFor(method, diameterMm);
      return step === null
        ? `The scale ends below ${trimNumber(diameterMm, 1)} mm: ask the sheet`
        : `Turn to scale mark ${step.mark} (cables up to ${trimNumber(step.upToMm, 1)} mm)`;
    }
  }
}

const isByTurns = (method: StageMethod): boolean =>
  method.kind === 'handPlusTurns' ||
  method.kind === 'resistancePlusTurns' ||
  method.kind === 'untilGripsPlusTurns';

/** Stages of a size in the order of its sheet. */
export function planStages(family: Family, size: Size, outerMaxMm: number): StagePlan[] {
  return family.stages.map((stage) => planStage(family, size, stage, outerMaxMm));
}

function planStage(family: Family, size: Size, stage: Stage, outerMaxMm: number): StagePlan {
  const method = own(size.stageMethods, stage.id) ?? stage.method;
  const name = (id: string) => {
    if (id === 'cable') return 'cable, by hand';
    if (id === 'box') return 'box';
    return family.parts.find((p) => p.id === id)?.name ?? id;
  };
  const byHand = method.kind === 'handPlusTurns' && method.turns === 0;
  const turns = isByTurns(method) ? (method.turns ?? 0) : 0;
  return {
    id: stage.id,
    title: stage.title,
    phase: stage.phase,
    member: name(stage.member),
    memberId: stage.member,
    held: name(stage.held),
    memberSpannerMm: byHand ? null : (own(size.spanners, stage.member) ?? null),
    heldSpannerMm: byHand ? null : (own(size.spanners, stage.held) ?? null),
    method,
    words: methodWords(method, outerMaxMm),
    travelMm: stage.pitchMm !== undefined && turns > 0 ? travelOf(turns, stage.pitchMm) : null,
    see: stage.see,
    lubricant: stage.lubricant ?? false,
    sheet: `${family.sheet.title}, revision ${family.sheet.revision}`,
  };
}
