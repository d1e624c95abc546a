import { toUm } from '@/core/kernel';
import { canonicalJson } from '@/core/kernel';
import type { Measurement } from '@/core/cable-measurement';
import { ARMOUR_KINDS, type ArmourKind, type Family, type Size } from '@/core/catalogue';
import { isFlameproof } from '@/core/schedule';
import { coversConcept, coversGroup, coversIp, temperatureMarginC } from './certificate';
import type { Candidate, CatalogueView } from './choose';
import { constructionRefusal } from './construction-refusal';
import { fitEntry } from './entry-fit';
import type { TerminationInput } from './termination-input';
import { verdictCode, VERDICTS, worst, type Verdict } from './verdict';

/**
 * Verdict and margin of every termination against every size, packed. `at(t, s)` lies at `t * sizes + s`. A packed number is
 * `marginUm * 4 + verdict code`; the margin is `NO_MARGIN` where no diameter is compared.
 */
export interface JudgedPairs {
  readonly packed: Int32Array;
  readonly terminations: number;
  readonly sizes: readonly { readonly family: Family; readonly size: Size }[];
}

export const NO_MARGIN_UM = 500_000_000;

export const packPair = (marginUm: number, code: number): number => marginUm * 4 + code;
export const unpackVerdict = (packed: number): Verdict => VERDICTS[packed & 3] ?? 'misfit';
/** Margin in µm, or null where no diameter is compared. */
export const unpackMarginUm = (packed: number): number | null => {
  const margin = packed >> 2;
  return margin === NO_MARGIN_UM ? null : margin;
};

/** What the explaining path says, packed the same way: the two must agree for every pair. */
export const packCandidate = (candidate: Candidate): number =>
  packPair(
    candidate.marginMm === null ? NO_MARGIN_UM : toUm(candidate.marginMm),
    verdictCode(candidate.verdict),
  );

const UNKNOWN = verdictCode('unknown');
const MARGINAL = verdictCode('marginal');
const MISFIT = verdictCode('misfit');

/** The four micrometre columns of a measured quantity, with a flag for “not measured”. */
interface IntervalColumns {
  readonly known: Uint8Array;
  readonly min: Int32Array;
  readonly max: Int32Array;
  readonly certainMin: Int32Array;
  readonly certainMax: Int32Array;
}

function columnsOf(measurements: readonly (Measurement | null)[]): IntervalColumns {
  const n = measurements.length;
  const columns = {
    known: new Uint8Array(n),
    min: new Int32Array(n),
    max: new Int32Array(n),
    certainMin: new Int32Array(n),
    certainMax: new Int32Array(n),
  };
  measurements.forEach((m, i) => {
    if (m === null) return;
    columns.known[i] = 1;
    columns.min[i] = toUm(m.interval.min);
    columns.max[i] = toUm(m.interval.max);
    columns.certainMin[i] = toUm(m.certainMin);
    columns.certainMax[i] = toUm(m.certainMax);
  });
  return columns;
}

/** Numbers the distinct values of a key, so that a rule which hangs on it is asked once for each and not once for each pair. */
function classify<T>(items: readonly T[], keyOf: (item: T) => string): { classOf: Int32Array; first: T[] } {
  const seen = new Map<string, number>();
  const first: T[] = [];
  const classOf = new Int32Array(items.length);
  items.forEach((item, i) => {
    const key = keyOf(item);
    let index = seen.get(key);
    if (index === undefined) {
      index = first.length;
      seen.set(key, index);
      first.push(item);
    }
    classOf[i] = index;
  });
  return { classOf, first };
}

/** Facts that hang on termination class × family or size only, as verdict codes. */
function categoricalCodes(
  inputs: readonly TerminationInput[],
  sizes: JudgedPairs['sizes'],
  view: CatalogueView,
) {
  const places = classify(inputs, (t) => canonicalJson([t.cableType, t.enclosure, t.entry, t.profile.key]));
  const entries = classify(places.first, (t) => canonicalJson([t.enclosure, t.entry, t.profile.key]));
  const signatures = classify([...sizes], ({ size }) => canonicalJson(size.entry));
  const families = classify([...sizes], ({ family }) => `${family.code} ${family.sheet.revision}`);
  const entryCodes = entries.first.map((t) =>
    signatures.first.map(({ family, size }) => {
      const fit = fitEntry(t, family, size, view);
      return verdictCode(worst([fit.thread, fit.engagement]));
    }),
  );
  const codes = places.first.map((t, p) => {
    const refused = families.first.map(({ family }) => {
      const { certificate } = family;
      const good =
        constructionRefusal(family, t.cableType) === null &&
        coversConcept(certificate, t.enclosure) &&
        coversGroup(certificate, t.enclosure) &&
        coversIp(certificate, t.enclosure) &&
        temperatureMarginC(certificate, t.enclosure) >= 0;
      return good ? 0 : MISFIT;
    });
    const entryRow = entryCodes[entries.classOf[p] ?? 0] ?? [];
    return Uint8Array.from(sizes, ({ size }, s) => {
      const seals = size.innerSeal !== undefined && !t.cableType.innerSheath ? MISFIT : 0;
      return Math.max(
        refused[families.classOf[s] ?? 0] ?? 0,
        entryRow[signatures.classOf[s] ?? 0] ?? 0,
        seals,
      );
    });
  });
  return { classOf: places.classOf, codes };
}

