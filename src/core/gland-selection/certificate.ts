import { DUST_GROUPS, GAS_GROUPS, type Certificate } from '@/core/catalogue';
import type { CodeProfile, Enclosure } from '@/core/schedule';

type System = CodeProfile['system'];

/**
 * Is the concept of the box, and its place, among those the certificate names? A profile judges places in its own words: a box that is
 * only given a zone is not covered under classes and divisions, nor the other way round.
 */
export function coversConcept(certificate: Certificate, enclosure: Enclosure, system: System): boolean {
  if (enclosure.concept !== 'none' && !certificate.concepts.includes(enclosure.concept)) return false;
  if (system === 'divisions') {
    const { hazardClass, division } = enclosure;
    if (hazardClass === undefined || division === undefined) return enclosure.zone === null;
    return (certificate.divisions ?? []).some((d) => d.hazardClass === hazardClass && d.division <= division);
  }
  if (enclosure.zone === null) return enclosure.hazardClass === undefined;
  return certificate.zones.includes(enclosure.zone);
}

const covers = <T extends string>(order: readonly T[], has: T | undefined, needs: T | null): boolean =>
  needs === null || (has !== undefined && order.indexOf(has) >= order.indexOf(needs));

/**
 * By zones a group covers those before it: IIC covers IIB and IIA (IEC 60079-0). By divisions a listing covers the groups it names.
 */
export function coversGroup(certificate: Certificate, enclosure: Enclosure, system: System): boolean {
  if (system === 'divisions') {
    const { classGroup, hazardClass } = enclosure;
    if (classGroup === undefined) return true;
    return (certificate.divisions ?? []).some(
      (d) => d.hazardClass === hazardClass && d.groups.includes(classGroup),
    );
  }
  return (
    covers(GAS_GROUPS, certificate.gasGroup, enclosure.gasGroup) &&
    covers(DUST_GROUPS, certificate.dustGroup, enclosure.dustGroup)
  );
}

/**
 * IP by IEC 60529: solids digit at least as high; for water, jets (up to 6) are not covered by an immersion test (7, 8) and
 * the other way round.
 */
export function coversIp(certificate: Certificate, enclosure: Enclosure): boolean {
  const digit = (c: string | undefined) => (c === undefined || c === 'X' ? 0 : Number(c));
  const [solids, water] = [digit(enclosure.ip[0]), digit(enclosure.ip[1])];
  const tests = certificate.ip.map((code) => [digit(code[0]), digit(code[1])] as const);
  const solidsDone = tests.some(([s]) => s >= solids);
  const waterDone = tests.some(([, w]) => (water <= 6 ? w >= water && w <= 6 : w >= water));
  return solidsDone && waterDone;
}

/** Room in °C between the service range and the entry's temperatures; negative by how much it is out. */
export const temperatureMarginC = (certificate: Certificate, enclosure: Enclosure): number =>
  Math.min(enclosure.ambientMinC - certificate.serviceMinC, certificate.serviceMaxC - enclosure.entryMaxC);

/** All of it at once, for parts such as adaptors that are judged as one. */
export const certificateCovers = (certificate: Certificate, enclosure: Enclosure, system: System): boolean =>
  coversConcept(certificate, enclosure, system) &&
  coversGroup(certificate, enclosure, system) &&
  coversIp(certificate, enclosure) &&
  temperatureMarginC(certificate, enclosure) >= 0;
