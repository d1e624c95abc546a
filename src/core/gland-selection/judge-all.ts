import { toUm } from '@/core/kernel';
import type { Measurement } from '@/core/cable-measurement';
import { ARMOUR_KINDS, purposeOfSize, type ArmourKind, type Family, type Size } from '@/core/catalogue';
import { isFlameproof } from '@/core/schedule';
import { decideBarrier } from './barrier';
import { cableListed } from './cable-listing';
import { certificateCovers } from './certificate';
import { freeAreaVerdict, mostCores } from './chamber-fit';
import type { Candidate, CatalogueView } from './candidate';
import { constructionRefusal, letsGoOfCreep } from './construction-refusal';
import { fitEndStop } from './end-stop-fit';
import { entryKeyOf, fitEntry } from './entry-fit';
import { fillingVerdict } from './purpose';
import { identities, metalKey } from './place-identity';
import { factsOf } from './size-facts';
import { armourQuantity, flameproofSealOn, type TerminationInput } from './termination-input';
import { verdictCode, VERDICTS, worst, type Verdict } from './verdict';

/**
 * Verdict and margin of every termination against every size, packed. The pair of termination `t` and size `s` lies at
 * `t * sizes.length + s`. A packed number is `marginUm * 4 + verdict code`; the margin is `NO_MARGIN_UM` where no diameter is compared.
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
const MISFIT = verdictCode('misfit');

/** One measured interval in µm, or not measured. */
interface Interval {
  readonly known: boolean;
  readonly min: number;
  readonly max: number;
  readonly certainMin: number;
  readonly certainMax: number;
}

const intervalOf = (m: Measurement | null): Interval =>
  m === null
    ? { known: false, min: 0, max: 0, certainMin: 0, certainMax: 0 }
    : {
        known: true,
        min: toUm(m.interval.min),
        max: toUm(m.interval.max),
        certainMin: toUm(m.certainMin),
        certainMax: toUm(m.certainMax),
      };

