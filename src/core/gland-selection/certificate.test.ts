import type { Certificate } from '@/core/catalogue';
import { BOX } from '@/core/testing';
import {
  certificateCovers,
  coversConcept,
  coversGroup,
  coversIp,
  coversTemperatureClass,
  temperatureMarginC,
} from './certificate';

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
  [1, 'IIA', undefined, 'fits', []],
  [1, 'IIB', undefined, 'fits', []],
  [1, 'IIC', undefined, 'misfit', []],
  [21, undefined, 'IIIB', 'fits', []],
  [21, undefined, 'IIIC', 'misfit', []],
  // A zone asks for the group of its own kind, and null says no more than nothing at all.
  [1, undefined, undefined, 'unknown', ['gasGroup']],
  [1, null, null, 'unknown', ['gasGroup']],
  [21, 'IIB', undefined, 'unknown', ['dustGroup']],
  [1, 'IIB', 'IIIC', 'misfit', []],
  [null, null, null, 'fits', []],
] as const)('zone %s, group %s %s: %s', (zone, gasGroup, dustGroup, verdict, asks) => {
  const box = { ...BOX, zone, gasGroup, dustGroup };
  expect(coversGroup(CERTIFICATE, box, 'zones')).toEqual({ verdict, asks });
});

it('covers no group at all when the certificate names none, nor a group of zones that it does not name', () => {
  const { gasGroup: _g, dustGroup: _d, ...none } = CERTIFICATE;
  expect(coversGroup(none, { ...BOX, gasGroup: 'IIA' }, 'zones').verdict).toBe('misfit');
  expect(coversGroup(none, { ...BOX, gasGroup: null }, 'zones').verdict).toBe('misfit');
  const onlyGas = { ...CERTIFICATE, zones: [1, 2] as (1 | 2)[] };
  expect(coversGroup(onlyGas, { ...BOX, gasGroup: 'IIA', dustGroup: 'IIIA' }, 'zones').verdict).toBe(
    'misfit',
  );
});

describe('divisions', () => {
  const LISTED: Certificate = {
    ...CERTIFICATE,
    concepts: ['explosionproof'],
    divisions: [
      { hazardClass: 'I', division: 1, groups: ['C', 'D'] },
      { hazardClass: 'I', division: 2, groups: ['A', 'B'] },
      { hazardClass: 'III', division: 1, groups: ['F', 'G'] },
    ],
  };
  const { zone: _z, ...open } = BOX;
  const group = (box: object) => coversGroup(LISTED, { ...open, ...box }, 'divisions');
  it.each([
    ['a group of the line', 1, 'C', 'fits'],
    ['a group of the other line only', 1, 'A', 'misfit'],
    ['a division 1 line in division 2', 2, 'D', 'fits'],
    ['the line of division 2', 2, 'B', 'fits'],
    ['a group that nobody gave', 1, undefined, 'unknown'],
  ] as const)('takes the groups of their own line: %s', (_, division, classGroup, verdict) =>
    expect(group({ hazardClass: 'I', division, ...(classGroup ? { classGroup } : {}) }).verdict).toBe(
      verdict,
    ),
  );
  it('asks for no group in class III, which has none, and covers no class that is not listed', () => {
    expect(group({ hazardClass: 'III', division: 1 }).verdict).toBe('fits');
    expect(group({ hazardClass: 'II', division: 1, classGroup: 'G' }).verdict).toBe('misfit');
  });
  const place = (box: object) => coversConcept(LISTED, { ...open, concept: 'none', ...box }, 'divisions');
  it.each([
    ['nothing said', {}, 'unknown'],
    ['said to be unclassified', { hazardClass: null }, 'fits'],
    ['a class without its division', { hazardClass: 'I' }, 'unknown'],
    ['a class that no line has', { hazardClass: 'II' }, 'misfit'],
    ['only a zone', { zone: 1 }, 'misfit'],
    ['an explosionproof box without a place', { concept: 'explosionproof', hazardClass: null }, 'unknown'],
  ] as const)('place: %s', (_, box, verdict) => expect(place(box).verdict).toBe(verdict));
});

it.each([
  // Jets (5, 6) and immersion (7, 8) are different tests.
  [['66'], '65', true],
  [['66'], '67', false],
  [['68'], '67', true],
  [['68'], '66', false],
  [['66', '68'], '68', true],
  [['66', '68'], '69', false],
  [['69'], '67', false],
  [['69'], '66', false],
  [['66', '69'], '69', true],
  [['69'], '6X', true],
  [['54'], '66', false],
  [['66'], '6X', true],
  [['X6'], '66', false],
] as const)('tests to %j cover IP%s: %s', (ip, asked, covered) => {
  expect(coversIp({ ...CERTIFICATE, ip: [...ip] }, { ...BOX, ip: asked })).toBe(covered);
});

it('asks for concept and zone, for neither where nothing is classified, and says when nobody has', () => {
  const covers = (box: object) => coversConcept(CERTIFICATE, { ...BOX, ...box }, 'zones').verdict;
  expect(covers({ concept: 'Ex d', zone: 1 })).toBe('fits');
  expect(covers({ concept: 'Ex t', zone: 21 })).toBe('misfit');
  expect(covers({ concept: 'Ex d', zone: 0 })).toBe('misfit');
  expect(covers({ concept: 'none', zone: null })).toBe('fits');
  expect(covers({ concept: 'none', zone: undefined })).toBe('unknown');
  expect(covers({ concept: 'Ex d', zone: null })).toBe('unknown');
  expect(covers({ concept: 'Ex t', zone: undefined })).toBe('misfit');
});

it('takes the nearer end of the service range', () => {
  expect(temperatureMarginC(CERTIFICATE, { ...BOX, ambientMinC: -20, entryMaxC: 60 })).toBe(0);
  expect(temperatureMarginC(CERTIFICATE, { ...BOX, ambientMinC: 0, entryMaxC: 90 })).toBe(-10);
  const hot = { ...BOX, ambientMinC: 0, entryMaxC: 81 };
  expect(certificateCovers(CERTIFICATE, hot, 'zones')).toEqual({ verdict: 'misfit', asks: [] });
});

it.each([
  ['at the limit of its class', { temperatureClass: 'T6', entryMaxC: 85 }, 'fits'],
  ['one degree over it', { temperatureClass: 'T6', entryMaxC: 86 }, 'misfit'],
  ['where a weaker class allows it', { temperatureClass: 'T5', entryMaxC: 86 }, 'fits'],
  ['cool enough for the strictest class, though none is named', { entryMaxC: 85 }, 'fits'],
  ['too warm for the strictest, and no class named', { entryMaxC: 86 }, 'unknown'],
  ['the same with a class that is null', { temperatureClass: null, entryMaxC: 86 }, 'unknown'],
  ['a place that nobody has stated', { zone: undefined, concept: 'none', entryMaxC: 86 }, 'unknown'],
  [
    'a hazard by class and division',
    { zone: null, concept: 'none', hazardClass: 'I', entryMaxC: 86 },
    'unknown',
  ],
  ['nothing there that could ignite', { zone: null, concept: 'none', entryMaxC: 120 }, 'fits'],
] as const)('temperature class, %s: judged by the heat of the entry', (_, box, verdict) => {
  const { temperatureClass: _t, ...open } = BOX;
  const judged = coversTemperatureClass({ ...open, ...box });
  expect(judged).toEqual({ verdict, asks: verdict === 'unknown' ? ['temperatureClass'] : [] });
});
