import {
  CLASS_LIMIT_C,
  coversConcept,
  coversGroup,
  coversIp,
  coversTemperatureClass,
  isClassified,
  temperatureMarginC,
} from '../certificate';
import { plainFinding, sheetOf, type Criterion } from '../finding';

/** Protection concept and place, as plain facts of the certificate, in the words of the job's profile. */
export const concept: Criterion = {
  id: 'concept',
  scope: 'family',
  judge: ({ input: { enclosure, profile }, family }) => {
    const { certificate } = family;
    const { system } = profile;
    const { verdict, asks } = coversConcept(certificate, enclosure, system);
    // A box that is only given a zone, under a profile that counts by class and division.
    const foreign =
      system === 'divisions' &&
      typeof enclosure.hazardClass !== 'string' &&
      typeof enclosure.zone === 'number';
    const found = { code: 'concept', verdict, certificate, enclosure, system, foreign } as const;
    return plainFinding('concept', verdict, found, sheetOf(family), asks);
  },
};

/** Gas and dust group, as the profile's system counts them. */
export const group: Criterion = {
  id: 'group',
  scope: 'family',
  judge: ({ input: { enclosure, profile }, family }) => {
    const { certificate } = family;
    const { system } = profile;
    const { verdict, asks } = coversGroup(certificate, enclosure, system);
    return plainFinding(
      'group',
      verdict,
      { code: 'group', verdict, certificate, enclosure, system },
      sheetOf(family),
      asks,
    );
  },
};

/** Ingress protection: jets and immersion are different tests. */
export const ip: Criterion = {
  id: 'ip',
  scope: 'family',
  judge: ({ input: { enclosure }, family }) => {
    const { title, revision } = family.sheet;
    const covers = coversIp(family.certificate, enclosure);
    return plainFinding(
      'ip',
      covers ? 'fits' : 'misfit',
      { code: 'ip', tested: family.certificate.ip, asked: enclosure.ip, covers },
      { code: 'ingress', title, revision },
    );
  },
};

/** Service temperature of the gland's seals against the coldest and hottest the entry gets. */
export const temperature: Criterion = {
  id: 'temperature',
  scope: 'family',
  judge: ({ input: { enclosure }, family }) => {
    const { serviceMinC, serviceMaxC } = family.certificate;
    const marginC = temperatureMarginC(family.certificate, enclosure);
    return {
      ...plainFinding(
        'temperature',
        marginC >= 0 ? 'fits' : 'misfit',
        {
          code: 'temperature',
          serves: [serviceMinC, serviceMaxC],
          sees: [enclosure.ambientMinC, enclosure.entryMaxC],
          marginC,
        },
        sheetOf(family),
      ),
      margin: marginC,
    };
  },
};

/** The heat of the entry against the temperature class of the place. */
export const temperatureClass: Criterion = {
  id: 'temperatureClass',
  scope: 'family',
  judge: ({ input: { enclosure }, family }) => {
    const { verdict, asks } = coversTemperatureClass(enclosure);
    const classified = isClassified(enclosure);
    const named = enclosure.temperatureClass ?? null;
    const limitC = !classified || named === null ? null : CLASS_LIMIT_C[named];
    return plainFinding(
      'temperatureClass',
      verdict,
      { code: 'temperatureClass', classified, named, limitC, entryMaxC: enclosure.entryMaxC },
      sheetOf(family),
      asks,
    );
  },
};
