import { CODE_PROFILES, type CodeProfile, type Enclosure } from '@/core/schedule';
import { BOX, CABLE, TERMINATION } from '@/core/testing';
import type { TerminationInput } from '../termination-input';
import { trailView } from '../words';
import { decideBarrier } from '.';

const profile = (key: string): CodeProfile => {
  const found = CODE_PROFILES.find((p) => p.key === key);
  if (!found) throw new Error(key);
  return found;
};
const at = (
  key: string,
  change: Partial<TerminationInput> = {},
  box: Partial<Enclosure> = {},
  cable: Partial<typeof CABLE> = {},
) =>
  trailView(
    decideBarrier({
      ...TERMINATION,
      profile: profile(key),
      enclosure: { ...BOX, ...box },
      cableType: { ...CABLE, ...cable },
      ...change,
    }),
  );
const metres = (m: number) => ({ cableLengthMm: m * 1000 });

describe('length and filling', () => {
  const KEY = 'iec-length-filling';
  it.each([
    ['2.5 m to a flameproof box', 2.5, 'barrier'],
    ['one millimetre short of 3 m', 2.999, 'barrier'],
    ['3 m', 3, 'none'],
    ['12 m', 12, 'none'],
  ])('a compact filled cable of %s', (_, m, outcome) => expect(at(KEY, metres(m)).outcome).toBe(outcome));

  it('says by how much a cable is short, and asks its questions in order', () => {
    const trail = at(KEY, metres(2.5));
    expect(trail.conclusion).toBe('The cable is 2.5 m long, 0.5 m short of 3 m: barrier gland.');
    expect(trail.steps.map((s) => [s.question, s.answer, s.from])).toEqual([
      ['Does the cable enter a flameproof box directly?', 'yes, JB-1 is Ex d', 'enclosure'],
      ['Is the cable filled, without a gas path between its cores?', 'yes', 'cable type'],
      ['Is the cable compact and round?', 'yes', 'cable type'],
      ['Is the cable at least 3 m long?', 'no, 2.5 m', 'schedule'],
    ]);
    expect(new Set(trail.steps.map((s) => s.rule))).toEqual(
      new Set(['IEC 60079-14:2013, cables into flameproof boxes']),
    );
    expect(trail.caution).toContain('edition in force where you work');
  });

  it('sends an unfilled cable straight to a barrier, however long', () =>
    expect(at(KEY, metres(200), {}, { effectivelyFilled: false })).toMatchObject({
      outcome: 'barrier',
      missing: null,
    }));

  it('sends a cable that is not compact to a barrier', () =>
    expect(at(KEY, metres(200), {}, { compact: false }).outcome).toBe('barrier'));

  it.each([
    ['whether the cable is compact', {}, { compact: undefined }, 'cable type'],
    ['its length', { cableLengthMm: null }, {}, 'schedule'],
  ])('asks for %s when nobody has said', (_, change, cable, where) => {
    const trail = at(KEY, change, {}, cable);
    expect(trail).toMatchObject({ outcome: 'ask', missing: { where } });
  });

  it('asks nothing of a box that is not flameproof', () => {
    const trail = at(KEY, { cableLengthMm: null }, { concept: 'Ex e' }, { effectivelyFilled: false });
    expect(trail.outcome).toBe('none');
    expect(trail.steps).toHaveLength(1);
  });

  it('reads the limit from the profile, so that an edition is an edit', () => {
    const edited = { ...profile(KEY), barrier: { ...profile(KEY).barrier, minLengthM: 5 } };
    expect(at(KEY, { ...metres(4.9), profile: edited }).outcome).toBe('barrier');
    expect(at(KEY, { ...metres(5), profile: edited }).outcome).toBe('none');
  });
});

describe('decision flow', () => {
  const KEY = 'iec-flow';
  it.each([
    ['nothing ignites inside', { ignitionSource: false, gasGroup: 'IIC' }, 'none'],
    ['group IIC', { ignitionSource: true, gasGroup: 'IIC', zone: 2 }, 'barrier'],
    ['IIB in zone 2, whatever the volume', { ignitionSource: true, zone: 2, freeVolumeCm3: 9000 }, 'none'],
    ['IIB in zone 1, exactly 2000 cm³', { ignitionSource: true, freeVolumeCm3: 2000 }, 'none'],
    ['IIB in zone 1, 2001 cm³', { ignitionSource: true, freeVolumeCm3: 2001 }, 'barrier'],
  ] as const)('%s: %s', (_, box, outcome) => expect(at(KEY, {}, box).outcome).toBe(outcome));

  it('does not ask for the length at all', () =>
    expect(at(KEY, { cableLengthMm: null }, { ignitionSource: false }).outcome).toBe('none'));

  it.each([
    [{}, 'whether JB-1 holds a source of ignition'],
    [{ ignitionSource: true, gasGroup: null }, 'the gas group at JB-1'],
    [{ ignitionSource: true, zone: null }, 'the zone of JB-1'],
  ])('asks for what is missing: %j', (box, fact) =>
    expect(at(KEY, {}, box)).toMatchObject({ outcome: 'ask', missing: { fact, where: 'enclosure' } }),
  );
});

describe('classes and divisions', () => {
  const KEY = 'division';
  const one = {
    zone: null,
    hazardClass: 'I',
    division: 1,
    classGroup: 'D',
    concept: 'explosionproof',
  } as const;
  it('asks for a seal at an explosionproof box when the cable is listed', () =>
    expect(at(KEY, {}, one, { listings: ['I/1'] }).outcome).toBe('seal'));

  it('refuses tray cable to a division 1 box before any fitting is looked at', () => {
    const trail = at(KEY, {}, one, { listings: ['tray'] });
    expect(trail.outcome).toBe('refused');
    expect(trail.conclusion).toContain(
      'Refused before any gland: class I, division 1 asks for a cable listed for class I division 1; SWA-4x25 has tray use',
    );
    expect(trail.steps).toHaveLength(2);
  });

  it('takes tray cable in division 2', () =>
    expect(at(KEY, {}, { ...one, division: 2, concept: 'none' }, { listings: ['tray'] }).outcome).toBe(
      'none',
    ));

  it('refuses a cable without any listing and asks when nobody has said', () => {
    expect(at(KEY, {}, one, { listings: [] }).outcome).toBe('refused');
    expect(at(KEY, {}, one)).toMatchObject({ outcome: 'ask', missing: { where: 'cable type' } });
  });

  it('does not translate a zone into a division', () =>
    expect(at(KEY)).toMatchObject({ outcome: 'ask', missing: { fact: 'the class and division of JB-1' } }));

  it('needs no seal against dust', () =>
    expect(at(KEY, {}, { ...one, hazardClass: 'II', classGroup: 'G' }, { listings: ['II/1'] }).outcome).toBe(
      'none',
    ));
});

describe('industrial', () => {
  it('refuses a classified box instead of waving it through', () => {
    expect(at('industrial').outcome).toBe('refused');
    expect(at('industrial', {}, { zone: null, concept: 'none' }).outcome).toBe('none');
  });
});
