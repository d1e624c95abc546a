import { worded, type Wording } from '@/core/kernel';
import type { PinMapCases, PinMapFinding } from './pin-map';

const WORDS: Wording<PinMapCases> = {
  complete: ({ tag, cores, spare }) =>
    `${tag}: all ${cores} cores have their position, ${spare} ${spare === 1 ? 'is' : 'are'} spare`,
  coreUnknown: ({ tag, core }) => `${tag}: its cable has no core ${core}`,
  positionUnknown: ({ tag, position }) => `${tag}: its insert has no position ${position}`,
  coreMissing: ({ tag, core }) => `${tag}: say where core ${core} goes`,
  coreTwice: ({ tag, core, positions }) => `${tag}: core ${core} stands at ${positions.join(' and ')}`,
  positionTwice: ({ tag, position, cores }) =>
    `${tag}: position ${position} has cores ${cores.join(' and ')}`,
  coreNamedTwice: ({ tag, core }) => `${tag}: two cores are called ${core}: nobody could tell them apart`,
  tooFew: ({ tag, cores, positions, use }) =>
    `${tag}: ${cores} ${use} cores and ${positions} ${use} ${positions === 1 ? 'position' : 'positions'}: ${cores - positions} too few`,
  wrongUse: ({ tag, core, of, position, for: its }) =>
    `${tag}: core ${core} is for ${of}, position ${position} is for ${its}`,
  noEarth: ({ tag }) => `${tag}: the insert has no earth position`,
  earthLater: ({ tag, position }) =>
    `${tag}: earth position ${position} does not make first: the joint would carry voltage before it is earthed`,
  askEarthFirst: ({ tag, position }) =>
    `${tag}: does earth position ${position} make first? The sheet says it`,
  agree: ({ a, b, cores }) => `${a} and ${b} agree in all ${cores} cores`,
  differ: ({ a, b, core, atA, atB }) => `core ${core} is at ${atA} of ${a} and at ${atB} of ${b}`,
  onlyAt: ({ at, not, core }) => `core ${core} has a position at ${at} and none at ${not}`,
  askOther: () => 'give the map of the other end: a swap shows only against it',
};

export const pinMapWords = ({ case: it }: PinMapFinding): string => worded(WORDS, it);
