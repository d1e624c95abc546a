import { CODE_PROFILES, type CableType, type Enclosure } from '@/core/schedule';
import {
  box,
  cable,
  measured,
  tapered,
  type,
  type SeedCable,
  type SeedEnclosure,
  type SeedJob,
} from './build';

/*
 * A second made-up job: the bottling annex was built to classes and divisions. One cable is not listed for where it goes, one has more cores
 * than putty may be used for, one enters a box that nobody has classified.
 */

const TYPES: readonly CableType[] = [
  type('C4-10', '4-core 10 mm², corrugated armour, jacketed', 4, 10, {
    armour: 'corrugated',
    armourMaterial: 'aluminium',
    innerSheath: false,
    listings: ['I/1', 'I/2', 'II/1', 'II/2'],
    outerSheathThicknessMm: 1.3,
  }),
  type('C9-2.5', '9-core 2.5 mm², corrugated armour, jacketed', 9, 2.5, {
    armour: 'corrugated',
    armourMaterial: 'aluminium',
    innerSheath: false,
    listings: ['I/1', 'I/2', 'II/1', 'II/2'],
    outerSheathThicknessMm: 1.3,
  }),
  type('I4-16', '4-core 16 mm², interlocked armour, jacketed', 4, 16, {
    armour: 'interlocked',
    armourMaterial: 'aluminium',
    innerSheath: false,
    listings: ['I/2', 'II/2', 'tray'],
    outerSheathThicknessMm: 1.3,
  }),
];

const place = (
  tag: string,
  title: string,
  entries: SeedEnclosure['entries'],
  more: Partial<Enclosure> = {},
): SeedEnclosure => ({
  area: 'Bottling annex',
  enclosure: box(tag, title, { ip: '66', material: 'aluminium', freeVolumeCm3: 2600, ...more }),
  entries,
});
const ONE = {
  concept: 'explosionproof',
  hazardClass: 'I',
  division: 1,
  classGroup: 'D',
  ignitionSource: true,
} as const;
const TWO = { hazardClass: 'I', division: 2, classGroup: 'D' } as const;

const ENCLOSURES: readonly SeedEnclosure[] = [
  place(
    'PNL-9',
    'Annex panel',
    [
      tapered('E1', '1', 22, 6),
      tapered('E2', '1', 22, 6),
      tapered('E3', '1', 22, 6),
      tapered('E4', '1', 22, 6),
      tapered('E5', '1', 22, 6),
    ],
    { hazardClass: null },
  ),
  place('AN-1', 'Filler drive', [tapered('E1', '1', 22, 6)], ONE),
  place('AN-2', 'Filler controls', [tapered('E1', '1', 22, 6)], ONE),
  place('AN-3', 'Vapour extract', [tapered('E1', '1', 22, 6)], ONE),
  place('AN-4', 'Label heater', [tapered('E1', '1', 22, 6)], { concept: 'explosionproof' }),
  place('CN-1', 'Conveyor, capping end', [tapered('E1', '1', 20, 5.5)], TWO),
];

const CABLES: readonly SeedCable[] = [
  cable(
    'D-201',
    'C4-10',
    28,
    ['PNL-9/E1', 'AN-1/E1'],
    measured({ outer: [24.6, 24.9], over: [21.9, 22.2], bundle: [17.6, 17.9], core: [6.4, 6.5] }),
  ),
  cable(
    'D-202',
    'C9-2.5',
    31,
    ['PNL-9/E2', 'AN-2/E1'],
    measured({ outer: [24.4, 24.7], over: [21.6, 21.9], bundle: [14.2, 14.5], core: [3.9, 4] }),
    {
      note: 'more cores than putty may be used for',
    },
  ),
  cable(
    'D-203',
    'I4-16',
    26,
    ['PNL-9/E3', 'AN-3/E1'],
    measured({ outer: [25.2, 25.5], over: [22.4, 22.8], bundle: [18.4, 18.7], core: [7.4, 7.5] }),
    {
      note: 'tray cable to a division 1 box',
    },
  ),
  cable('D-204', 'I4-16', 18, ['PNL-9/E4', 'CN-1/E1'], measured({ outer: [25.1, 25.4], over: [22.3, 22.7] })),
  cable(
    'D-205',
    'C4-10',
    22,
    ['PNL-9/E5', 'AN-4/E1'],
    measured({ outer: [24.5, 24.8], over: [21.8, 22.1], bundle: [17.6, 17.8], core: [6.4, 6.5] }),
    { note: 'nobody has classified the place of the heater' },
  ),
];

const division = CODE_PROFILES.find((p) => p.key === 'division');
if (!division) throw new Error('the profile for divisions is shipped');

export const ANNEX: SeedJob = {
  slug: 'quillmere-annex',
  name: 'Quillmere bottling annex',
  unit: 'in',
  secondPerson: false,
  profile: division,
  types: TYPES,
  enclosures: ENCLOSURES,
  cables: CABLES,
};
