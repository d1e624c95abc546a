import { fail, ok, refuse, type Problem, type Result } from '@/core/kernel';
import { QUANTITY_WORDS, type Quantity } from '@/core/cable-measurement';
import { ARMOUR_WORDS } from '@/core/catalogue';
import type { CodeProfile } from '@/core/schedule';
import { trimNumber } from '@/core/units';
import { armourWindow, checkArmourLength } from './armour-length';
import { coreTails, farthest } from './core-tails';
import type { CutInput } from './cut-input';
import type { CutWorking } from './cut-cases';
import type { Cut, CutLength } from './cut';
import { planLadder } from './ladder';
import { marksOf } from './marks';
import { roundJointly, type Span } from './round-marks';
import { throughLength } from './through-length';

/** Raised by hand whenever a change of these rules may change a mark. */
export const CUT_BACK_RULES = 3;

/** What a kind of cut settles before rounding; every length in mm with its two-sided span. */
interface Lengths {
  readonly tails: Span | { readonly reachMm: number };
  readonly stub: Span | null;
  readonly armour: Span | null;
  readonly first: Span | null;
  readonly second: Span | null;
  readonly strip: Span | null;
  /** Way to the farthest terminal; null where the insert settles the tails. */
  readonly farthestMm: number | null;
  readonly workings: readonly CutWorking[];
}

/**
 * Marks for a gland, by the kind of cut its sheet asks for. Along the cable from its end: tails `T`, inner sheath `S` (0 where it is cut
 * level with the armour: then `T` includes the way through gland and wall), armour `A`. Refused when a figure is missing, when the
 * terminal cannot be reached, when the parts would not meet, or when no division of the rule lies in a tolerance.
 */
export function planCut(input: CutInput): Result<Cut> {
  if (input.family.cutKind === 'ladder') return planLadder(input);
  const lengths = lengthsOf(input);
  if (!lengths.ok) return lengths;
  const { tails, stub, armour, first, second, strip, farthestMm, workings } = lengths.value;
  const fixed = [stub, armour, first, second, strip].filter((s) => s !== null);
  const settled = roundJointly(fixed, input.unit);
  if (!settled.ok) return settled;
  const stubMm = settled.value.find((r) => r.id === 'stub')?.mm ?? 0;
  const tailSpan: Span = 'reachMm' in tails ? spanFrom(tails.reachMm - stubMm, input.profile) : tails;
  const spans = [tailSpan, ...fixed];
  const rounded = roundJointly(spans, input.unit);
  if (!rounded.ok) return rounded;
  const length = (id: string): CutLength | null => {
    const at = spans.findIndex((s) => s.id === id);
    const span = spans[at];
    const mm = rounded.value[at]?.mm;
    return span === undefined || mm === undefined ? null : { mm, minMm: span.min, maxMm: span.max };
  };
  const T = length('tails');
  if (T === null) throw new Error('tails are always among the spans');
  const A = length('armour');
  if (A !== null) {
    const meets = checkArmourLength(input.size, input.cableType.armour, A.mm);
    if (!meets.ok) return meets;
  }
  const S = length('stub');
  const leastMm = farthestMm === null ? 0 : input.profile.cut.bendSlackMm + (length('strip')?.maxMm ?? 0);
  const ownTails = coreTails(
    input.terminals ?? [],
    {
      mm: T.mm,
      farthestMm: farthestMm ?? Math.max(0, ...(input.terminals ?? []).map((t) => t.routeMm)),
      leastMm,
    },
    input.unit,
  );
  if (!ownTails.ok) return ownTails;
  const through = throughLength(input.size, input.entryFit, input.entry);
  const marks = marksOf(input, {
    tailsMm: T.mm,
    stubMm: S?.mm ?? 0,
    armourMm: A?.mm ?? null,
    firstMm: length('firstJacket')?.mm ?? null,
    secondMm: length('secondInner')?.mm ?? null,
    stripMm: length('strip')?.mm ?? null,
  });
  // Without a jacket the outermost cut is the armour's end, yet the cable on the cone is used up as well.
  const outer = Math.max(T.mm + (S?.mm ?? 0) + (A?.mm ?? 0), ...marks.map((m) => m.atMm));
  return ok({
    kind: input.family.cutKind,
    tails: T,
    stub: S,
    armour: A,
    jacketed: input.cableType.jacketed || input.cableType.armour === 'none',
    strip: length('strip'),
    coreTails: ownTails.value,
    marks,
    stopToWallMm: through.stopToWallMm,
    emergenceMm: (S?.mm ?? 0) - through.stopToWallMm,
    consumedMm: outer + input.profile.cut.kerfMm,
    unit: input.unit,
    workings,
  });
}

