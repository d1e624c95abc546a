import type { Certificate } from '@/core/catalogue';
import { BOX } from '@/core/testing';
import { certificateCovers, coversConcept, coversGroup, coversIp, temperatureMarginC } from './certificate';

const CERTIFICATE: Certificate = {
  concepts: ['Ex d', 'Ex e'],
  zones: [1, 2, 21],
  gasGroup: 'IIB',
  dustGroup: 'IIIB',
  ip: ['66', '68'],
  serviceMinC: -20,
  serviceMaxC: 80,
};

it.each([
  ['IIA', null, true],
  ['IIB', null, true],
  ['IIC', null, false],
  [null, 'IIIA', true],
  [null, 'IIIC', false],
  [null, null, true],
] as const)('group %s %s: %s', (gasGroup, dustGroup, covered) => {
  expect(coversGroup(CERTIFICATE, { ...BOX, gasGroup, dustGroup }, 'zones')).toBe(covered);
});

it('covers no group at all when the certificate names none', () => {
  const { gasGroup: _g, dustGroup: _d, ...none } = CERTIFICATE;
  expect(coversGroup(none, { ...BOX, gasGroup: 'IIA' }, 'zones')).toBe(false);
  expect(coversGroup(none, { ...BOX, gasGroup: null }, 'zones')).toBe(true);
});

it.each([
  // Jets (5, 6) and immersion (7, 8) are different tests.
  [['66'], '65', true],
  [['66'], '67', false],
  [['68'], '67', true],
  [['68'], '66', false],
  [['66', '68'], '68', true],
  [['66', '68'], '69', false],
  [['54'], '66', false],
  [['66'], '6X', true],
  [['X6'], '66', false],
] as const)('tests to %j cover IP%s: %s', (ip, asked, covered) => {
  expect(coversIp({ ...CERTIFICATE, ip: [...ip] }, { ...BOX, ip: asked })).toBe(covered);
});

it('asks for concept and zone, and for neither where nothing is classified', () => {
  expect(coversConcept(CERTIFICATE, { ...BOX, concept: 'Ex d', zone: 1 }, 'zones')).toBe(true);
  expect(coversConcept(CERTIFICATE, { ...BOX, concept: 'Ex t', zone: 21 }, 'zones')).toBe(false);
  expect(coversConcept(CERTIFICATE, { ...BOX, concept: 'Ex d', zone: 0 }, 'zones')).toBe(false);
  expect(coversConcept(CERTIFICATE, { ...BOX, concept: 'none', zone: null }, 'zones')).toBe(true);
});

it('takes the nearer end of the service range', () => {
  expect(temperatureMarginC(CERTIFICATE, { ...BOX, ambientMinC: -20, entryMaxC: 60 })).toBe(0);
  expect(temperatureMarginC(CERTIFICATE, { ...BOX, ambientMinC: 0, entryMaxC: 90 })).toBe(-10);
  expect(certificateCovers(CERTIFICATE, { ...BOX, ambientMinC: 0, entryMaxC: 81 }, 'zones')).toBe(false);
});
