import type { AccessoryKind } from '@/core/catalogue';
import type { IntervalMm } from '@/core/kernel';
import { trimNumber } from '@/core/units';
import type { BarrierOutcome } from '../barrier';
import type { EndStopRule } from '../end-stop-fit';
import type { CriterionId } from '../finding';

/** Column heads and row heads of the criteria. */
export const CRITERION_TITLES: Readonly<Record<CriterionId, string>> = {
  cableListing: 'Cable listing',
  construction: 'Construction',
  filling: 'Barrier',
  coldFlow: 'Cold flow',
  outerSeal: 'Outer seal',
  ovality: 'Ovality',
  innerSeal: 'Inner seal',
  armourRing: 'Armour',
  endStop: 'End stop',
  coreCount: 'Cores',
  overCores: 'Over cores',
  freeArea: 'Room for compound',
  compound: 'Compound',
  entryThread: 'Entry',
  engagement: 'Threads engaged',
  concept: 'Concept and place',
  group: 'Group',
  ip: 'IP',
  temperature: 'Temperature',
  temperatureClass: 'Temperature class',
  corrosion: 'Metals',
  singleCore: 'Single core',
};

export const OUTCOME_WORDS: Readonly<Record<BarrierOutcome, string>> = {
  none: 'no barrier',
  barrier: 'barrier gland',
  seal: 'sealing fitting or listed barrier gland',
  ask: 'answer it first',
  refused: 'refused',
};

export const END_STOP_WORDS: Readonly<Record<EndStopRule, string>> = {
  stays: 'end stop stays in',
  untilCompound: 'end stop stays until the compound goes in',
  out: 'end stop out for good',
  undecided: 'end stop not decided',
};

export const ACCESSORY_WORDS: Readonly<Record<AccessoryKind, string>> = {
  sealingWasher: 'sealing washer',
  earthTag: 'earth tag',
  serratedWasher: 'serrated washer',
  locknut: 'locknut',
  blankingPlug: 'blanking plug',
};

export const listingWords = (listing: string): string =>
  listing === 'tray' ? 'tray use' : `class ${listing.replace('/', ' division ')}`;

export const conceptWords = (concept: string): string => (concept === 'none' ? 'industrial' : concept);

export const percent = (share: number, digits: number): string => `${trimNumber(share * 100, digits)} %`;

/** “18.5–24 mm”, “up to 24 mm”. */
export const rangeWords = ({ min, max }: IntervalMm): string =>
  min === 0 ? `up to ${trimNumber(max, 2)} mm` : `${trimNumber(min, 2)}–${trimNumber(max, 2)} mm`;

/** “18.5–24 mm”, of something measured. */
export const spanWords = ({ min, max }: IntervalMm): string =>
  `${trimNumber(min, 2)}–${trimNumber(max, 2)} mm`;

/** Micrometres as millimetres with one decimal. */
export const tenths = (um: number): string => (um / 1000).toFixed(1);
