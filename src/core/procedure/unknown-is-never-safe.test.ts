import type { Measurement } from '@/core/cable-measurement';
import {
  choose,
  contradictions,
  judgeAll,
  MEASURED_QUANTITIES,
  packCandidate,
  questionsOf,
  questionView,
  type TerminationInput,
} from '@/core/gland-selection';
import { seededRandom } from '@/core/kernel';
import { CODE_PROFILES, type CableType, type Enclosure } from '@/core/schedule';
import { BOX, CABLE, DEMO, ENTRY, fitting, interval, TERMINATION } from '@/core/testing';
import { planTermination } from '.';

const random = seededRandom(20261127);
const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T;
const maybe = <K extends string, V>(key: K, values: readonly V[]): Partial<Record<K, V>> =>
  random() < 0.8 ? ({ [key]: pick(values) } as Partial<Record<K, V>>) : {};

const {
  armourMaterial: _m,
  compact: _c,
  outerSheathThicknessMm: _o,
  innerSheathThicknessMm: _i,
  ...PLAIN
} = CABLE;
const { zone: _z, gasGroup: _g, dustGroup: _d, temperatureClass: _t, wet: _w, ...OPEN } = BOX;

function randomType(): CableType {
  const armour = pick(['roundWire', 'braid', 'tape', 'interlocked', 'none'] as const);
  const cores = pick([1, 3, 4, 7]);
  return {
    ...PLAIN,
    armour,
    cores,
    innerSheath: armour !== 'interlocked' && armour !== 'none',
    effectivelyFilled: random() < 0.7,
    ...maybe('compact', [true, false]),
    ...maybe('armourMaterial', ['galvanisedSteel', 'aluminium', 'stainlessSteel'] as const),
    ...(cores === 1 ? maybe('singleCoreAc', [true, false]) : {}),
    ...maybe('listings', [['I/1', 'I/2'], ['tray'], []] as ('I/1' | 'I/2' | 'tray')[][]),
    ...maybe('outerSheathThicknessMm', [1.2, 1.8, 2.4]),
    ...maybe('innerSheathThicknessMm', [1, 1.4]),
  };
}

function randomBox(): Enclosure {
  return {
    ...OPEN,
    concept: pick(['none', 'Ex d', 'Ex e', 'explosionproof'] as const),
    material: pick(['aluminium', 'steel', 'castIron', 'plastic'] as const),
    wallEarthed: random() < 0.7,
    ip: pick(['54', '66', '67']),
    freeVolumeCm3: pick([90, 2500]),
    ...maybe('zone', [null, 1, 2, 21] as const),
    ...maybe('gasGroup', ['IIA', 'IIB', 'IIC'] as const),
    ...maybe('dustGroup', ['IIIA', 'IIIC'] as const),
    ...maybe('hazardClass', ['I', 'II', 'III'] as const),
    ...maybe('division', [1, 2] as const),
    ...maybe('classGroup', ['A', 'D', 'G'] as const),
    ...maybe('ignitionSource', [true, false]),
    ...maybe('wet', [true, false]),
    ...maybe('nonMagneticPlate', [true, false]),
    ...maybe('temperatureClass', [null, 'T4', 'T5', 'T6'] as const),
    // On either side of what the strictest class allows, and within what seals bear.
    entryMaxC: pick([60, 88]),
  };
}

/** A cable in the middle of every range of some size, with facts of its type and its place at random. */
function nearlyFitting(): TerminationInput {
  const family = pick(DEMO.families);
  const size = pick(family.sizes);
  const made = fitting(family, size, pick(family.accepts.armour), true);
  const { compact: _1, armourMaterial: _2, ...type } = made.cableType;
  const box = randomBox();
  return {
    ...made,
    cableType: {
      ...type,
      ...maybe('compact', [true]),
      ...maybe('armourMaterial', ['galvanisedSteel', 'aluminium'] as const),
      ...maybe('listings', [['I/1', 'I/2']] as ('I/1' | 'I/2')[][]),
    },
    enclosure: { ...box, concept: pick(['none', 'Ex d', 'Ex e'] as const), ip: '66', wallEarthed: true },
    profile: pick(CODE_PROFILES),
    cableLengthMm: pick([2000, 40_000]),
  };
}