/** The ring faces of one size for one armour, as flat numbers. */
interface RingColumns {
  readonly min: readonly number[];
  readonly max: readonly number[];
  readonly spare: readonly boolean[];
}

const ringsFor = (size: Size, armour: ArmourKind): RingColumns => {
  const options = size.rings.filter((r) => r.armour.includes(armour));
  return {
    min: options.map((o) => toUm(o.range.min)),
    max: options.map((o) => toUm(o.range.max)),
    spare: options.map((o) => o.ring !== undefined),
  };
};

/**
 * Judges all pairs on all criteria, without reasons. Size by size, so that the ranges stay in registers while the terminations'
 * columns stream past.
 */
export function judgeAll(inputs: readonly TerminationInput[], view: CatalogueView): JudgedPairs {
  const sizes = view.families.flatMap((family) => family.sizes.map((size) => ({ family, size })));
  const packed = new Int32Array(inputs.length * sizes.length);
  const outer = columnsOf(inputs.map((t) => t.outerSheath));
  const inner = columnsOf(inputs.map((t) => t.innerSheath));
  const wire = columnsOf(inputs.map((t) => t.armourWire));
  const armour = Uint8Array.from(inputs, (t) => ARMOUR_KINDS.indexOf(t.cableType.armour));
  const hasInner = Uint8Array.from(inputs, (t) => Number(t.cableType.innerSheath));
  const ovalPpm = Int32Array.from(inputs, (t) =>
    isFlameproof(t.enclosure) ? Math.round((t.outerSheath?.ovality ?? 0) * 1e6) : 0,
  );
  const { classOf, codes } = categoricalCodes(inputs, sizes, view);
  const noArmour = ARMOUR_KINDS.indexOf('none');
  sizes.forEach(({ family, size }, s) => {
    const rings = ARMOUR_KINDS.map((kind) => ringsFor(size, kind));
    const limitPpm = Math.round(family.maxOvality * 1e6);
    const [outerLo, outerHi] = size.outerSeal
      ? [toUm(size.outerSeal.min), toUm(size.outerSeal.max)]
      : [-1, -1];
    const [innerLo, innerHi] = size.innerSeal
      ? [toUm(size.innerSeal.min), toUm(size.innerSeal.max)]
      : [-1, -1];
    for (let t = 0; t < inputs.length; t += 1) {
      let code = codes[classOf[t]!]![s]!;
      let margin = NO_MARGIN_UM;
      if (outerLo >= 0) {
        if (outer.known[t] === 0) code = Math.max(code, UNKNOWN);
        else {
          const m = Math.min(outer.min[t]! - outerLo, outerHi - outer.max[t]!);
          if (m < margin) margin = m;
          if (m < 0)
            code = Math.max(
              code,
              outer.certainMax[t]! > outerHi || outer.certainMin[t]! < outerLo ? MISFIT : MARGINAL,
            );
        }
      }
      if (innerLo >= 0 && hasInner[t] === 1) {
        if (inner.known[t] === 0) code = Math.max(code, UNKNOWN);
        else {
          const m = Math.min(inner.min[t]! - innerLo, innerHi - inner.max[t]!);
          if (m < margin) margin = m;
          if (m < 0)
            code = Math.max(
              code,
              inner.certainMax[t]! > innerHi || inner.certainMin[t]! < innerLo ? MISFIT : MARGINAL,
            );
        }
      }
      if (ovalPpm[t]! > limitPpm) code = MISFIT;
      if (armour[t] !== noArmour) {
        const faces = rings[armour[t]!]!;
        if (faces.min.length === 0) code = MISFIT;
        else if (wire.known[t] === 0) code = Math.max(code, UNKNOWN);
        else {
          let bestCode = MISFIT + 1;
          let bestMargin = 0;
          let bestSpare = false;
          for (let f = 0; f < faces.min.length; f += 1) {
            const lo = faces.min[f]!;
            const hi = faces.max[f]!;
            const m = Math.min(wire.min[t]! - lo, hi - wire.max[t]!);
            const c = m >= 0 ? 0 : wire.certainMax[t]! > hi || wire.certainMin[t]! < lo ? MISFIT : MARGINAL;
            const spare = faces.spare[f]!;
            const better = c !== bestCode ? c < bestCode : spare !== bestSpare ? !spare : m > bestMargin;
            if (better) {
              bestCode = c;
              bestMargin = m;
              bestSpare = spare;
            }
          }
          if (bestMargin < margin) margin = bestMargin;
          code = Math.max(code, bestCode);
        }
      }
      packed[t * sizes.length + s] = margin * 4 + code;
    }
  });
  return { packed, terminations: inputs.length, sizes };
}
