import { DEFAULT_PROFILE, type CableType, type Enclosure, type Entry } from '@/core/schedule';
import {
  both,
  box,
  cable,
  calipers,
  datasheet,
  full,
  measured,
  plate,
  tapered,
  threaded,
  type,
  type SeedCable,
  type SeedEnclosure,
  type SeedJob,
} from './build';

/*
 * The demo job: an invented distillery re-cables its still house, grain intake, pump room and cask store. Every name and figure is made up.
 * Awkward on purpose: an oval cable, marginal diameters, datasheet-only cables, a wrong thread, a thin flameproof wall, inch readings, a cable
 * that no size fits, and an end that nobody has measured.
 */

export const CABLE_TYPES: readonly CableType[] = [
  type('W4-2.5', '4-core 2.5 mm², round wire', 4, 2.5, {
    outerSheathThicknessMm: 1.5,
    innerSheathThicknessMm: 0.9,
  }),
  type('W4-6', '4-core 6 mm², round wire', 4, 6, { outerSheathThicknessMm: 1.6, innerSheathThicknessMm: 1 }),
  type('W4-10', '4-core 10 mm², round wire', 4, 10, {
    outerSheathThicknessMm: 1.7,
    innerSheathThicknessMm: 1,
  }),
  type('W4-25', '4-core 25 mm², round wire', 4, 25, {
    outerSheathThicknessMm: 1.8,
    innerSheathThicknessMm: 1.2,
  }),
  type('W4-50', '4-core 50 mm², round wire', 4, 50, {
    outerSheathThicknessMm: 2,
    innerSheathThicknessMm: 1.2,
  }),
  type('W4-95', '4-core 95 mm², round wire', 4, 95, {
    outerSheathThicknessMm: 2.2,
    innerSheathThicknessMm: 1.4,
  }),
  type('W4-240', '4-core 240 mm², round wire', 4, 240, {
    outerSheathThicknessMm: 2.8,
    innerSheathThicknessMm: 1.6,
  }),
  type('W12-1.5', '12-core 1.5 mm² control, round wire', 12, 1.5, {
    outerSheathThicknessMm: 1.7,
    innerSheathThicknessMm: 1,
  }),
  type('W19-1.5', '19-core 1.5 mm² control, round wire', 19, 1.5, {
    outerSheathThicknessMm: 1.7,
    innerSheathThicknessMm: 1.1,
  }),
  type('B4-4', '4-core 4 mm², braid', 4, 4, {
    armour: 'braid',
    outerSheathThicknessMm: 1.2,
    innerSheathThicknessMm: 0.9,
  }),
  type('B7-1.5', '7-core 1.5 mm² signal, braid', 7, 1.5, {
    armour: 'braid',
    screened: true,
    outerSheathThicknessMm: 1.2,
    innerSheathThicknessMm: 0.8,
  }),
  type('T3-35', '3-core 35 mm², tape', 3, 35, {
    armour: 'tape',
    outerSheathThicknessMm: 1.8,
    innerSheathThicknessMm: 1.2,
  }),
  type('F4-16', '4-core 16 mm², round wire, soft sheath that creeps', 4, 16, {
    coldFlow: true,
    outerSheathThicknessMm: 1.8,
    innerSheathThicknessMm: 1.2,
  }),
  type('W7-2.5', '7-core 2.5 mm², round wire, fillers left out', 7, 2.5, {
    effectivelyFilled: false,
    outerSheathThicknessMm: 1.6,
    innerSheathThicknessMm: 1,
  }),
  type('U5-2.5', '5-core 2.5 mm², unarmoured', 5, 2.5, {
    armour: 'none',
    innerSheath: false,
    outerSheathThicknessMm: 1.4,
  }),
  type('I3-35', '3-core 35 mm², interlocked armour, jacketed', 3, 35, {
    armour: 'interlocked',
    armourMaterial: 'aluminium',
    innerSheath: false,
    outerSheathThicknessMm: 1.3,
  }),
  type('S1-120', '1-core 120 mm², aluminium wire', 1, 120, {
    armourMaterial: 'aluminium',
    singleCoreAc: true,
    outerSheathThicknessMm: 1.7,
    innerSheathThicknessMm: 1.1,
  }),
  type('M2-1.5', '2-core 1.5 mm², mineral-insulated in copper', 2, 1.5, {
    construction: 'mineralInsulated',
    ratedV: 500,
    coreNames: [
      { name: 'BN', use: 'power' },
      { name: 'BU', use: 'power' },
    ],
    armour: 'none',
    jacketed: false,
    innerSheath: false,
    armourMaterial: 'copper',
  }),
  type('U4-4', '4-core 4 mm², unarmoured, cores by colour', 4, 4, {
    armour: 'none',
    innerSheath: false,
    outerSheathThicknessMm: 1.6,
    coreNames: [
      { name: 'BN', use: 'power' },
      { name: 'BK', use: 'power' },
      { name: 'GY', use: 'power' },
      { name: 'GNYE', use: 'earth' },
    ],
  }),
  type('R6-50', 'trailing, 3 × 50 mm² screened, two earths, a pilot', 6, 50, {
    construction: 'screenedTrailing',
    ratedV: 6600,
    armour: 'none',
    jacketed: false,
    innerSheath: false,
    screened: true,
    phaseColours: ['BN', 'BK', 'GY'],
    earthCores: 2,
    pilotCores: 1,
    semiconducting: true,
    outerSheathThicknessMm: 4.2,
  }),
];