function randomInput(): TerminationInput {
  if (random() < 0.6) return nearlyFitting();
  const cableType = randomType();
  const outer = 12 + random() * 24;
  const at = (q: Parameters<typeof interval>[0], mm: number): Measurement | null =>
    random() < 0.9 ? interval(q, mm * (1 - random() * 0.01), mm * (1 + random() * 0.01)) : null;
  const wire = cableType.armour === 'roundWire' ? 1.25 : 0.3;
  const clad = cableType.armour === 'interlocked';
  return {
    ...TERMINATION,
    cableType,
    enclosure: randomBox(),
    entry: {
      ...ENTRY,
      thread: { form: 'metric', size: pick(['M20', 'M25', 'M32', 'M40']), pitchMm: 1.5 },
      wallMm: pick([8.5, 12, 16]),
    },
    profile: pick(CODE_PROFILES),
    cableLengthMm: random() < 0.8 ? pick([2000, 40_000]) : null,
    outerSheath: interval('outerSheath', outer, outer + random() * 0.6),
    innerSheath: cableType.innerSheath ? at('innerSheath', outer * 0.75) : null,
    armourWire: cableType.innerSheath ? at('armourWire', wire) : null,
    overArmour: clad ? at('overArmour', outer - 2.6) : null,
    laidUpCores: at('laidUpCores', outer * 0.6),
    core: cableType.cores > 1 ? at('core', outer * 0.2) : null,
  };
}

/** Facts that may be left out of a cable, a box or a request, each with the input without it. */
function without(input: TerminationInput): [fact: string, less: TerminationInput][] {
  const TYPE = ['compact', 'armourMaterial', 'singleCoreAc', 'listings'] as const;
  const PLACE = [
    ...(['zone', 'gasGroup', 'dustGroup', 'hazardClass', 'division', 'classGroup'] as const),
    ...(['ignitionSource', 'wet', 'nonMagneticPlate', 'temperatureClass'] as const),
  ] as const;
  const drop = <T extends object>(from: T, key: keyof T): T => {
    const { [key]: _, ...rest } = from;
    return rest as T;
  };
  return [
    ...TYPE.filter((k) => k in input.cableType).map(
      (k) => [k, { ...input, cableType: drop(input.cableType, k) }] as [string, TerminationInput],
    ),
    ...PLACE.filter((k) => k in input.enclosure).map(
      (k) => [k, { ...input, enclosure: drop(input.enclosure, k) }] as [string, TerminationInput],
    ),
    ['length', { ...input, cableLengthMm: null }],
    ...MEASURED_QUANTITIES.filter((q) => input[q] !== null).map(
      (q) => [q, { ...input, [q]: null }] as [string, TerminationInput],
    ),
  ];
}

/**
 * Facts that contradict the rest rather than complete it: a place in the words of another system, and a group of gas where a zone of dust, or
 * none at all, is stated. Without one of these the place is as it was stated.
 */
function contradicts(fact: string, { profile, enclosure: { zone } }: TerminationInput): boolean {
  if (profile.system === 'divisions') return ['zone', 'gasGroup', 'dustGroup'].includes(fact);
  if (['hazardClass', 'division', 'classGroup'].includes(fact)) return true;
  if (zone === undefined) return false;
  if (fact === 'gasGroup') return zone === null || zone >= 20;
  return fact === 'dustGroup' && (zone === null || zone < 20);
}

