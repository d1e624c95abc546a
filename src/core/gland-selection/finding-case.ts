import type { ArmourKind, Certificate, Material, Purpose, Thread, Construction } from '@/core/catalogue';
import type { IntervalMm, NoFigures, Said } from '@/core/kernel';
import type { CodeProfile, Enclosure } from '@/core/schedule';
import type { BarrierOutcome } from './barrier/outcome';
import type { Conclusion } from './barrier/trail';
import type { ListingCases } from './cable-listing';
import type { Covered } from './certificate';
import type { ConstructionRefusal } from './construction-refusal';
import type { MetalCase } from './corrosion';
import type { EndStopRule } from './end-stop-fit';
import type { EngagementCase } from './engagement';
import type { ThreadCase } from './entry-fit';
import type { Joint } from './joint';
import type { CompoundLimit, RangeName } from './size-facts';
import type { MeasuredQuantity } from './termination-input';

/** What a size does not have, so that there is nothing to judge. */
export type AbsentPart = 'armour' | 'outerSeal' | 'innerSeal' | 'endStop' | 'chamber' | 'freeArea';

type System = CodeProfile['system'];
/** A certificate against a box and its place. */
interface Certified {
  readonly verdict: Covered['verdict'];
  readonly certificate: Certificate;
  readonly enclosure: Enclosure;
  readonly system: System;
}

/** Everything that the criteria find, with the figures it stands on. */
export interface FindingCases extends ListingCases {
  absent: { part: AbsentPart };
  construction: {
    family: string;
    accepts: readonly ArmourKind[];
    armour: ArmourKind;
    refusal: ConstructionRefusal | null;
    /** Constructions of their own: which one the family is made for, and which the cable is of; null for neither. */
    madeFor: Construction | null;
    made: Construction | null;
  };
  coldFlow: { followsCreep: boolean; creeps: boolean };
  filling: { outcome: BarrierOutcome; purpose: Purpose; fits: boolean; conclusion: Conclusion };
  /** A range with a quantity that nobody has measured. */
  notMeasured: { name: RangeName; range: IntervalMm };
  /** `marginUm` is negative by how much the interval sticks out; `certain`: a diameter that is certainly there does; `over`: it is too thick. */
  inRange: {
    name: RangeName;
    range: IntervalMm;
    interval: IntervalMm;
    marginUm: number;
    certain: boolean;
    over: boolean;
  };
  noInnerSheath: NoFigures;
  clampsNoArmour: { armour: ArmourKind };
  noFaceFor: { armour: ArmourKind };
  /** An oval is only told apart where two diameters were read: else `seen` is null. */
  ovality: {
    thing: MeasuredQuantity;
    seen: number | null;
    limit: number;
    exceeds: 'no' | 'flameproof' | 'elsewhere';
  };
  endStop: {
    rule: EndStopRule;
    thing: MeasuredQuantity;
    stays: IntervalMm | null;
    interval: IntervalMm | null;
    again: boolean;
  };
  coreCount: { most: number; cores: number };
  potCores: { takes: readonly number[]; cores: number };
  freeArea: {
    leastShare: number;
    boreMm: number;
    cores: number;
    /** Null while one core is not measured. */
    core: { readonly mm: number; readonly freeShare: number } | null;
  };
  compound: { limits: readonly CompoundLimit[]; cores: number };
  entryThread: { gland: Thread; entry: Thread | null; holeMm: number | null; way: ThreadCase };
  engagement: { neededUm: number | null; weakest: Joint | null; way: EngagementCase };
  concept: Certified & { foreign: boolean };
  group: Certified;
  ip: { tested: readonly string[]; asked: string; covers: boolean };
  temperature: { serves: readonly [number, number]; sees: readonly [number, number]; marginC: number };
  /** `limitC` is the hottest surface that the class allows; null where the class is not known, or nothing there may ignite. */
  temperatureClass: {
    classified: boolean;
    named: Enclosure['temperatureClass'] | null;
    limitC: number | null;
    entryMaxC: number;
  };
  corrosion: { gland: Material; meets: readonly Material[]; way: MetalCase };
  singleCore: { cores: number; ac: boolean | null; way: MetalCase };
}
export type FindingCase = Said<FindingCases>;
