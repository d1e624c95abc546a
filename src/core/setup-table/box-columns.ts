import { holeText, readHole } from '@/core/boxes';
import {
  CLASS_GROUPS,
  CONCEPTS,
  DIVISIONS,
  DUST_GROUPS,
  GAS_GROUPS,
  HAZARD_CLASSES,
  MATERIALS,
  MATERIAL_WORDS,
} from '@/core/catalogue';
import { JOINT_HALVES } from '@/core/pin-map';
import { DUST_ZONES, GAS_ZONES, TEMPERATURE_CLASSES, type Enclosure, type Entry } from '@/core/schedule';
import { choiceCell, numberCell, numberOf, orNone, textCell, yesNoCell } from './cell';
import { columnsOf, inColumn, type FactColumn } from './columns';

const ZONES = [...GAS_ZONES, ...DUST_ZONES];

/** Columns that say what a box is. */
export const BOX_COLUMNS = columnsOf<Enclosure & { readonly area: string }>({
  tag: ['box', 'box', textCell],
  title: ['title', 'what it is', textCell],
  area: ['area', 'area', textCell],
  concept: ['concept', 'protection', choiceCell(CONCEPTS)],
  zone: ['zone', 'zone', orNone(numberOf(ZONES))],
  gasGroup: ['gas_group', 'group of the gas', orNone(choiceCell(GAS_GROUPS))],
  dustGroup: ['dust_group', 'group of the dust', orNone(choiceCell(DUST_GROUPS))],
  hazardClass: ['class', 'hazard class', orNone(choiceCell(HAZARD_CLASSES))],
  division: ['division', 'division', numberOf(DIVISIONS)],
  classGroup: ['class_group', 'group of the class', choiceCell(CLASS_GROUPS)],
  temperatureClass: ['temperature_class', 'temperature class', orNone(choiceCell(TEMPERATURE_CLASSES))],
  ip: ['ip', 'IP code', textCell],
  material: ['material', 'material', choiceCell(MATERIALS, MATERIAL_WORDS)],
  ignitionSource: ['sparks', 'something inside sparks or gets hot', yesNoCell],
  wet: ['wet', 'water or salt at the joints', yesNoCell],
  nonMagneticPlate: ['non_magnetic_plate', 'entries in a non-magnetic plate', yesNoCell],
  wallEarthed: ['wall_earthed', 'the wall carries the earth', yesNoCell],
  orderedV: ['ordered_v', 'supply that was ordered, V', numberCell],
  orderedHz: ['ordered_hz', 'frequency that was ordered, Hz', numberCell],
  orderedW: ['ordered_w', 'power that was ordered, W', numberCell],
  freeVolumeCm3: ['free_volume_cm3', 'free volume, cm³', numberCell],
  ambientMinC: ['ambient_min_c', 'coldest, °C', numberCell],
  entryMaxC: ['entry_max_c', 'hottest at the entry, °C', numberCell],
});

/** The hole itself is one cell: `M25x1.5`, `3/4 NPT`, `hole 20.5`. */
const HOLE: FactColumn<Entry> = {
  column: 'hole',
  words: 'hole',
  path: 'kind',
  write: holeText,
  read: (facts, text) => {
    const hole = readHole(text);
    if (!hole.ok) return inColumn('hole', hole.problems[0], text);
    // A thread that is there keeps its pitch where the cell says the same thread.
    if (facts.kind === undefined || holeText(facts as unknown as Entry) !== holeText(hole.value))
      Object.assign(facts, hole.value);
    return null;
  },
};

/** Columns that say what an entry of a box is. */
export const ENTRY_COLUMNS: readonly FactColumn<Entry>[] = [
  ...(columnsOf<Pick<Entry, 'label'>>({
    label: ['entry', 'entry', textCell],
  }) as unknown as FactColumn<Entry>[]),
  HOLE,
  ...(columnsOf<
    Pick<Entry, 'wallMm' | 'chamferMm' | 'taperedTurns' | 'plugIn' | 'ownClamp' | 'coupler' | 'inLine'>
  >({
    wallMm: ['wall_mm', 'wall, mm', numberCell],
    chamferMm: ['chamfer_mm', 'chamfer, mm', numberCell],
    taperedTurns: ['tapered_turns', 'tapered threads that engage', numberCell],
    ownClamp: ['own_clamp', 'the device’s own clamp', yesNoCell],
    coupler: ['coupler', 'the inlet of a coupler', yesNoCell],
    plugIn: ['plug_in', 'for a plug-in body', yesNoCell],
    inLine: ['in_line', 'half of an in-line joint', choiceCell(JOINT_HALVES)],
  }) as unknown as FactColumn<Entry>[]),
];

export const BOX_COLUMN_WORDS: Readonly<Record<string, string>> = Object.fromEntries(
  [...BOX_COLUMNS, ...ENTRY_COLUMNS].map((c) => [c.column, c.words]),
);