it('never turns a refusal or a question into a fit when a fact is taken away', () => {
  let judged = 0;
  let asked = 0;
  for (let n = 0; n < 160; n += 1) {
    const input = randomInput();
    const before = new Map(choose(input, DEMO).candidates.map((c) => [c.size, c]));
    for (const [fact, less] of without(input)) {
      if (contradicts(fact, input)) continue;
      for (const after of choose(less, DEMO).candidates) {
        const was = before.get(after.size);
        if (was === undefined) throw new Error('the same sizes are judged');
        judged += 1;
        if (was.verdict !== 'fits' && after.verdict === 'fits')
          throw new Error(`${n}: without ${fact} ${after.size.code} fits, with it ${was.verdict}`);
        if (was.verdict !== 'unknown' && after.verdict === 'unknown') asked += 1;
      }
    }
  }
  expect(judged).toBeGreaterThan(50_000);
  expect(asked).toBeGreaterThan(200);
});

it('says of what it does not know that it asks for it, with the sizes that wait and what each answer would change', () => {
  let questions = 0;
  for (let n = 0; n < 120; n += 1) {
    const input = randomInput();
    const choice = choose(input, DEMO);
    const open = questionsOf(input, DEMO, choice).map(questionView);
    const unknown = choice.candidates.filter((c) => c.verdict === 'unknown' && c.notCalledFor === null);
    const nameless = unknown.flatMap((c) =>
      c.findings.filter(
        (f) => f.verdict === 'unknown' && f.asks === undefined && f.criterion !== 'engagement',
      ),
    );
    expect(nameless).toEqual([]);
    for (const { words, path, options } of open) {
      questions += 1;
      expect(words.length * path.length).toBeGreaterThan(0);
      for (const option of options) expect(option.would).not.toBe('');
    }
  }
  expect(questions).toBeGreaterThan(15);
});

it('packs the same verdicts and margins as it explains, whatever is unknown', () => {
  const inputs = Array.from({ length: 60 }, randomInput);
  const { packed, sizes } = judgeAll(inputs, DEMO);
  inputs.forEach((input, t) => {
    const explained = new Map(choose(input, DEMO).candidates.map((c) => [c.size, c]));
    sizes.forEach(({ size }, s) => {
      const candidate = explained.get(size);
      expect({ t, size: size.code, packed: packed[t * sizes.length + s] }).toEqual({
        t,
        size: size.code,
        packed: candidate && packCandidate(candidate),
      });
    });
  });
});

it('gives no deeper blade, and none with less doubt, when a fact is taken away that is no thickness', () => {
  let compared = 0;
  for (let n = 0; n < 60; n += 1) {
    const input = randomInput();
    if (contradictions(input.cableType, input).length > 0) continue;
    const choice = choose(input, DEMO);
    for (const candidate of choice.candidates.filter((c) => c.verdict !== 'misfit').slice(0, 3)) {
      const cutOf = (from: TerminationInput) => {
        const again = choose(from, DEMO).candidates.find((c) => c.size === candidate.size);
        if (again === undefined || from.outerSheath === null) return null;
        return planTermination(
          {
            tag: 'K-1/A',
            input: from,
            routeMm: 300,
            spareMm: 0,
            unit: 'mm',
            compounds: DEMO.compounds ?? [],
          },
          again,
        );
      };
      const whole = cutOf(input);
      for (const [fact, less] of without(input)) {
        // A measurement of a sheath's own thickness may only be what makes its blade shallower.
        if (fact === 'overArmour' || fact === 'laidUpCores') continue;
        const after = cutOf(less);
        for (const mark of after?.cut?.marks ?? []) {
          const was = whole?.cut?.marks.find((m) => m.id === mark.id);
          if (!was) continue;
          compared += 1;
          expect(mark.guard.maxDepthMm ?? 0).toBeLessThanOrEqual(was.guard.maxDepthMm ?? 0);
        }
        if (after && candidate.verdict === 'unknown') expect(after.provisional.length).toBeGreaterThan(0);
      }
    }
  }
  expect(compared).toBeGreaterThan(200);
});