const still = (
  tag: string,
  title: string,
  entries: readonly Entry[],
  more: Partial<Enclosure> = {},
): SeedEnclosure => ({
  area: 'Still house',
  enclosure: box(tag, title, {
    concept: 'Ex d',
    zone: 1,
    gasGroup: 'IIB',
    temperatureClass: 'T3',
    ip: '66',
    material: 'castIron',
    freeVolumeCm3: 2400,
    entryMaxC: 70,
    ...more,
  }),
  entries,
});
const grain = (
  tag: string,
  title: string,
  entries: readonly Entry[],
  more: Partial<Enclosure> = {},
): SeedEnclosure => ({
  area: 'Grain intake',
  enclosure: box(tag, title, {
    concept: 'Ex t',
    zone: 21,
    dustGroup: 'IIIB',
    ip: '66',
    material: 'aluminium',
    freeVolumeCm3: 1600,
    ...more,
  }),
  entries,
});
const pump = (
  tag: string,
  title: string,
  entries: readonly Entry[],
  more: Partial<Enclosure> = {},
): SeedEnclosure => ({
  area: 'Pump room',
  enclosure: box(tag, title, { ip: '66', material: 'castIron', freeVolumeCm3: 1800, ...more }),
  entries,
});
const cask = (
  tag: string,
  title: string,
  entries: readonly Entry[],
  more: Partial<Enclosure> = {},
): SeedEnclosure => ({
  area: 'Cask store',
  enclosure: box(tag, title, {
    concept: 'Ex e',
    zone: 2,
    gasGroup: 'IIA',
    temperatureClass: 'T3',
    ip: '65',
    material: 'plastic',
    wallEarthed: false,
    freeVolumeCm3: 3000,
    ...more,
  }),
  entries,
});

const yard = (tag: string, title: string, entries: readonly Entry[]): SeedEnclosure => ({
  area: 'Yard',
  enclosure: box(tag, title, { ip: '66', material: 'aluminium' }),
  entries,
});

/** Nobody has said whether its joints stand in the wet: a brass gland in aluminium waits for that. */
function notSaidWet({ enclosure: { wet: _, ...enclosure }, ...box }: SeedEnclosure): SeedEnclosure {
  return { ...box, enclosure };
}