const window = (id: string, min: number, max: number): Span => ({ id, min, target: (min + max) / 2, max });

const spanFrom = (least: number, profile: CodeProfile): Span => ({
  id: 'tails',
  min: least,
  target: least,
  max: least + profile.cut.tailToleranceMm,
});

function lengthsOf(input: CutInput): Result<Lengths> {
  const { family, size, cableType, profile } = input;
  const problems: Problem[] = [];
  const armoured = cableType.armour !== 'none';
  const found = armoured ? armourWindow(size, cableType.armour) : null;
  if (armoured && found === null)
    problems.push({
      path: 'armourLengths',
      message: `${size.code} gives no armour length for ${ARMOUR_WORDS[cableType.armour]}`,
    });
  for (const quantity of unmeasured(input))
    problems.push({
      path: 'readings',
      message: `${QUANTITY_WORDS[quantity]} is not measured: no marks without it`,
    });
  const far = farthest(input.routeMm, input.terminals ?? [], cableType.cores);
  if (family.cutKind !== 'plugIn' && !far.ok) problems.push(...far.problems);
  if (problems.length > 0) return fail(problems);
  const armour = found === null ? null : window('armour', found.minMm, found.maxMm);
  const none = { stub: null, first: null, second: null, strip: null };
  if (family.cutKind === 'plugIn') return plugInLengths(input, armour);
  if (!far.ok) return far;
  const through = throughLength(size, input.entryFit, input.entry);
  const routeMm = far.value;
  const reachMm = routeMm + through.stopToWallMm + profile.cut.bendSlackMm + input.spareMm;
  const workings: CutWorking[] = [
    ...through.workings,
    { code: 'wallToTerminal', mm: routeMm },
    { code: 'bendSlack', mm: profile.cut.bendSlackMm },
    { code: 'spare', mm: input.spareMm },
  ];
  const insideMm = through.stopToThreadEndMm - through.stopToWallMm;
  const near = nearestRoute(input, routeMm);
  if (near <= insideMm)
    return refuse(
      'routeMm',
      `the terminal is ${trimNumber(near, 1)} mm from the wall, and the gland itself stands ${trimNumber(insideMm, 1)} mm inside it`,
      near,
    );
  const level = { ...none, tails: { reachMm }, armour, farthestMm: routeMm, workings };
  switch (family.cutKind) {
    case 'level':
    case 'metalClad':
      return ok(level);
    case 'sealingFitting': {
      const cut = size.sealingCut;
      if (cut === undefined)
        return refuse('sealingCut', `${size.code} gives no figures for its two inner cuts`);
      return ok({
        ...level,
        first: cableType.jacketed
          ? window('firstJacket', cut.firstJacketMm - 1, cut.firstJacketMm + 1)
          : null,
        second: window('secondInner', cut.secondInnerMm - 1, cut.secondInnerMm + 1),
      });
    }
    case 'mineral': {
      const { pot } = size;
      if (pot === undefined) return refuse('pot', `${size.code} gives no figures for its pot`);
      return ok({ ...level, stub: window('stub', pot.insideMm.min, pot.insideMm.max) });
    }
    case 'ladder':
      throw new Error('a ladder is planned by itself');
    case 'unarmoured':
      return size.chamber
        ? ok(level)
        : stubLengths(input, through.stopToThreadEndMm, reachMm, routeMm, level);
    case 'stub':
      return stubLengths(input, through.stopToThreadEndMm, reachMm, routeMm, level);
  }
}

