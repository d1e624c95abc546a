const CABLE = {
  code: 'W4-25',
  title: '4-core 25 mm², round wire',
  armour: 'roundWire',
  cores: 4,
  coreSectionMm2: 25,
  jacketed: true,
  innerSheath: true,
  effectivelyFilled: true,
  coldFlow: false,
  screened: false,
  outerSheathThicknessMm: 1.8,
  innerSheathThicknessMm: 1.2,
  compact: true,
  armourMaterial: 'galvanisedSteel',
};

const READINGS = [
  { quantity: 'outerSheath', method: 'caliper', text: '27.9', unit: 'mm', angleDeg: 0 },
  { quantity: 'outerSheath', method: 'caliper', text: '28.2', unit: 'mm', angleDeg: 90 },
  { quantity: 'outerSheath', method: 'wrapTape', text: '88.7', unit: 'mm' },
  { quantity: 'innerSheath', method: 'caliper', text: '27/32', unit: 'in', angleDeg: 0 },
  { quantity: 'innerSheath', method: 'caliper', text: '21.7', unit: 'mm', angleDeg: 90 },
  { quantity: 'armourWire', method: 'caliper', text: '1.6', unit: 'mm' },
];

const ENCLOSURE = {
  tag: 'SP-2',
  title: 'Still pump 2',
  concept: 'Ex d',
  zone: 1,
  gasGroup: 'IIB',
  temperatureClass: 'T3',
  ip: '66',
  material: 'castIron',
  wallEarthed: true,
  wet: false,
  freeVolumeCm3: 2400,
  ambientMinC: -10,
  entryMaxC: 70,
};

const ENTRY = {
  label: 'E1',
  kind: 'threaded',
  thread: { form: 'metric', size: 'M32', pitchMm: 1.5 },
  wallMm: 16,
  chamferMm: 1,
  holeMm: null,
};

/** A catalogue file with one family of it, for an example that needs no more. */
const onlyFamily = (catalogue: unknown, code: string): unknown => {
  const file = catalogue as { families: readonly { code: string }[] };
  return { ...file, families: file.families.filter((f) => f.code === code), frameSheets: undefined };
};

/** Requests about one cable and its gland, from its readings to its cure, and about the glands of a whole job. */
export function glandExamples(catalogue: unknown): Record<string, unknown> {
  const termination = {
    tag: 'K-104/B',
    cableType: CABLE,
    readings: READINGS,
    enclosure: ENCLOSURE,
    entry: ENTRY,
    cableLengthMm: 38_000,
    catalogue: 'demo',
  };
  return {
    measure: { readings: READINGS },
    choose: termination,
    cut: {
      ...termination,
      catalogue: { file: 'examples/catalogue/demo.json' },
      profile: 'iec-length-filling',
      size: 'RW2-32',
      routeMm: 240,
      spareMm: 30,
      terminals: [{ core: 'PE', routeMm: 190 }],
      toolSchool: 'usual',
      armourAsCutMm: 22,
      unit: 'mm',
    },
    tighten: {
      ...termination,
      size: 'AY3-32',
      wrenchHead: { leverMm: 400, headMm: 45, angleDeg: 0 },
      family: 'AY3',
      cover: { bolts: 8, shape: 'rectangle', torqueNm: 12 },
      pressUnit: {
        bolts: 2,
        travelMm: 6,
        incrementMm: 2,
        travelledMm: 4.5,
        torqueNm: 14,
        maxTorqueNm: 14,
      },
    },
    compound: {
      ...termination,
      cableType: { ...CABLE, effectivelyFilled: false },
      readings: [
        ...READINGS,
        { quantity: 'laidUpCores', method: 'caliper', text: '19.8', unit: 'mm' },
        { quantity: 'core', method: 'caliper', text: '8.2', unit: 'mm' },
      ],
      catalogue: onlyFamily(catalogue, 'WC4'),
      size: 'WC4-32',
      tempC: 18,
      ready: {
        pours: [
          { tag: 'K-104/B', ml: 11.4 },
          { tag: 'K-140/B', ml: 9.2 },
          { tag: 'K-141/A', ml: 9.2 },
        ],
        minutesPerPour: 6,
        people: 1,
      },
    },
    cure: {
      cure: [
        { c: 5, minutes: 720 },
        { c: 20, minutes: 150 },
        { c: 40, minutes: 40 },
      ],
      readings: [
        { at: 0, c: 21 },
        { at: 25, c: 20 },
        { at: 50, c: 19 },
      ],
      pouredAt: 0,
      now: 60,
    },
    'choose-job': {
      terminations: [
        {
          tag: 'K-101/A',
          options: [
            { part: 'RW2-25-B', adaptor: false, marginMm: 1.7 },
            { part: 'AY3-25-N', adaptor: false, marginMm: 2 },
          ],
        },
        {
          tag: 'K-108/A',
          options: [
            { part: 'BT2-20-N', adaptor: false, marginMm: 1.6 },
            { part: 'AY3-25-N', adaptor: true, marginMm: 0.4 },
          ],
        },
        {
          tag: 'K-140/B',
          options: [],
          locked: { part: 'WC4-25-B', adaptor: false, marginMm: -0.1 },
        },
      ],
    },
  };
}
