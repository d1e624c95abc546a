import {
  ARMOUR_KINDS,
  ARMOUR_NAMES,
  CONSTRUCTIONS,
  CONSTRUCTION_WORDS,
  MATERIALS,
  MATERIAL_WORDS,
} from '@/core/catalogue';
import { QUANTITIES, QUANTITY_WORDS, type Quantity } from '@/core/cable-measurement';
import {
  CABLE_LISTINGS,
  readCoreNames,
  readNominal,
  writeCoreNames,
  writeNominal,
  type CableType,
  type NominalDiameter,
} from '@/core/schedule';
import { choiceCell, numberCell, severalCell, textCell, yesNoCell } from './cell';
import { columnsOf, inColumn, type FactColumn } from './columns';

const FACTS = columnsOf<Omit<CableType, 'nominal'>>({
  code: ['code', 'code in the job', textCell],
  title: ['title', 'what it is', textCell],
  armour: ['armour', 'armour', choiceCell(ARMOUR_KINDS, ARMOUR_NAMES)],
  cores: ['cores', 'cores', numberCell],
  coreSectionMm2: ['section_mm2', 'section of a core, mm²', numberCell],
  construction: ['made_as', 'construction of its own', choiceCell(CONSTRUCTIONS, CONSTRUCTION_WORDS)],
  ratedV: ['rated_v', 'rated voltage, V', numberCell],
  coreNames: [
    'core_names',
    'names of the cores, such as BN BK GNYE=earth',
    { write: writeCoreNames, read: readCoreNames },
  ],
  phaseColours: ['phase_colours', 'colours of the phases', severalCell(textCell)],
  earthCores: ['earth_cores', 'earth cores besides the phases', numberCell],
  pilotCores: ['pilot_cores', 'pilot cores besides the phases', numberCell],
  semiconducting: ['semiconducting', 'a semiconducting layer on each phase', yesNoCell],
  jacketed: ['jacketed', 'a jacket over the armour', yesNoCell],
  innerSheath: ['inner_sheath', 'a bedding or inner sheath', yesNoCell],
  effectivelyFilled: ['filled', 'filled, no gas path', yesNoCell],
  coldFlow: ['creeps', 'the sheath creeps', yesNoCell],
  screened: ['screened', 'screened', yesNoCell],
  outerSheathThicknessMm: ['outer_thickness_mm', 'thickness of the outer sheath, mm', numberCell],
  innerSheathThicknessMm: ['inner_thickness_mm', 'thickness of the inner sheath, mm', numberCell],
  compact: ['compact', 'round and without hollows', yesNoCell],
  armourMaterial: ['armour_of', 'what the armour is made of', choiceCell(MATERIALS, MATERIAL_WORDS)],
  singleCoreAc: ['single_core_ac', 'single core of AC', yesNoCell],
  listings: ['listings', 'hazardous-location listings', severalCell(choiceCell(CABLE_LISTINGS))],
});

const NOMINAL: Readonly<Record<Quantity, string>> = {
  outerSheath: 'outer',
  innerSheath: 'inner',
  armourWire: 'wire',
  overArmour: 'over_armour',
  laidUpCores: 'laid_up_cores',
  core: 'core',
};
export const NOMINAL_COLUMNS: readonly string[] = Object.values(NOMINAL);

/** A diameter by the datasheet; a bare number is in the unit of the table. */
const nominalColumn = (quantity: Quantity, unit: 'mm' | 'in'): FactColumn<CableType> => ({
  column: NOMINAL[quantity],
  words: `diameter: ${QUANTITY_WORDS[quantity]}`,
  path: `nominal.${quantity}`,
  write: ({ nominal }) => {
    const given = nominal?.[quantity];
    return given === undefined ? '' : writeNominal(given);
  },
  read: (facts, text) => {
    const before = (facts.nominal ?? {}) as Partial<Record<Quantity, NominalDiameter>>;
    const { [quantity]: _, ...others } = before;
    if (text.trim() === '') {
      facts.nominal = Object.keys(others).length === 0 ? undefined : others;
      return null;
    }
    const read = readNominal(text, unit);
    if (!read.ok) return inColumn(NOMINAL[quantity], read.problems[0], text);
    facts.nominal = { ...others, [quantity]: read.value };
    return null;
  },
});

/** Every column of a table of cable types. */
export const typeColumns = (unit: 'mm' | 'in' = 'mm'): readonly FactColumn<CableType>[] => [
  ...(FACTS as unknown as FactColumn<CableType>[]),
  ...QUANTITIES.map((q) => nominalColumn(q, unit)),
];

/** What a column of a datasheet's table can be besides: a line such as `4x25mm2 XLPE/PVC/SWA/PVC`. */
export const CONSTRUCTION = 'construction';
export const TYPE_COLUMN_WORDS: Readonly<Record<string, string>> = {
  ...Object.fromEntries(typeColumns().map((c) => [c.column, c.words])),
  [CONSTRUCTION]: 'construction, in a line',
};