/** Layers that this cable has, that the cuts go by, and that nobody has measured. */
const unmeasured = ({ cableType, innerSheath, armourWire, overArmour }: CutInput): Quantity[] => {
  const clad = cableType.armour === 'interlocked' || cableType.armour === 'corrugated';
  const missing: Quantity[] = [];
  if (cableType.innerSheath && innerSheath === null) missing.push('innerSheath');
  if (cableType.armour !== 'none' && !clad && armourWire === null) missing.push('armourWire');
  if (clad && overArmour === null) missing.push('overArmour');
  return missing;
};

/** The nearest terminal that any core goes to. */
const nearestRoute = (input: CutInput, farthestMm: number): number =>
  Math.min(farthestMm, ...(input.terminals ?? []).map((t) => t.routeMm));

/** The inner sheath runs through the gland and stands in the box: refused where the terminal is nearer than it may stand. */
function stubLengths(
  input: CutInput,
  stopToThreadEndMm: number,
  reachMm: number,
  routeMm: number,
  rest: Lengths,
): Result<Lengths> {
  const { family, profile } = input;
  const least = stopToThreadEndMm + family.emergenceMm;
  const stub: Span = { id: 'stub', min: least, target: least, max: least + profile.cut.stubToleranceMm };
  const through = throughLength(input.size, input.entryFit, input.entry);
  const standsInMm = stub.max - through.stopToWallMm;
  const near = nearestRoute(input, routeMm);
  if (near <= standsInMm)
    return refuse(
      'routeMm',
      `the terminal is nearer than the inner sheath may stand in the box: the route must be over ${standsInMm.toFixed(0)} mm`,
      near,
    );
  return ok({
    ...rest,
    tails: { reachMm },
    stub,
    workings: [
      ...through.workings,
      { code: 'stubBeyondThread', mm: family.emergenceMm },
      ...rest.workings.slice(through.workings.length),
    ],
  });
}

/** Cores end in the insert: their length is the insert's, wherever the box's terminals are. */
function plugInLengths(input: CutInput, armour: Span | null): Result<Lengths> {
  const { size, cableType } = input;
  const { insert } = size;
  if ((input.terminals ?? []).length > 0)
    return refuse(
      'terminals',
      `the cores end in the insert of ${size.code}: no terminal shortens one of them`,
    );
  if (insert === undefined) return refuse('insert', `${size.code} gives no figures for its contact insert`);
  if (cableType.cores > insert.contacts)
    return refuse(
      'insert',
      `the insert of ${size.code} has ${insert.contacts} contacts, the cable ${cableType.cores} cores: ${cableType.cores - insert.contacts} too many`,
      cableType.cores,
    );
  return ok({
    tails: window('tails', insert.tailMinMm, insert.tailMaxMm),
    stub: null,
    armour,
    first: null,
    second: null,
    strip: window('strip', insert.stripMinMm, insert.stripMaxMm),
    farthestMm: null,
    workings: [
      { code: 'insertAtLeast', mm: insert.tailMinMm },
      { code: 'insertAtMost', mm: insert.tailMaxMm },
    ],
  });
}

/**
 * What a damaged end costs. `cutOffMm` is how far from the end the damage lies. The end's spare is used up by it; a recut that would
 * leave the farthest terminal out of reach is refused with the numbers. Returns the spare that remains, mm.
 */
export function recut(spareMm: number, cutOffMm: number): Result<number> {
  if (!(cutOffMm > 0)) return refuse('cutOffMm', 'say how far from the end the damage lies', cutOffMm);
  if (cutOffMm > spareMm)
    return refuse(
      'cutOffMm',
      `cutting off ${trimNumber(cutOffMm, 1)} mm would leave the farthest terminal ${trimNumber(cutOffMm - spareMm, 1)} mm out of reach: this end has ${trimNumber(spareMm, 1)} mm to spare`,
      cutOffMm,
    );
  return ok(spareMm - cutOffMm);
}
