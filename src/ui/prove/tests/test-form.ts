import {
  type ConductorMaterial,
  type ElectricalTest,
  type Insulation,
  READ_AT,
  type TestKind,
} from '@/core/electrical-test';
import { simulatedName } from '@/core/instrument';
import type { CableType } from '@/core/schedule';
import { readNumber } from '../../common/read-number';

/** Said or not: what nobody has said stands for nothing. */
export type Said = 'yes' | 'no' | '';

/** What is typed of the tests of one end, as it stands in the fields. */
export interface TestForm {
  readonly dead: boolean;
  readonly lengthFrom: string;
  readonly lengthTo: string;
  readonly tempC: string;
  readonly coreMaterial: ConductorMaterial | '';
  readonly coreMm2: string;
  readonly overShare: string;
  /** `near far`, as it was read: Ω, or a dash for over the range. */
  readonly matrix: Readonly<Record<string, string>>;
  readonly throughOhm: string;
  readonly openOhm: string;
  readonly matrixOhm: string;
  readonly earthOf: string;
  readonly earthMaterial: ConductorMaterial | '';
  readonly earthMm2: string;
  readonly earthOhm: string;
  readonly earthUncertainty: string;
  readonly mA: string;
  readonly nulled: Said;
  readonly circuitV: string;
  readonly insulation: Insulation | '';
  readonly typeLimit: string;
  readonly noTypeLimit: boolean;
  readonly volts: string;
  readonly testerPercent: string;
  readonly apart: Said;
  readonly guarded: Said;
  /** The simulator whose figures stand in the fields of a test, by the test: as long as they do, it was measured with nothing else. */
  readonly simulated: Readonly<Partial<Record<TestKind, string>>>;
  /** By what is tested: MΩ at each time, in the order of `READ_AT`. */
  readonly curves: Readonly<Record<string, readonly string[]>>;
  readonly trendPercent: string;
  readonly dischargeTimes: string;
  readonly dischargeLeast: string;
}

/** House figures stand in the fields, where they are seen and changed; everything else begins unsaid. */
export const emptyForm = (type: Pick<CableType, 'coreSectionMm2' | 'armourMaterial'>): TestForm => ({
  dead: false,
  lengthFrom: '',
  lengthTo: '',
  tempC: '',
  coreMaterial: '',
  coreMm2: String(type.coreSectionMm2),
  overShare: '25',
  matrix: {},
  throughOhm: '10',
  openOhm: '100000',
  matrixOhm: '0.05',
  earthOf: 'armour',
  earthMaterial: armourOf(type.armourMaterial),
  earthMm2: '',
  earthOhm: '',
  earthUncertainty: '0.02',
  mA: '',
  nulled: '',
  circuitV: '',
  insulation: '',
  typeLimit: '',
  noTypeLimit: false,
  volts: '',
  testerPercent: '5',
  apart: '',
  guarded: '',
  simulated: {},
  curves: {},
  trendPercent: '50',
  dischargeTimes: '4',
  dischargeLeast: '60',
});

/** What stood in the fields when the page was left, field by field where it is of the kind that belongs there. */
export function keptForm(text: string, empty: TestForm): TestForm {
  let found: unknown;
  try {
    found = JSON.parse(text === '' ? '{}' : text);
  } catch {
    // A draft that cannot be read is no draft.
    return empty;
  }
  if (typeof found !== 'object' || found === null) return empty;
  const was = new Map<string, unknown>(Object.entries(found));
  const fields = Object.entries(empty).map(([name, value]): [string, unknown] => {
    const own = was.get(name);
    return [name, own !== null && typeof own === typeof value ? own : value];
  });
  // Every field of a form, each of its own kind.
  return Object.fromEntries(fields) as unknown as TestForm;
}

/** What a simulator shows goes in with its name. */
export const shownBy = (
  { simulated }: Pick<TestForm, 'simulated'>,
  of: TestKind,
  words: string,
): Pick<TestForm, 'simulated'> => ({ simulated: { ...simulated, [of]: simulatedName(words) } });