export const ENCLOSURES: readonly SeedEnclosure[] = [
  {
    area: 'Switch room',
    enclosure: box('MCC-1', 'Motor control centre 1', {}),
    entries: plate([
      20.5, 20.5, 25.5, 25.5, 25.5, 32.5, 32.5, 32.5, 40.5, 40.5, 50.5, 63.5, 25.5, 20.5, 20.5, 32.5,
    ]),
  },
  {
    area: 'Switch room',
    enclosure: box('MCC-2', 'Motor control centre 2', {}),
    entries: plate([
      20.5, 20.5, 20.5, 25.5, 25.5, 32.5, 32.5, 40.5, 50.5, 63.5, 20.5, 25.5, 25.5, 20.5, 20.5, 25.5, 25.5,
    ]),
  },
  {
    area: 'Switch room',
    enclosure: box('AP-1', 'Alarm panel', {}),
    entries: [threaded('E1', 'M20', 12)],
  },
  still('SP-1', 'Still pump 1', [threaded('E1', 'M25', 16), threaded('E2', 'M20', 16)]),
  still('SP-2', 'Still pump 2', [threaded('E1', 'M32', 16), threaded('E2', 'M20', 16)]),
  still('SP-3', 'Still pump 3', [threaded('E1', 'M32', 16)]),
  still('VF-1', 'Vapour fan', [threaded('E1', 'M25', 8.5)]),
  still(
    'LS-1',
    'Level switch, spirit receiver',
    // Its own sheet does not say how many threads engage.
    [tapered('E1', '3/4', 18)],
    { freeVolumeCm3: 90 },
  ),
  still('LS-2', 'Level switch, wash receiver', [threaded('E1', 'M20', 14)], { freeVolumeCm3: 90 }),
  still(
    'JB-S1',
    'Junction box, still gallery',
    [
      threaded('E1', 'M20', 12),
      threaded('E2', 'M25', 12),
      threaded('E3', 'M25', 12),
      threaded('E4', 'M32', 12),
    ],
    { concept: 'Ex e', material: 'plastic', wallEarthed: false },
  ),
  still(
    'JB-S2',
    'Junction box, spirit safe',
    [
      threaded('E1', 'M25', 12),
      threaded('E2', 'M20', 12),
      threaded('E3', 'M20', 12),
      threaded('E4', 'M25', 12),
      threaded('E5', 'M25', 12),
      threaded('E6', 'M25', 12),
    ],
    { concept: 'Ex e', material: 'plastic', wallEarthed: false },
  ),
  still('MV-1', 'Mash valve', [threaded('E1', 'M25', 14)], { freeVolumeCm3: 900, ignitionSource: true }),
  still('MV-2', 'Wort valve', [threaded('E1', 'M25', 14)], { freeVolumeCm3: 900, ignitionSource: true }),
  still('MV-3', 'Low wines valve', [threaded('E1', 'M25', 14)], { freeVolumeCm3: 900, ignitionSource: true }),
  still('MV-4', 'Feints valve', [threaded('E1', 'M25', 14)], { freeVolumeCm3: 900, ignitionSource: true }),
  still('IS-1', 'Interlock switch, spirit safe', [threaded('E1', 'M20', 14)], {
    freeVolumeCm3: 350,
    ignitionSource: true,
  }),
  still('CV-1', 'Condenser valve', [threaded('E1', 'M20', 14)], { freeVolumeCm3: 80 }),
  grain('GL-1', 'Grain lift', [threaded('E1', 'M40', 14)]),
  grain('DF-1', 'Dust fan', [threaded('E1', 'M32', 14)]),
  grain('SC-1', 'Intake screw', [threaded('E1', 'M32', 14)]),
  notSaidWet(grain('SV-1', 'Sieve', [threaded('E1', 'M20', 12)])),
  grain(
    'JB-G1',
    'Junction box, intake pit',
    [threaded('E1', 'M20', 10), threaded('E2', 'M25', 10), threaded('E3', 'M20', 10)],
    { zone: 22 },
  ),
  pump('CP-1', 'Cooling pump 1', [threaded('E1', 'M40', 14)]),
  pump('CP-2', 'Cooling pump 2', [threaded('E1', 'M50', 14)]),
  pump('EP-1', 'Effluent pump', [threaded('E1', 'M25', 12)], { ip: '68' }),
  pump('SU-1', 'Sump float switches', [threaded('E1', 'M20', 12)], { ip: '68' }),
  pump('BM-1', 'Boiler main', [threaded('E1', 'M63', 18)]),
  pump('BS-1', 'Boiler skid panel', [tapered('E1', '1', 20, 6)], { material: 'aluminium', ip: '66' }),
  pump('BF-1', 'Burner fan', [tapered('E1', '1', 18, 5.5)], { material: 'aluminium', ip: '66' }),
  pump('PW-1', 'Pallet wrapper', [{ ...threaded('E1', 'M25', 12), plugIn: true }], { ip: '54' }),
  pump('PW-2', 'Second pallet wrapper', [{ ...threaded('E1', 'M25', 12), plugIn: true }], { ip: '54' }),
  pump('RS-1', 'Isolating switch, rinse pump', [{ ...threaded('E1', 'M25', 12), ownClamp: true }], {
    orderedV: 400,
    orderedHz: 50,
    orderedW: 4000,
  }),
  yard('YF-1', 'Yard feeder', [{ ...threaded('E1', 'M63', 20), coupler: true }]),
  yard('CV-2', 'Travelling conveyor', [{ ...threaded('E1', 'M63', 20), coupler: true }]),
  yard('JL-1', 'In-line joint, wash bay', [
    { ...threaded('S', 'M25', 14), inLine: 'sockets' },
    { ...threaded('P', 'M25', 14), inLine: 'pins' },
  ]),
  yard('WB-1', 'Cask washer', [threaded('E1', 'M25', 12)]),
  cask('CH-1', 'Cask hoist', [threaded('E1', 'M32', 12)]),
  cask('CH-2', 'Second hoist, feeder box', [threaded('E1', 'M32', 12)], {
    material: 'aluminium',
    wallEarthed: true,
  }),
  cask('FN-1', 'Store ventilation', [threaded('E1', 'M20', 10)]),
  cask('LP-1', 'Lighting panel', [
    threaded('E1', 'M25', 10),
    threaded('E2', 'M20', 10),
    threaded('E3', 'M20', 10),
  ]),
  cask('LX-1', 'Aisle luminaires', [threaded('E1', 'M20', 10), threaded('E2', 'M20', 10)]),
  cask('HD-1', 'Heat detector, racking aisle', [threaded('E1', 'M20', 12)], {
    material: 'brass',
    wallEarthed: true,
  }),
  cask('JB-C1', 'Junction box, racking aisle', [
    threaded('E1', 'M20', 10),
    threaded('E2', 'M20', 10),
    threaded('E3', 'M25', 10),
  ]),
];

