import { DUST_GROUPS, GAS_GROUPS, type Certificate } from '@/core/catalogue';
import type { Enclosure } from '@/core/schedule';

/** Is the concept of the box, and its zone, among those the certificate names? */
export const coversConcept = (certificate: Certificate, enclosure: Enclosure): boolean =>
  (enclosure.concept === 'none' || certificate.concepts.includes(enclosure.concept)) &&
  (enclosure.zone === null || certificate.zones.includes(enclosure.zone));

const covers = <T extends string>(order: readonly T[], has: T | undefined, needs: T | null): boolean =>
  needs === null || (has !== undefined && order.indexOf(has) >= order.indexOf(needs));

/** A group covers those before it: IIC covers IIB and IIA (IEC 60079-0). */
export const coversGroup = (certificate: Certificate, enclosure: Enclosure): boolean =>
  covers(GAS_GROUPS, certificate.gasGroup, enclosure.gasGroup) &&
  covers(DUST_GROUPS, certificate.dustGroup, enclosure.dustGroup);

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
export const certificateCovers = (certificate: Certificate, enclosure: Enclosure): boolean =>
  coversConcept(certificate, enclosure) &&
  coversGroup(certificate, enclosure) &&
  coversIp(certificate, enclosure) &&
  temperatureMarginC(certificate, enclosure) >= 0;
