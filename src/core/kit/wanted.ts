import { ARMOUR_WORDS, threadName } from '@/core/catalogue';
import {
  armourQuantity,
  type BarrierOutcome,
  type MeasuredQuantity,
  type TerminationInput,
} from '@/core/gland-selection';
import { QUANTITY_WORDS } from '@/core/cable-measurement';
import { placeWords } from '@/core/schedule';
import { trimNumber } from '@/core/units';

/** What a gland would have to take and be certified for, where none of the catalogue is. */
export interface Wanted {
  /** Word and figure, in the order in which a supplier asks. */
  readonly needs: readonly (readonly [what: string, figure: string])[];
  readonly provisional: boolean;
}

const BARRIERS: Readonly<Partial<Record<BarrierOutcome, string>>> = {
  barrier: 'barrier gland',
  seal: 'sealing fitting',
};

/**
 * What has to be asked for at a supplier's: the measured intervals of the end, the entry, and what its place demands. What is not known is said to
 * be so, never left out.
 */
export function wantedFor(input: TerminationInput, outcome: BarrierOutcome): Wanted {
  const { cableType, enclosure, entry } = input;
  const needs: [string, string][] = [];
  const barrier = BARRIERS[outcome];
  if (barrier !== undefined) needs.push(['kind', barrier]);
  needs.push(['armour', ARMOUR_WORDS[cableType.armour]]);
  const layers: MeasuredQuantity[] = ['outerSheath'];
  if (cableType.innerSheath) layers.push('innerSheath');
  if (cableType.armour !== 'none') layers.push(armourQuantity(cableType.armour));
  if (barrier !== undefined) layers.push('laidUpCores', 'core');
  for (const quantity of layers) {
    const m = input[quantity];
    needs.push([
      QUANTITY_WORDS[quantity],
      m === null
        ? 'not measured'
        : `${trimNumber(m.interval.min, 2)}–${trimNumber(m.interval.max, 2)} mm${m.provisional ? ', datasheet only' : ''}`,
    ]);
  }
  if (barrier !== undefined) needs.push(['cores', String(cableType.cores)]);
  needs.push([
    'entry',
    entry.thread === null
      ? `hole ${entry.holeMm === null ? 'not known' : `${trimNumber(entry.holeMm, 2)} mm`}, plate ${trimNumber(entry.wallMm, 2)} mm`
      : `${threadName(entry.thread)}, ${trimNumber(entry.wallMm, 2)} mm of thread`,
  ]);
  needs.push(['protection', enclosure.concept === 'none' ? 'none asked for' : enclosure.concept]);
  needs.push(['place', placeWords(enclosure)]);
  const groups = [enclosure.gasGroup, enclosure.dustGroup, enclosure.classGroup].filter(Boolean).join(' ');
  if (groups !== '') needs.push(['group', groups]);
  const { temperatureClass } = enclosure;
  if (temperatureClass !== null && temperatureClass !== undefined)
    needs.push(['temperature class', temperatureClass]);
  needs.push(['IP', enclosure.ip]);
  needs.push([
    'temperature',
    `${trimNumber(enclosure.ambientMinC, 0)} to ${trimNumber(enclosure.entryMaxC, 0)} °C`,
  ]);
  if (cableType.coldFlow) needs.push(['sheath', 'creeps under lasting pressure']);
  if (!cableType.effectivelyFilled) needs.push(['cable', 'a gas path between its cores']);
  return { needs, provisional: layers.some((q) => input[q]?.provisional === true) };
}
