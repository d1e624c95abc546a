import type { Reading } from '@/core/cable-measurement';
import { CATALOGUE_FIELDS, codeWords, type CatalogueFile } from '@/core/catalogue';
import { CROSSING_SETUP_FIELDS, type CrossingSetup } from '@/core/crossing';
import { FRAME_PLAN_FIELDS, type FramePlan } from '@/core/frame-packing';
import type { BoxWithEntries, JobSettings, NewJob } from '@/core/job';
import { placedProblem, problemWords, type FieldWords, type Problem } from '@/core/kernel';
import type { SpareRule } from '@/core/kit';
import { CODE_PROFILE_FIELDS, type CableType, type CodeProfile } from '@/core/schedule';
import type { SheetMapping } from '@/core/spreadsheet';

/** What a hand can give of a job: boxes with their entries, cable types, readings, what a job is set to. */
type OfJob = BoxWithEntries | CableType | Reading | JobSettings | NewJob | SpareRule | SheetMapping;

/** What the fields of a job's own facts are called. */
const JOB_FIELDS: FieldWords<OfJob> = {
  ambientMinC: 'coldest, °C',
  angleDeg: 'angle',
  area: 'area',
  armour: 'armour',
  armourMaterial: 'what the armour is made of',
  armourWire: 'armour wire',
  at: 'when',
  box: 'box',
  chamferMm: 'chamfer, mm',
  classGroup: 'group of the class',
  code: 'code',
  coldFlow: 'the sheath creeps',
  construction: 'construction of its own',
  ratedV: 'rated voltage',
  phaseColours: 'colours of the phases',
  coreNames: 'names of the cores',
  use: 'what it is for',
  earthCores: 'earth cores',
  pilotCores: 'pilot cores',
  semiconducting: 'semiconducting layer',
  columns: 'column',
  compact: 'round and without hollows',
  concept: 'protection',
  copyFrom: 'job that it is copied from',
  core: 'one core',
  coreSectionMm2: 'section of a core, mm²',
  cores: 'cores',
  division: 'division',
  dustGroup: 'group of the dust',
  effectivelyFilled: 'filled, no gas path',
  entries: 'entry',
  entryMaxC: 'hottest at the entry, °C',
  families: 'families in use',
  field: 'what it holds',
  fillDown: 'what an empty cell stands for',
  form: 'form of the thread',
  freeVolumeCm3: 'free volume, cm³',
  gasGroup: 'group of the gas',
  hazardClass: 'hazard class',
  headerRow: 'row of the headings',
  holeMm: 'hole, mm',
  ignitionSource: 'something inside sparks or gets hot',
  innerSheath: 'inner sheath',
  innerSheathThicknessMm: 'thickness of the inner sheath, mm',
  instrument: 'instrument',
  ip: 'IP code',
  jacketed: 'a jacket over the armour',
  kind: 'kind',
  label: 'label',
  laidUpCores: 'laid-up cores',
  listings: 'hazardous-location listings',
  material: 'material',
  method: 'how it was read',
  minimum: 'spares of each at least',
  mm: 'diameter, mm',
  name: 'name',
  nominal: 'diameters by the datasheet',
  nonMagneticPlate: 'entries in a non-magnetic plate',
  outerSheath: 'outer sheath',
  outerSheathThicknessMm: 'thickness of the outer sheath, mm',
  overArmour: 'over the armour',
  percent: 'spares, %',
  person: 'person',
  pitchMm: 'pitch, mm',
  place: 'place',
  plugIn: 'made for a plug-in body',
  ownClamp: 'the device’s own clamp',
  coupler: 'coupler',
  inLine: 'half of an in-line joint',
  orderedV: 'supply that was ordered',
  orderedHz: 'frequency that was ordered',
  orderedW: 'power that was ordered',
  profile: 'code profile',
  quantity: 'layer',
  roles: 'role',
  rowsPerCable: 'rows for each cable',
  screened: 'screened',
  secondPerson: 'second-person rule',
  singleCoreAc: 'single core of AC',
  size: 'size',
  tag: 'tag',
  taperedTurns: 'tapered threads that engage',
  temperatureClass: 'temperature class',
  text: 'value',
  thread: 'thread',
  title: 'name',
  tolerance: 'tolerance',
  toleranceMm: 'tolerance, mm',
  unit: 'unit',
  wallEarthed: 'the wall carries the earth',
  wallMm: 'wall, mm',
  wet: 'water or salt at the joints',
  zone: 'zone',
};

/** What every field is called that a person gives, in whatever place. Complete by type: a field that comes to one of the shapes needs its word here. */
export const FIELD_WORDS: FieldWords<OfJob | CatalogueFile | CodeProfile | CrossingSetup | FramePlan> = {
  ...FRAME_PLAN_FIELDS,
  ...CROSSING_SETUP_FIELDS,
  ...CATALOGUE_FIELDS,
  ...CODE_PROFILE_FIELDS,
  ...JOB_FIELDS,
};

/** What has no subject of its own: “is not said”, “must be at least 3”. */
const PREDICATE =
  /^(is|are|has|have|must|does|names?|lacks?|needs?|may|cannot|holds?|stands?|runs?|takes?|says?|at most|at least)\b/;
/** What was found is said with it as long as it fits a line. */
const SHORT = 40;

/**
 * A refusal as somebody reads it who does not see the field: what is said of a field begins with its name. What is a sentence already stays one.
 */
export function inWords(problem: Problem): Problem {
  const { path, message, value } = problem;
  if (problem.placed === true || path === '' || !PREDICATE.test(message)) return problem;
  const shown =
    (typeof value === 'string' && value !== '' && value.length <= SHORT) || typeof value === 'number'
      ? problemWords({ ...problem, message: said(message) })
      : said(message);
  const at = placedProblem({ ...problem, message: shown }, FIELD_WORDS);
  return at.message === shown ? problem : { ...at, placed: true };
}

/** Codes are ours: a person reads words. */
const said = (message: string): string =>
  message.replace(
    /must be one of the following values: (.*)/,
    (_, codes: string) => `is none of ${codes.split(', ').map(codeWords).join(', ')}`,
  );