/** Everything that was read of a test taken out, and whose figures they were; what was said of the cable stays. */
export function withoutReadings({ simulated }: Pick<TestForm, 'simulated'>, of: TestKind): Partial<TestForm> {
  const { [of]: _, ...others } = simulated;
  const read: Readonly<Record<TestKind, Partial<TestForm>>> = {
    continuity: { matrix: {} },
    earthPath: { earthOhm: '', mA: '' },
    insulation: { curves: {} },
  };
  return { ...read[of], simulated: others };
}

const armourOf = (material: CableType['armourMaterial']): ConductorMaterial | '' => {
  switch (material) {
    case 'copper':
    case 'bronze':
    case 'aluminium':
    case 'stainlessSteel':
      return material;
    case 'galvanisedSteel':
    case 'steel':
      return 'steel';
    default:
      return '';
  }
};

type Named = Pick<CableType, 'cores' | 'coreNames' | 'phaseColours' | 'earthCores' | 'pilotCores'>;
const counted = (letter: string, count: number): string[] =>
  Array.from({ length: count }, (_, i) => `${letter}${i + 1}`);

/** Cores as the cable's type calls them; by number where nobody has named them. */
export function coreNames({
  cores,
  coreNames: named,
  phaseColours,
  earthCores,
  pilotCores,
}: Named): string[] {
  if (named !== undefined) return named.map((c) => c.name);
  const told = [...(phaseColours ?? []), ...counted('E', earthCores ?? 0), ...counted('P', pilotCores ?? 0)];
  return told.length === cores && phaseColours !== undefined ? told : counted('', cores);
}

/** What is tested against what: each core against all the rest. */
export const insulationTests = (type: Named): string[] =>
  type.cores === 1
    ? [`${coreNames(type)[0] ?? '1'} against armour`]
    : coreNames(type).map((core) => `${core} against all others and armour`);

/** A request, or the fields that are to be said before there is one. */
export type Asked = { readonly test: ElectricalTest } | { readonly lacking: readonly string[] };

const num = (text: string): number | undefined => {
  const value = readNumber(text);
  return Number.isNaN(value) ? undefined : value;
};
const said = (value: Said): boolean | undefined => (value === '' ? undefined : value === 'yes');
/** A field that a test cannot do without, read; what is missing is collected by its name. */
function reader() {
  const lacking: string[] = [];
  return {
    lacking,
    need: (text: string, name: string): number => {
      const value = num(text);
      if (value === undefined) lacking.push(name);
      return value ?? 0;
    },
    pick: <T extends string>(value: T | '', name: string, otherwise: T): T => {
      if (value === '') lacking.push(name);
      return value === '' ? otherwise : value;
    },
  };
}

const lengthOf = (form: TestForm): { min: number; max: number } | undefined => {
  const from = num(form.lengthFrom);
  const to = form.lengthTo.trim() === '' ? from : num(form.lengthTo);
  return from === undefined || to === undefined ? undefined : { min: from, max: to };
};

/** A pair as it is keyed in the matrix. */
export const pairKey = (near: string, far: string): string => `${near} ${far}`;
/** Over the range of the tester. */
export const isOpen = (text: string): boolean => /^(-|–|—|>.*|ol|open)$/i.test(text.trim());

