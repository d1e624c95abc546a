import type { Certificate } from '@/core/catalogue';
import { placeWords, type CodeProfile, type Enclosure } from '@/core/schedule';
import { coversConcept, coversGroup, coversIp, temperatureMarginC } from '../certificate';
import { plainFinding, sheetName, type Criterion } from '../finding';

function certifiedFor(certificate: Certificate, system: CodeProfile['system']): string {
  const concepts = certificate.concepts.join(', ');
  if (system === 'divisions') {
    const places = (certificate.divisions ?? []).map((d) => `class ${d.hazardClass} division ${d.division}`);
    return `${concepts}; ${places.join(', ') || 'no class or division'}`;
  }
  return `${concepts}; zones ${certificate.zones.join(', ') || 'none'}`;
}

/** Protection concept and place, as plain facts of the certificate, in the words of the job's profile. */
export const concept: Criterion = {
  id: 'concept',
  scope: 'family',
  judge: ({ input: { enclosure, profile }, family }) => {
    const { verdict, asks } = coversConcept(family.certificate, enclosure, profile.system);
    const takes = certifiedFor(family.certificate, profile.system);
    const has = `${enclosure.concept === 'none' ? 'industrial' : enclosure.concept}, ${placeWords(enclosure)}`;
    const foreign =
      profile.system === 'divisions' &&
      typeof enclosure.hazardClass !== 'string' &&
      typeof enclosure.zone === 'number';
    const reasons: Readonly<Record<typeof verdict, string>> = {
      fits: `certified for ${has}`,
      unknown: `certified for ${takes}; the place of ${enclosure.tag} is not known`,
      misfit: foreign
        ? `this profile judges by class and division; the box is only given as ${has}`
        : `certified for ${takes}; the box is ${has}`,
    };
    return plainFinding('concept', verdict, takes, has, reasons[verdict], sheetName(family), asks);
  },
};

const groupsOf = (certificate: Certificate, enclosure: Enclosure, system: CodeProfile['system']) => {
  if (system !== 'divisions')
    return {
      takes: [certificate.gasGroup, certificate.dustGroup].filter(Boolean).join(', ') || 'none',
      has: [enclosure.gasGroup, enclosure.dustGroup].filter(Boolean).join(', ') || 'none given',
    };
  const { division } = enclosure;
  const listed = (certificate.divisions ?? []).filter(
    (d) => d.hazardClass === enclosure.hazardClass && (division === undefined || d.division <= division),
  );
  return {
    takes: [...new Set(listed.flatMap((d) => d.groups))].join(', ') || 'none',
    has: enclosure.classGroup ?? 'none given',
  };
};

/** Gas and dust group, as the profile's system counts them. */
export const group: Criterion = {
  id: 'group',
  scope: 'family',
  judge: ({ input: { enclosure, profile }, family }) => {
    const { verdict, asks } = coversGroup(family.certificate, enclosure, profile.system);
    const { takes, has } = groupsOf(family.certificate, enclosure, profile.system);
    const reasons: Readonly<Record<typeof verdict, string>> = {
      fits: `${takes} covers ${has}`,
      unknown: `certified for ${takes}; the group at ${enclosure.tag} is not known`,
      misfit: `certified for ${takes}; the place is ${has}`,
    };
    return plainFinding('group', verdict, takes, has, reasons[verdict], sheetName(family), asks);
  },
};

/** Ingress protection: jets and immersion are different tests. */
export const ip: Criterion = {
  id: 'ip',
  scope: 'family',
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
