import { DUST_GROUPS, GAS_GROUPS, type Certificate } from '@/core/catalogue';
import {
  isFlameproof,
  isGasZone,
  type CodeProfile,
  type Enclosure,
  type TEMPERATURE_CLASSES,
} from '@/core/schedule';
import type { MissingField } from './barrier/trail';
import { worst, type Verdict } from './verdict';

type System = CodeProfile['system'];

/** Whether a certificate covers something, and the facts that would have to be known to say so. */
export interface Covered {
  readonly verdict: Extract<Verdict, 'fits' | 'unknown' | 'misfit'>;
  readonly asks: readonly MissingField[];
}

const FITS: Covered = { verdict: 'fits', asks: [] };
const MISFIT: Covered = { verdict: 'misfit', asks: [] };
const ask = (fact: MissingField): Covered => ({ verdict: 'unknown', asks: [fact] });
const fitsIf = (good: boolean): Covered => (good ? FITS : MISFIT);

const has = <T>(value: T | null | undefined): value is T => value !== null && value !== undefined;

/**
 * Is the concept of the box, and its place, among those the certificate names? A profile judges places in its own words: a box that is
 * only given a zone is not covered under classes and divisions, nor the other way round. A place that nobody has stated is asked for.
 */
export function coversConcept(certificate: Certificate, enclosure: Enclosure, system: System): Covered {
  if (enclosure.concept !== 'none' && !certificate.concepts.includes(enclosure.concept)) return MISFIT;
  return system === 'divisions'
    ? coversDivision(certificate, enclosure)
    : coversZone(certificate, enclosure, system);
}

function coversDivision(certificate: Certificate, enclosure: Enclosure): Covered {
  const { hazardClass, division, zone } = enclosure;
  if (!has(hazardClass)) {
    if (has(zone)) return MISFIT;
    return hazardClass === null && !isFlameproof(enclosure) ? FITS : ask('place');
  }
  const lines = (certificate.divisions ?? []).filter((d) => d.hazardClass === hazardClass);
  if (division === undefined) return lines.length === 0 ? MISFIT : ask('place');
  return fitsIf(lines.some((d) => d.division <= division));
}

function coversZone(certificate: Certificate, enclosure: Enclosure, system: System): Covered {
  const { zone, hazardClass, concept } = enclosure;
  if (zone === undefined) return system === 'industrial' && hazardClass === null ? FITS : ask('zone');
  if (zone !== null) return fitsIf(certificate.zones.includes(zone));
  if (has(hazardClass)) return MISFIT;
  // A box with a concept of protection was chosen for some place: that there is none has to be explained.
  return system === 'zones' && concept !== 'none' ? ask('zone') : FITS;
}

/**
 * By zones a group covers those before it: IIC covers IIB and IIA (IEC 60079-0); the gas group counts for the gas zones of the certificate
 * and the dust group for its dust zones. By divisions a line covers the groups it names, in its own class and division; class III has none.
 */
export function coversGroup(certificate: Certificate, enclosure: Enclosure, system: System): Covered {
  if (system === 'divisions') return coversClassGroup(certificate, enclosure);
  const { zone, gasGroup, dustGroup } = enclosure;
  const inGas = has(zone) && isGasZone(zone);
  const inDust = has(zone) && !isGasZone(zone);
  const gases = certificate.zones.some(isGasZone) ? certificate.gasGroup : undefined;
  const dusts = certificate.zones.some((z) => !isGasZone(z)) ? certificate.dustGroup : undefined;
  return both(
    coversOne(GAS_GROUPS, gases, gasGroup, inGas, 'gasGroup'),
    coversOne(DUST_GROUPS, dusts, dustGroup, inDust, 'dustGroup'),
  );
}

function coversClassGroup(
  certificate: Certificate,
  { hazardClass, division, classGroup }: Enclosure,
): Covered {
  if (!has(hazardClass) || (hazardClass === 'III' && classGroup === undefined)) return FITS;
  const lines = (certificate.divisions ?? []).filter(
    (d) => d.hazardClass === hazardClass && (division === undefined || d.division <= division),
  );
  if (lines.length === 0) return MISFIT;
  return classGroup === undefined
    ? ask('classGroup')
    : fitsIf(lines.some((d) => d.groups.includes(classGroup)));
}