/** Numbers the distinct values of a key, so that a rule which hangs on it is asked once for each and not once for each pair. */
function classify<T>(
  items: readonly T[],
  keyOf: (item: T) => string | number,
): { classOf: Int32Array; first: T[] } {
  const seen = new Map<string | number, number>();
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

/** A rule over two classifications as one table of verdict codes. */
function table<A, B>(
  rows: readonly A[],
  columns: readonly B[],
  codeOf: (row: A, column: B) => number,
): Uint8Array[] {
  return rows.map((row) => Uint8Array.from(columns.map((column) => codeOf(row, column))));
}

/** Everything that hangs on kinds and not on diameters: for each class of terminations, one verdict code for each size. */
function categoricalCodes(
  inputs: readonly TerminationInput[],
  sizes: JudgedPairs['sizes'],
  view: CatalogueView,
) {
  const idOf = identities();
  const outcomes = inputs.map((t) => decideBarrier(t).outcome);
  const rows = inputs.map((t, i) => ({ t, outcome: outcomes[i] ?? 'ask' }));
  const placeKey = ({ t }: Row) => `${idOf(t.enclosure)} ${idOf(t.entry)} ${idOf(t.profile)}`;
  const boxKey = ({ t }: Row) => `${idOf(t.enclosure)} ${idOf(t.profile)}`;
  type Row = (typeof rows)[number];
  const classes = classify(rows, (r) => `${idOf(r.t.cableType)} ${placeKey(r)} ${r.outcome}`);
  const types = classify(classes.first, ({ t }) => idOf(t.cableType));
  const boxes = classify(classes.first, boxKey);
  const places = classify(classes.first, (r) => `${placeKey(r)} ${metalKey(r.t)}`);
  const fillings = classify(classes.first, ({ outcome }) => outcome);
  const families = classify(
    [...sizes],
    ({ family, size }) => `${family.code} ${family.sheet.revision} ${purposeOfSize(family, size)}`,
  );
  const purposes = families.first.map(({ family, size }) => purposeOfSize(family, size));
  const certificates = classify([...sizes], ({ family }) => idOf(family.certificate));
  const entries = classify([...sizes], ({ family, size }) => entryKeyOf(family, factsOf(size).entryKey));
  const hasInnerSeal = Uint8Array.from(sizes, ({ size }) => Number(size.innerSeal !== undefined));
  const potsOf = sizes.map(({ size }) => size.pot?.conductors ?? null);
  const mostCoresOf = Int32Array.from(sizes, ({ size }) =>
    size.chamber ? mostCores(size.chamber) : NO_LIMIT,
  );

  const construction = table(types.first, families.first, ({ t }, { family }) =>
    constructionRefusal(family, t.cableType) === null && !letsGoOfCreep(family, t.cableType) ? 0 : MISFIT,
  );
  const filling = table(fillings.first, purposes, ({ outcome }, purpose) =>
    verdictCode(fillingVerdict(outcome, purpose)),
  );
  const certified = table(boxes.first, certificates.first, ({ t }, { family }) =>
    verdictCode(certificateCovers(family.certificate, t.enclosure, t.profile.system).verdict),
  );
  const entered = table(places.first, entries.first, ({ t }, { family, size }) => {
    const fit = fitEntry(t, family, size, view);
    return verdictCode(worst([fit.thread, fit.engagement, fit.corrosion.verdict, fit.singleCore.verdict]));
  });

  const codes = classes.first.map(({ t }, c) => {
    const ofType = construction[types.classOf[c]!]!;
    const ofFilling = filling[fillings.classOf[c]!]!;
    const ofBox = certified[boxes.classOf[c]!]!;
    const ofPlace = entered[places.classOf[c]!]!;
    const noInnerSheath = t.cableType.innerSheath ? 0 : MISFIT;
    const { cores } = t.cableType;
    const ofCable = verdictCode(cableListed(t).verdict);
    const ofFamily = Uint8Array.from(families.first, (_, f) => Math.max(ofCable, ofType[f]!, ofFilling[f]!));
    const row = new Uint8Array(sizes.length);
    for (let s = 0; s < row.length; s += 1) {
      row[s] = Math.max(
        ofFamily[families.classOf[s]!]!,
        ofBox[certificates.classOf[s]!]!,
        ofPlace[entries.classOf[s]!]!,
        hasInnerSeal[s]! * noInnerSheath,
        cores > mostCoresOf[s]! || potsOf[s]?.includes(cores) === false ? MISFIT : 0,
      );
    }
    return row;
  });
  return { classOf: classes.classOf, codes };
}

const NO_LIMIT = 1_000_000;

/** The ring faces of all sizes for one armour, one behind the other: those of size `s` are `start[s]` to `start[s + 1]`. */
interface RingColumns {
  readonly start: Int32Array;
  readonly lo: Int32Array;
  readonly hi: Int32Array;
  readonly spare: Uint8Array;
}

function ringColumns(sizes: JudgedPairs['sizes'], armour: ArmourKind): RingColumns {
  const options = sizes.map(({ size }) => size.rings.filter((r) => r.armour.includes(armour)));
  const start = new Int32Array(sizes.length + 1);
  options.forEach((o, s) => {
    start[s + 1] = start[s]! + o.length;
  });
  const flat = options.flat();
  return {
    start,
    lo: Int32Array.from(flat, (o) => toUm(o.range.min)),
    hi: Int32Array.from(flat, (o) => toUm(o.range.max)),
    spare: Uint8Array.from(flat, (o) => Number(o.ring !== undefined)),
  };
}

interface BoundColumns {
  readonly lo: Int32Array;
  readonly hi: Int32Array;
}

/** Bounds of a range over all sizes, in µm; −1 where a size has none. */
const boundColumns = (
  sizes: JudgedPairs['sizes'],
  which: 'outerSeal' | 'innerSeal' | 'overCores',
): BoundColumns => ({
  lo: Int32Array.from(sizes, ({ size }) => factsOf(size)[which]?.minUm ?? -1),
  hi: Int32Array.from(sizes, ({ size }) => factsOf(size)[which]?.maxUm ?? -1),
});

/** Sizes with a chamber or an end stop are fewer; what only they ask is judged apart. */
const placesOfMore = (sizes: JudgedPairs['sizes']): number[] =>
  sizes.flatMap(({ size }, s) =>
    size.endStop !== undefined || size.chamber?.minFreeShare !== undefined ? [s] : [],
  );

function moreCode(input: TerminationInput, size: Size): number {
  let code = 0;
  if (size.endStop !== undefined) {
    const fit = fitEndStop(size, factsOf(size), input);
    if (fit !== null) code = verdictCode(fit.verdict);
  }
  if (size.chamber?.minFreeShare === undefined) return code;
  return Math.max(code, verdictCode(freeAreaVerdict(size.chamber, input.cableType.cores, input.core)));
}

/** Ovality in parts per million where it decides: at a flameproof entry. */
const ovalPpmOf = (input: TerminationInput, quantity: 'outerSheath' | 'innerSheath'): number =>
  isFlameproof(input.enclosure) ? Math.round((input[quantity]?.leastOvality ?? 0) * 1e6) : 0;

/**
 * Judges all pairs on all criteria, without reasons. Termination by termination, so that its interval stays in registers while the sizes'
 * columns and the result stream past in memory order.
 */
export function judgeAll(inputs: readonly TerminationInput[], view: CatalogueView): JudgedPairs {
  const sizes = view.families.flatMap((family) => family.sizes.map((size) => ({ family, size })));
  const packed = new Int32Array(inputs.length * sizes.length);
  const outerBounds = boundColumns(sizes, 'outerSeal');
  const innerBounds = boundColumns(sizes, 'innerSeal');
  const chamberBounds = boundColumns(sizes, 'overCores');
  const more = placesOfMore(sizes);
  const limitPpm = Int32Array.from(sizes, ({ family }) => Math.round(family.maxOvality * 1e6));
  const onInner = Int32Array.from(sizes, ({ size }) => (flameproofSealOn(size) === 'innerSheath' ? -1 : 0));
  const rings = new Map(ARMOUR_KINDS.map((kind) => [kind, ringColumns(sizes, kind)]));
  const { classOf, codes } = categoricalCodes(inputs, sizes, view);
  inputs.forEach((input, t) => {
    const { armour, innerSheath } = input.cableType;
    judgeRow(packed, t * sizes.length, codes[classOf[t]!]!, {
      outer: intervalOf(input.outerSheath),
      outerBounds,
      inner: innerSheath ? intervalOf(input.innerSheath) : null,
      innerBounds,
      ovalPpm: ovalPpmOf(input, 'outerSheath'),
      innerOvalPpm: ovalPpmOf(input, 'innerSheath'),
      onInner,
      limitPpm,
      chamber: intervalOf(input.laidUpCores),
      chamberBounds,
      wire: intervalOf(input[armourQuantity(armour)]),
      rings: armour === 'none' ? null : (rings.get(armour) ?? null),
    });
    for (const s of more) {
      const at = t * sizes.length + s;
      const was = packed[at]!;
      if ((was & 3) === MISFIT) continue;
      const size = sizes[s]?.size;
      if (size) packed[at] = (was & ~3) | Math.max(was & 3, moreCode(input, size));
    }
  });
  return { packed, terminations: inputs.length, sizes };
}

interface RowColumns {
  readonly outer: Interval;
  readonly outerBounds: BoundColumns;
  /** Null when the cable has no inner sheath: that is judged with the construction. */
  readonly inner: Interval | null;
  readonly innerBounds: BoundColumns;
  /** Of the outer and of the inner sheath; 0 where ovality does not decide. */
  readonly ovalPpm: number;
  readonly innerOvalPpm: number;
  /** All bits set where the flameproof seal closes on the inner sheath, none elsewhere. */
  readonly onInner: Int32Array;
  readonly limitPpm: Int32Array;
  readonly chamber: Interval;
  readonly chamberBounds: BoundColumns;
  readonly wire: Interval;
  /** Null for a cable without armour. */
  readonly rings: RingColumns | null;
}

// Fit and misfit alternate without a pattern from pair to pair, so a branch on them costs more than the arithmetic: the sign bit of a
// difference, spread over the word by `>> 31`, chooses instead. All values are far inside 31 bits.
const smaller = (a: number, b: number): number => b + ((a - b) & ((a - b) >> 31));
const larger = (a: number, b: number): number => a - ((a - b) & ((a - b) >> 31));

/** 0 where the margin is not negative; else 3 when a certain diameter lies outside, 1 when it only may. */
function rangeCode(margin: number, low: number, high: number, sureMin: number, sureMax: number): number {
  const outside = ((high - sureMax) | (sureMin - low)) >> 31;
  return (margin >> 31) & (1 | (outside & 2));
}

/** One termination against all sizes. Written out flat: this is the loop that runs ten million times. */
function judgeRow(packed: Int32Array, row: number, codes: Uint8Array, c: RowColumns): void {
  const { known: outerKnown, min: oMin, max: oMax, certainMin: oSureMin, certainMax: oSureMax } = c.outer;
  const innerAsked = c.inner !== null;
  const {
    known: innerKnown,
    min: iMin,
    max: iMax,
    certainMin: iSureMin,
    certainMax: iSureMax,
  } = c.inner ?? c.outer;
  const { known: wireKnown, min: wMin, max: wMax, certainMin: wSureMin, certainMax: wSureMax } = c.wire;
  const { lo: oLo, hi: oHi } = c.outerBounds;
  const { lo: iLo, hi: iHi } = c.innerBounds;
  const { lo: cLo, hi: cHi } = c.chamberBounds;
  const { limitPpm, ovalPpm, innerOvalPpm, onInner, rings } = c;
  for (let s = 0; s < codes.length; s += 1) {
    let code = codes[s]!;
    let margin = NO_MARGIN_UM;
    const outerLow = oLo[s]!;
    if (outerLow >= 0) {
      if (outerKnown) {
        const high = oHi[s]!;
        margin = smaller(oMin - outerLow, high - oMax);
        code = larger(code, rangeCode(margin, outerLow, high, oSureMin, oSureMax));
      } else code = larger(code, UNKNOWN);
    }
    const innerLow = iLo[s]!;
    if (innerAsked && innerLow >= 0) {
      if (innerKnown) {
        const high = iHi[s]!;
        const own = smaller(iMin - innerLow, high - iMax);
        margin = smaller(margin, own);
        code = larger(code, rangeCode(own, innerLow, high, iSureMin, iSureMax));
      } else code = larger(code, UNKNOWN);
    }
    const chamberLow = cLo[s]!;
    if (chamberLow >= 0) {
      if (c.chamber.known) {
        const high = cHi[s]!;
        const own = smaller(c.chamber.min - chamberLow, high - c.chamber.max);
        margin = smaller(margin, own);
        code = larger(code, rangeCode(own, chamberLow, high, c.chamber.certainMin, c.chamber.certainMax));
      } else code = larger(code, UNKNOWN);
    }
    const oval = ovalPpm + ((innerOvalPpm - ovalPpm) & onInner[s]!);
    code |= ((limitPpm[s]! - oval) >> 31) & MISFIT;
    if (rings !== null) {
      const from = rings.start[s]!;
      const to = rings.start[s + 1]!;
      if (from === to) code = MISFIT;
      else if (!wireKnown) code = larger(code, UNKNOWN);
      else {
        let bestMargin = smaller(wMin - rings.lo[from]!, rings.hi[from]! - wMax);
        let bestCode = rangeCode(bestMargin, rings.lo[from]!, rings.hi[from]!, wSureMin, wSureMax);
        // More faces are rare; they compete as in `chooseRing`.
        for (let f = from + 1, best = from; f < to; f += 1) {
          const own = smaller(wMin - rings.lo[f]!, rings.hi[f]! - wMax);
          const ownCode = rangeCode(own, rings.lo[f]!, rings.hi[f]!, wSureMin, wSureMax);
          const spare = rings.spare[f]! - rings.spare[best]!;
          if (ownCode !== bestCode ? ownCode > bestCode : spare !== 0 ? spare > 0 : own <= bestMargin)
            continue;
          best = f;
          bestMargin = own;
          bestCode = ownCode;
        }
        margin = smaller(margin, bestMargin);
        code = larger(code, bestCode);
      }
    }
    packed[row + s] = margin * 4 + code;
  }
}