/** Fillers left out of it: gas finds its way between the cores, so its valve end takes a barrier. */
const valveCable = (tag: string, routeM: number, a: string, b: string) =>
  cable(
    tag,
    'W7-2.5',
    routeM,
    [a, b],
    measured({
      outer: [20.3, 20.6],
      inner: [14.2, 14.5],
      wire: [1.25, 1.25],
      bundle: [12.4, 12.7],
      core: [3.9, 4],
    }),
    { note: 'gas path between the cores', tailA: 150 },
  );

export const CABLES: readonly SeedCable[] = [
  cable('K-101', 'W4-10', 34, ['MCC-1/P3', 'SP-1/E1'], both([20.7, 21], [14.6, 14.8], 1.25)),
  cable('K-102', 'W4-2.5', 34, ['MCC-1/P1', 'SP-1/E2'], both([15.1, 15.3], [9.9, 10.1], 0.9)),
  cable('K-104', 'W4-25', 38, ['MCC-1/P6', 'SP-2/E1'], both([27.9, 28.2], [21.4, 21.7], 1.6), { tailB: 240 }),
  cable('K-105', 'W12-1.5', 38, ['MCC-1/P4', 'JB-S1/E2'], both([21.3, 21.6], [15, 15.3], 1.25)),
  cable(
    'K-106',
    'W4-25',
    41,
    ['MCC-1/P7', 'SP-3/E1'],
    [...full('A', [28, 28.2], [21.5, 21.6], 1.6, 90), ...full('B', [27.2, 28.9], [21, 22.3], 1.6, 96)],
    { note: 'lay under a pallet, out of round at the pump end' },
  ),
  cable(
    'K-107',
    'W4-10',
    52,
    ['MCC-1/P5', 'VF-1/E1'],
    [...full('A', [20.8, 20.9], [14.6, 14.7], 1.25, 110), ...full('B', [20.8, 21], [14.6, 14.8], 1.25, 116)],
  ),
  cable('K-108', 'B4-4', 47, ['MCC-1/P2', 'CV-1/E1'], both([14.5, 14.7], [11.1, 11.3], 0.3)),
  cable('K-109', 'W4-6', 47, ['MCC-1/P13', 'SP-2/E2'], both([18.3, 18.4], [12.4, 12.5], 1.25), {
    note: 'at the top of the M20 range',
  }),
  cable('K-110', 'B7-1.5', 29, ['JB-S1/E1', 'LS-2/E1'], both([13.2, 13.4], [9.8, 10], 0.3), { tailA: 150 }),
  cable('K-112', 'B7-1.5', 31, ['MCC-1/P14', 'LS-1/E1'], both([13.1, 13.3], [9.7, 9.9], 0.3), {
    note: 'level switch came with a tapered thread',
  }),
  cable('K-113', 'F4-16', 36, ['MCC-1/P8', 'JB-S1/E4'], both([24.5, 24.8], [18.2, 18.4], 1.6)),
  cable('K-115', 'W19-1.5', 64, ['MCC-2/P4', 'JB-G1/E2'], datasheet('22.8', '16.6', '1.25'), {
    note: 'not delivered yet, datasheet only',
  }),
  cable('K-117', 'W4-50', 71, ['MCC-2/P8', 'GL-1/E1'], both([35.2, 35.6], [27.8, 28.1], 1.6)),
  cable(
    'K-118',
    'W4-25',
    66,
    ['MCC-2/P6', 'DF-1/E1'],
    [
      ...calipers('A', 'outer', ['1 3/32', '1 7/64'], 150, 'in'),
      ...calipers('A', 'inner', ['0.845', '0.85'], 152, 'in'),
      ...calipers('A', 'wire', ['0.063'], 154, 'in'),
      ...calipers('B', 'outer', ['1 3/32', '1 1/8"'], 156, 'in'),
      ...calipers('B', 'inner', ['27/32', '0.855'], 158, 'in'),
      ...calipers('B', 'wire', ['1.6 mm'], 159, 'in'),
    ],
    { note: 'measured with an inch caliper' },
  ),
  cable('K-119', 'T3-35', 58, ['MCC-2/P7', 'SC-1/E1'], both([26.8, 27.1], [21.6, 21.9], 0.5)),
  cable('K-120', 'W4-2.5', 60, ['MCC-2/P1', 'SV-1/E1'], both([15, 15.2], [9.8, 10], 0.9)),
  cable('K-121', 'W4-2.5', 61, ['MCC-2/P2', 'JB-G1/E1'], datasheet('15.2', '10.0', '0.9')),
  cable('K-122', 'W4-50', 22, ['MCC-2/P9', 'CP-1/E1'], [...full('B', [35.3, 35.5], [27.9, 28], 1.6, 200)], {
    note: 'switch-room end not measured',
  }),
  cable('K-123', 'W4-95', 24, ['MCC-1/P11', 'CP-2/E1'], both([44.3, 44.9], [35.5, 35.9], 2)),
  cable('K-124', 'W4-10', 19, ['MCC-2/P5', 'EP-1/E1'], both([20.6, 20.9], [14.5, 14.7], 1.25)),
  cable('K-125', 'B7-1.5', 20, ['MCC-2/P3', 'SU-1/E1'], both([13.2, 13.3], [9.8, 9.9], 0.3)),
  cable('K-126', 'W4-240', 45, ['MCC-1/P12', 'BM-1/E1'], both([66.1, 66.8], [55.2, 55.6], 2.5), {
    note: 'larger than anything in the catalogue',
  }),
  cable('K-128', 'W4-25', 80, ['MCC-1/P10', 'CH-1/E1'], both([27.8, 28.1], [21.3, 21.6], 1.6), {
    note: 'hole in the plate is M40',
  }),
  cable('K-129', 'W4-2.5', 84, ['MCC-2/P11', 'FN-1/E1'], both([15.1, 15.2], [9.9, 10], 0.9), {
    tailB: null,
    note: 'terminal position at the fan not known yet',
  }),
  cable('K-130', 'W4-10', 88, ['MCC-2/P12', 'LP-1/E1'], both([20.8, 21], [14.6, 14.9], 1.25)),
  cable('K-131', 'B4-4', 15, ['LP-1/E2', 'JB-C1/E1'], both([14.6, 14.7], [11.1, 11.2], 0.3), { tailA: 300 }),
  cable('K-132', 'B4-4', 18, ['LP-1/E3', 'JB-C1/E2'], both([14.5, 14.6], [11.2, 11.3], 0.3), { tailA: 300 }),
  valveCable('K-140', 6, 'JB-S2/E1', 'MV-1/E1'),
  cable(
    'K-141',
    'B4-4',
    2.4,
    ['JB-S2/E2', 'IS-1/E1'],
    measured({
      outer: [14.5, 14.7],
      inner: [11.1, 11.3],
      wire: [0.3, 0.3],
      bundle: [9.6, 9.8],
      core: [4, 4.1],
    }),
    { note: 'short: from the junction box to the switch beside it', tailA: 150 },
  ),
  cable('K-142', 'U5-2.5', 21, ['JB-C1/E3', 'LX-1/E1'], measured({ outer: [13.3, 13.5] }), { tailA: 120 }),
  cable('K-143', 'I3-35', 12, ['BS-1/E1', 'BF-1/E1'], measured({ outer: [24.1, 24.5], over: [21.2, 21.5] })),
  cable('K-144', 'U5-2.5', 16, ['MCC-2/P14', 'PW-1/E1'], measured({ outer: [13.2, 13.4] })),
  cable(
    'K-145',
    'S1-120',
    45,
    ['MCC-1/P16', 'CH-2/E1'],
    measured({ outer: [27.6, 27.9], inner: [21.2, 21.4], wire: [1.6, 1.6] }),
    { note: 'one phase alone through a steel plate' },
  ),
  valveCable('K-146', 9, 'JB-S2/E4', 'MV-2/E1'),
  valveCable('K-147', 12, 'JB-S2/E5', 'MV-3/E1'),
  valveCable('K-148', 14, 'JB-S2/E6', 'MV-4/E1'),
  cable('K-150', 'U5-2.5', 14, ['MCC-2/P15', 'RS-1/E1'], measured({ outer: [13.2, 13.4] }), {
    note: 'ends in a switch with a clamp of its own; the one that came says 690 V on its plate',
    tailB: 140,
  }),
  cable('K-151', 'U4-4', 18, ['MCC-2/P16', 'PW-2/E1'], measured({ outer: [11.6, 11.8] }), {
    note: 'plugs in at the wrapper, under a live cap',
  }),
  cable('K-156', 'U4-4', 40, ['MCC-2/P17', 'JL-1/S'], measured({ outer: [11.6, 11.8] }), {
    note: 'feeds the cask washer through a joint in the wash bay',
  }),
  cable('K-157', 'U4-4', 12, ['JL-1/P', 'WB-1/E1'], measured({ outer: [11.7, 11.8] }), {
    note: 'from the joint to the washer: comes off with it',
  }),
  cable(
    'K-170',
    'R6-50',
    180,
    ['YF-1/E1', 'CV-2/E1'],
    measured({ outer: [50.3, 50.7], bundle: [40.6, 41], core: [18.4, 18.6] }),
    { note: 'trailing cable with a coupler at each end; two phases have changed places at one of them' },
  ),
  cable('K-160', 'M2-1.5', 52, ['AP-1/E1', 'HD-1/E1'], measured({ outer: [7.85, 7.95] }), {
    note: 'fire alarm: mineral-insulated, potted at both ends',
    tailA: 180,
    tailB: 120,
  }),
];

export const QUILLMERE: SeedJob = {
  slug: 'quillmere',
  name: 'Quillmere distillery, re-cabling',
  unit: 'mm',
  secondPerson: true,
  profile: DEFAULT_PROFILE,
  types: CABLE_TYPES,
  enclosures: ENCLOSURES,
  cables: CABLES,
};