/** One kind of group: what the certificate has of it against what the place has, which is asked for where the place is of that kind. */
function coversOne<T extends string>(
  order: readonly T[],
  certified: T | undefined,
  group: T | null | undefined,
  placeIsOfIt: boolean,
  fact: MissingField,
): Covered {
  if (!has(group) && !placeIsOfIt) return FITS;
  if (certified === undefined) return MISFIT;
  return has(group) ? fitsIf(order.indexOf(certified) >= order.indexOf(group)) : ask(fact);
}

const both = (a: Covered, b: Covered): Covered => {
  const verdict = worst([a.verdict, b.verdict]) as Covered['verdict'];
  return { verdict, asks: verdict === 'unknown' ? [...a.asks, ...b.asks] : [] };
};

/**
 * IP by IEC 60529: solids digit at least as high; for water, jets (up to 6), immersion (7 and 8) and hot jets (9) are different tests, and
 * none of them covers another.
 */
export function coversIp(certificate: Pick<Certificate, 'ip'>, enclosure: Pick<Enclosure, 'ip'>): boolean {
  const digit = (c: string | undefined) => (c === undefined || c === 'X' ? 0 : Number(c));
  const [solids, water] = [digit(enclosure.ip[0]), digit(enclosure.ip[1])];
  const tests = certificate.ip.map((code) => [digit(code[0]), digit(code[1])] as const);
  const [least, most] = waterTests(water);
  return tests.some(([s]) => s >= solids) && tests.some(([, w]) => w >= least && w <= most);
}

/** Second digits whose test covers a wanted one. */
function waterTests(wanted: number): readonly [least: number, most: number] {
  if (wanted <= 6) return [wanted, wanted === 0 ? 9 : 6];
  return wanted <= 8 ? [wanted, 8] : [9, 9];
}

/** Hottest surface that each temperature class allows, °C (IEC 60079-0, temperature classes of group II). */
export const CLASS_LIMIT_C: Readonly<Record<(typeof TEMPERATURE_CLASSES)[number], number>> = {
  T1: 450,
  T2: 300,
  T3: 200,
  T4: 135,
  T5: 100,
  T6: 85,
};

/** A place where gas or dust may be, in the words of either system; one that nobody has stated counts as such. */
export const isClassified = ({ zone, hazardClass, concept }: Enclosure): boolean =>
  has(zone) || has(hazardClass) || concept !== 'none' || (zone === undefined && hazardClass === undefined);

/**
 * Does the entry stay below the hottest surface that the temperature class of the place allows? A gland makes no heat of its own, so what
 * the entry gets is what it has. An entry that is cool enough for the strictest class need not be asked about.
 */
export function coversTemperatureClass(enclosure: Enclosure): Covered {
  const { temperatureClass, entryMaxC } = enclosure;
  if (!isClassified(enclosure)) return FITS;
  if (has(temperatureClass)) return fitsIf(entryMaxC <= CLASS_LIMIT_C[temperatureClass]);
  return entryMaxC <= CLASS_LIMIT_C.T6 ? FITS : ask('temperatureClass');
}

/** Room in °C between the service range and the entry's temperatures; negative by how much it is out. */
export const temperatureMarginC = (certificate: Certificate, enclosure: Enclosure): number =>
  Math.min(enclosure.ambientMinC - certificate.serviceMinC, certificate.serviceMaxC - enclosure.entryMaxC);

/** All of it at once, for parts such as adaptors that are judged as one. */
export const certificateCovers = (certificate: Certificate, enclosure: Enclosure, system: System): Covered =>
  [
    coversGroup(certificate, enclosure, system),
    fitsIf(coversIp(certificate, enclosure)),
    fitsIf(temperatureMarginC(certificate, enclosure) >= 0),
    coversTemperatureClass(enclosure),
  ].reduce(both, coversConcept(certificate, enclosure, system));