export function continuityOf(form: TestForm, cores: readonly string[]): Asked {
  const { lacking, need } = reader();
  const throughOhm = need(form.throughOhm, 'up to what resistance a reading is a connection');
  const openOhm = need(form.openOhm, 'from what resistance a reading is none');
  const uncertaintyOhm = need(form.matrixOhm, 'the uncertainty of the tester');
  const readings = cores.flatMap((near) =>
    cores.flatMap((far): { near: string; far: string; ohm: number | null }[] => {
      const text = form.matrix[pairKey(near, far)] ?? '';
      if (isOpen(text)) return [{ near, far, ohm: null }];
      const ohm = num(text);
      return ohm === undefined ? [] : [{ near, far, ohm }];
    }),
  );
  const unread = Object.values(form.matrix).find(
    (t) => t.trim() !== '' && !isOpen(t) && num(t) === undefined,
  );
  if (unread !== undefined) lacking.push(`what “${unread}” is: Ω, or a dash for nothing`);
  const [lengthM, tempC, areaMm2, over] = [
    lengthOf(form),
    num(form.tempC),
    num(form.coreMm2),
    num(form.overShare),
  ];
  const path =
    form.coreMaterial !== '' && lengthM && tempC !== undefined && areaMm2 !== undefined && over !== undefined
      ? { material: form.coreMaterial, areaMm2, lengthM, tempC, overShare: over / 100 }
      : undefined;
  if (lacking.length > 0) return { lacking };
  return {
    test: {
      of: 'continuity',
      request: {
        cores: [...cores],
        provedDead: form.dead ? true : undefined,
        throughOhm,
        openOhm,
        uncertaintyOhm,
        path,
        readings,
      },
    },
  };
}

export function earthPathOf(form: TestForm): Asked {
  const { lacking, need, pick } = reader();
  const material = pick(form.earthMaterial, 'what it is made of', 'steel');
  const areaMm2 = need(form.earthMm2, 'its cross-section');
  const lengthM = lengthOf(form);
  if (lengthM === undefined) lacking.push('how long the cable is');
  const tempC = need(form.tempC, 'how warm it is');
  const overShare = need(form.overShare, 'how much more it may have') / 100;
  const uncertaintyOhm = need(form.earthUncertainty, 'the uncertainty of the tester');
  const of = form.earthOf.trim();
  if (of === '') lacking.push('what is measured');
  if (lacking.length > 0 || lengthM === undefined) return { lacking };
  return {
    test: {
      of: 'earthPath',
      request: {
        of,
        provedDead: form.dead ? true : undefined,
        ohm: num(form.earthOhm),
        uncertaintyOhm,
        mA: num(form.mA),
        leadsNulled: said(form.nulled),
        path: { material, areaMm2, lengthM, tempC, overShare },
      },
    },
  };
}

/** `earlier`: MΩ·km at 20 °C of the test before, by what was tested. */
export function insulationOf(
  form: TestForm,
  tests: readonly string[],
  earlier: ReadonlyMap<string, number>,
): Asked {
  const { lacking, need, pick } = reader();
  const circuitV = need(form.circuitV, 'the voltage of the circuit');
  const insulation = pick(form.insulation, 'what the insulation is', 'pvc');
  const uncertaintyShare = need(form.testerPercent, 'the uncertainty of the tester') / 100;
  const trendShare = need(form.trendPercent, 'from what fall on it is asked about') / 100;
  const times = need(form.dischargeTimes, 'for how many times the test it is discharged');
  const leastS = need(form.dischargeLeast, 'for how long it is discharged at least');
  if (lacking.length > 0) return { lacking };
  return {
    test: {
      of: 'insulation',
      request: {
        circuitV,
        provedDead: form.dead ? true : undefined,
        electronicsOff: said(form.apart),
        farGuarded: said(form.guarded),
        insulation,
        lengthM: lengthOf(form),
        tempC: num(form.tempC),
        leastMohmKm: form.noTypeLimit ? undefined : num(form.typeLimit),
        noTypeLimit: form.noTypeLimit ? true : undefined,
        tester: { volts: num(form.volts), uncertaintyShare },
        tests: tests.map((of) => ({
          of,
          readings: READ_AT.flatMap((s, k) => {
            const text = (form.curves[of]?.[k] ?? '').trim();
            const mohm = num(text.replace(/^>\s*/, ''));
            return mohm === undefined ? [] : [{ s, mohm, ...(text.startsWith('>') ? { over: true } : {}) }];
          }),
          earlierMohmKm: earlier.get(of),
        })),
        trendShare,
        discharge: { times, leastS },
      },
    },
  };
}
