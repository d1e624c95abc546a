import { seededRandom } from '@/core/kernel';
import { measure, type Quantity } from '@/core/cable-measurement';
import { readCatalogue, type CatalogueFile, type Family } from '@/core/catalogue';
import { choose, judge, judgeAll, packCandidate, type TerminationInput } from '@/core/gland-selection';
import { DEFAULT_PROFILE } from '@/core/schedule';
import { CABLE_TYPES, ENCLOSURES } from '@/data/seed/quillmere';
import { median, type Row } from './row';

const TERMINATIONS = 5000;
const SIZES = 2000;
const SAMPLED = 1000;

/** A catalogue of 2,000 sizes: the demo's families again and again, each a little shifted. */
export function largeCatalogue(demo: CatalogueFile): CatalogueFile {
  const random = seededRandom(7);
  const families: Family[] = [];
  let sizes = 0;
  for (let n = 0; sizes < SIZES; n += 1) {
    const base = demo.families[n % demo.families.length];
    if (!base) throw new Error('empty catalogue');
    const shift = (random() - 0.5) * 2;
    const moved = structuredClone(base);
    moved.code = `${String.fromCharCode(65 + (Math.floor(n / 10) % 26))}${String.fromCharCode(65 + (Math.floor(n / 260) % 26))}${n % 10}`;
    moved.sizes = moved.sizes.slice(0, SIZES - sizes).map((s) => ({
      ...s,
      ...(s.outerSeal
        ? { outerSeal: { ...s.outerSeal, min: s.outerSeal.min + shift, max: s.outerSeal.max + shift } }
        : {}),
    }));
    sizes += moved.sizes.length;
    families.push(moved);
  }
  return { ...demo, families };
}

export function terminations(): TerminationInput[] {
  const random = seededRandom(11);
  const places = ENCLOSURES.flatMap((e) => e.entries.map((entry) => ({ enclosure: e.enclosure, entry })));
  const pick = <T>(items: readonly T[]): T => items[Math.floor(random() * items.length)] as T;
  const caliper = (quantity: Quantity, mm: number) => {
    const m = measure(
      [mm, mm * (1 + random() * 0.02)].map((v) => ({
        quantity,
        method: 'caliper' as const,
        text: v.toFixed(2),
        unit: 'mm' as const,
      })),
      quantity,
      DEFAULT_PROFILE.measurement,
    );
    if (!m.ok) throw new Error('measure');
    return m.value;
  };
  return Array.from({ length: TERMINATIONS }, () => {
    const outer = 9 + random() * 50;
    return {
      cableType: pick(CABLE_TYPES),
      ...pick(places),
      profile: DEFAULT_PROFILE,
      cableLengthMm: 1000 + random() * 40_000,
      overArmour: caliper('overArmour', outer * 0.88),
      laidUpCores: caliper('laidUpCores', outer * 0.66),
      core: caliper('core', outer * 0.2),
      outerSheath: caliper('outerSheath', outer),
      innerSheath: caliper('innerSheath', outer * 0.74),
      armourWire: caliper('armourWire', 0.3 + random() * 2),
    };
  });
}

/** The judge's rows: all pairs packed, one termination with all reasons, and whether the two agree. */
export function benchChoose(demo: unknown): Row[] {
  const read = readCatalogue(demo);
  if (!read.ok) throw new Error('demo catalogue');
  const catalogue = largeCatalogue(read.value);
  const inputs = terminations();
  const intervals = new Set(
    inputs.map((t) => `${t.outerSheath?.interval.min} ${t.outerSheath?.interval.max}`),
  ).size;
  const all = median(5, () => judgeAll(inputs, catalogue));
  const judged = judgeAll(inputs, catalogue);
  const random = seededRandom(13);
  let equal = 0;
  for (let i = 0; i < SAMPLED; i += 1) {
    const t = Math.floor(random() * inputs.length);
    const s = Math.floor(random() * judged.sizes.length);
    const [input, pair] = [inputs[t], judged.sizes[s]];
    if (
      input &&
      pair &&
      packCandidate(judge(input, pair.family, pair.size, catalogue)) ===
        judged.packed[t * judged.sizes.length + s]
    )
      equal += 1;
  }
  const [one] = inputs;
  if (!one) throw new Error('no termination');
  const explained = median(9, () => choose(one, catalogue));
  const small = median(9, () => choose(one, read.value));
  return [
    {
      what: `choose: ${TERMINATIONS} terminations × ${judged.sizes.length} sizes, all criteria, ${intervals} distinct intervals`,
      value: all,
      unit: 'ms',
      bar: 1000,
    },
    {
      what: `of ${SAMPLED} sampled pairs not equal to the explaining path`,
      value: SAMPLED - equal,
      unit: 'pairs',
      bar: 0,
    },
    {
      what: `one termination with all reasons, ${judged.sizes.length} sizes`,
      value: explained,
      unit: 'ms',
      bar: 20,
    },
    { what: 'one termination with all reasons, demo catalogue', value: small, unit: 'ms', bar: 20 },
  ];
}
