import type { Compound, RingOption } from '@/core/catalogue';
import type { SealPlan } from '@/core/compound-cure';
import type { CutPlan, Terminal } from '@/core/cut-back';
import type { EndStopRule, TerminationInput, Verdict } from '@/core/gland-selection';
import type { Problem } from '@/core/kernel';
import type { GlandShape, SlideOnItem } from '@/core/make-off';
import type { CouplerEndPlan } from '@/core/coupler';
import type { DeviceEndPlan } from '@/core/device';
import type { Joint, JointLack } from '@/core/in-line';
import type { MineralEndPlan } from '@/core/mineral-insulated';
import type { Pin, PlugInPlan } from '@/core/pin-map';
import type { StagePlan } from '@/core/tightening';
import type { LengthUnit } from '@/core/units';

/** An end as one half of an in-line joint: its record is that of both. */
export interface JointPlan extends Joint {
  readonly other: TerminationPlan;
}

/** One thing a plan has settled. When a plan is made again, these are compared one by one. */
export interface Decision {
  readonly id: string;
  readonly label: string;
  /** In words. */
  readonly value: string;
  /** In codes and figures: what is compared, and what work at the bench stands on. */
  readonly figures: string;
}

export const PLAN_PART_KINDS = [
  'gland',
  'ring',
  'adaptor',
  'accessory',
  'shroud',
  'compound',
  'blankingPlug',
] as const;
export type PlanPartKind = (typeof PLAN_PART_KINDS)[number];

/** One thing that is drawn from the store for a plan. */
export interface PlanPart {
  readonly part: string;
  readonly kind: PlanPartKind;
  readonly name: string;
  /** How many; one when it is left out. */
  readonly quantity?: number;
}

/** Of the shape in which plans are stored. */
export const PLAN_VERSION = 4;

/** What was chosen and worked out for one termination: data that the screen, the print and the bench all read. */
export interface TerminationPlan {
  /** Of this shape: see `readPlan`. */
  readonly version: typeof PLAN_VERSION;
  readonly tag: string;
  readonly inputHash: string;
  readonly rules: Readonly<
    Record<'glandSelection' | 'cutBack' | 'compoundCure' | 'tightening' | 'procedure', number>
  >;
  readonly family: { readonly code: string; readonly revision: string; readonly sheet: string };
  readonly size: string;
  readonly partNumber: string;
  readonly verdict: Verdict;
  readonly marginMm: number | null;
  readonly provisional: readonly string[];
  readonly ring: RingOption | null;
  readonly ringWords: string;
  /** What to do with the end stop; null in a gland without one. */
  readonly endStop: EndStopRule | null;
  readonly adaptor: string | null;
  readonly outside: readonly string[];
  readonly inside: readonly string[];
  /** What goes into the chamber; null in a gland without one, or with `sealRefusal` when nothing may. */
  readonly seal: SealPlan | null;
  readonly sealRefusal: readonly Problem[];
  /** Pot, compound and tests of a mineral-insulated end; left out for any other. What stands in its way is among `sealRefusal`. */
  readonly mineral?: MineralEndPlan;
  /** Plate, turning and cover of a device with its own clamp; left out for any other. What stands in its way is among `cutRefusal`. */
  readonly device?: DeviceEndPlan;
  /** Gaskets, stem, tape and tubes of a coupler's end; left out for any other. What stands in its way is among `cutRefusal`. */
  readonly coupler?: CouplerEndPlan;
  /** Contacts and pin map of a plug-in half whose sheet says more than their lengths; left out for any other. */
  readonly plugIn?: PlugInPlan;
  /** Two ends in one housing, and the plan of the other one; left out for any other, and where nothing mates yet. What stands in its way is among `cutRefusal`. */
  readonly joint?: JointPlan;
  /** The gland's own outline, for the drawings. */
  readonly gland: GlandShape;
  /** Everything to be drawn from the store. */
  readonly parts: readonly PlanPart[];
  /** Null with reasons when no marks can be given. */
  readonly cut: CutPlan | null;
  readonly cutRefusal: readonly Problem[];
  readonly diameters: { readonly outerMm: number; readonly overArmourMm: number; readonly innerMm: number };
  readonly cores: number;
  readonly armour: TerminationInput['cableType']['armour'];
  readonly slideOn: readonly SlideOnItem[];
  readonly stages: readonly StagePlan[];
  readonly planOnly: readonly Problem[];
  readonly decisions: readonly Decision[];
  readonly cautions: readonly string[];
}

export interface PlanRequest {
  readonly tag: string;
  readonly input: TerminationInput;
  readonly routeMm: number | null;
  readonly spareMm: number;
  readonly unit: LengthUnit;
  /** Where terminals differ: the way to each; none when left out. */
  readonly terminals?: readonly Terminal[];
  /** Which core goes to which position; the insert's own order when left out. */
  readonly pins?: readonly Pin[];
  /** What its half of an in-line joint is to mate with; left out where an end is none, or the other half keeps the record. */
  readonly joint?: { readonly box: string; readonly mate: TerminationPlan } | { readonly lack: JointLack };
  /** Compound that was asked for; when left out, the first that the fitting's list allows. */
  readonly compound?: string | null;
  /** Compounds of the catalogue; none when left out. */
  readonly compounds?: readonly Compound[];
}
