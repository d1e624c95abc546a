import { coversConcept, coversGroup, coversIp, temperatureMarginC } from '../certificate';
import { sheetName, type Criterion } from '../finding';

const zoneName = (zone: number | null) => (zone === null ? 'no zone' : `zone ${zone}`);

/** Protection concept and zone, as plain facts of the certificate. */
export const concept: Criterion = {
  id: 'concept',
  scope: 'family',
  title: 'Concept and zone',
  judge: ({ input: { enclosure }, family }) => {
    const good = coversConcept(family.certificate, enclosure);
    const takes = `${family.certificate.concepts.join(', ')}; zones ${family.certificate.zones.join(', ') || 'none'}`;
    const has = `${enclosure.concept === 'none' ? 'industrial' : enclosure.concept}, ${zoneName(enclosure.zone)}`;
    const reason = good ? `certified for ${has}` : `certified for ${takes}; the box is ${has}`;
    return {
      criterion: 'concept',
      verdict: good ? 'fits' : 'misfit',
      takes,
      has,
      margin: null,
      reason,
      source: sheetName(family),
    };
  },
};

/** Gas and dust group; a higher group covers the lower ones. */
export const group: Criterion = {
  id: 'group',
  scope: 'family',
  title: 'Group',
  judge: ({ input: { enclosure }, family }) => {
    const good = coversGroup(family.certificate, enclosure);
    const takes =
      [family.certificate.gasGroup, family.certificate.dustGroup].filter(Boolean).join(', ') || 'none';
    const has = [enclosure.gasGroup, enclosure.dustGroup].filter(Boolean).join(', ') || 'none asked';
    const reason = good ? `${takes} covers ${has}` : `certified up to ${takes}; the place is ${has}`;
    return {
      criterion: 'group',
      verdict: good ? 'fits' : 'misfit',
      takes,
      has,
      margin: null,
      reason,
      source: sheetName(family),
    };
  },
};

/** Ingress protection: jets and immersion are different tests. */
export const ip: Criterion = {
  id: 'ip',
  scope: 'family',
  title: 'IP',
  judge: ({ input: { enclosure }, family }) => {
    const good = coversIp(family.certificate, enclosure);
    const takes = family.certificate.ip.map((code) => `IP${code}`).join(', ');
    const has = `IP${enclosure.ip}`;
    const reason = good
      ? `${takes} covers ${has}`
      : `tested to ${takes}; the box asks for ${has}, and jets and immersion are different tests`;
    return {
      criterion: 'ip',
      verdict: good ? 'fits' : 'misfit',
      takes,
      has,
      margin: null,
      reason,
      source: 'IEC 60529; ' + sheetName(family),
    };
  },
};

/** Service temperature of the gland's seals against the coldest and hottest the entry gets. */
export const temperature: Criterion = {
  id: 'temperature',
  scope: 'family',
  title: 'Temperature',
  judge: ({ input: { enclosure }, family }) => {
    const margin = temperatureMarginC(family.certificate, enclosure);
    const takes = `${family.certificate.serviceMinC} to ${family.certificate.serviceMaxC} °C`;
    const has = `${enclosure.ambientMinC} to ${enclosure.entryMaxC} °C`;
    const reason =
      margin >= 0 ? `${margin} °C in hand` : `seals serve ${takes}; the entry sees ${has}: ${-margin} °C out`;
    return {
      criterion: 'temperature',
      verdict: margin >= 0 ? 'fits' : 'misfit',
      takes,
      has,
      margin,
      reason,
      source: sheetName(family),
    };
  },
};
