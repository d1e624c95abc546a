import { hashOf, hashOnce, ok, refuse, type IntervalMm, type Result } from '@/core/kernel';
import { planPins, type PlugInPlan } from '@/core/pin-map';
import type { Accessory, Compound, Family, Size } from '@/core/catalogue';
import { missingForProcedure, threadName } from '@/core/catalogue';
import { CUT_BACK_RULES, cutWords, overArmourMaxMm, planCut, type CutPlan } from '@/core/cut-back';
import { COMPOUND_CURE_RULES, planSeal, type SealPlan } from '@/core/compound-cure';
import {
  ACCESSORY_WORDS,
  decideBarrier,
  GLAND_SELECTION_RULES,
  provisionalReasons,
  provisionalWords,
  reasonWords,
  ringWayOf,
  ringWords,
  type Candidate,
  type TerminationInput,
} from '@/core/gland-selection';
import { glandShape, slideOnList } from '@/core/make-off';
import { planCouplerEnd, type CouplerEndPlan } from '@/core/coupler';
import { planDeviceEnd } from '@/core/device';
import { lackWords, mateOf, planJoint, RECORD_HALF, type JointLack } from '@/core/in-line';
import { planMineralEnd, type MineralEndPlan } from '@/core/mineral-insulated';
import { isFlameproof, profileFigures, type CableType, type CodeProfile, type Entry } from '@/core/schedule';
import { planStages, TIGHTENING_RULES } from '@/core/tightening';
import { trimNumber } from '@/core/units';
import { decisionsOf } from './decisions';
import {
  PLAN_VERSION,
  type JointPlan,
  type PlanPart,
  type PlanRequest,
  type TerminationPlan,
} from './termination-plan';

/** Raised by hand whenever a change may change a step of a procedure. */
export const PROCEDURE_RULES = 3;

/** Compounds that a family's approval lists name: only their sheets can change its plans. */
function compoundsOf(request: PlanRequest, family: Family): Compound[] {
  if (!family.seal) return [];
  const named = new Set(family.sizes.flatMap((s) => s.chamber?.compounds.map((c) => c.product) ?? []));
  return (request.compounds ?? []).filter((c) => named.has(c.product));
}

/** Hash of everything a plan depends on besides the chosen size. A plan whose hash differs from today's is stale. */
export function planInputHash(request: PlanRequest, family: Family): string {
  const { input } = request;
  return hashOf({
    cableType: hashOnce(input.cableType),
    outerSheath: summary(input.outerSheath),
    // Ovality and the tape decide at a flameproof entry only; elsewhere another reading inside the interval changes nothing.
    shape: isFlameproof(input.enclosure)
      ? [
          input.outerSheath?.ovality ?? null,
          input.outerSheath?.leastOvality ?? 0,
          input.innerSheath?.leastOvality ?? 0,
          input.outerSheath?.hasTape ?? false,
        ]
      : null,
    innerSheath: summary(input.innerSheath),
    armourWire: summary(input.armourWire),
    cores: [input.overArmour, input.laidUpCores, input.core].map(summary),
    // The length decides by way of the barrier only; a metre more or less changes no mark.
    barrier: decideBarrier(input).outcome,
    enclosure: hashOnce(input.enclosure),
    entry: hashOnce(input.entry),
    profile: hashOnce(input.profile, (p) => profileFigures(p as CodeProfile)),
    routeMm: request.routeMm,
    spareMm: request.spareMm,
    terminals: request.terminals ?? [],
    ...(request.pins === undefined || request.pins.length === 0 ? {} : { pins: request.pins }),
    ...(request.joint === undefined ? {} : { joint: jointFigures(request.joint) }),
    seal: family.seal
      ? [request.compound ?? null, compoundsOf(request, family).map((c) => hashOnce(c))]
      : null,
    unit: request.unit,
    family: [family.code, family.sheet.revision, hashOnce(family)],
  });
}

const jointFigures = (joint: NonNullable<PlanRequest['joint']>) =>
  'lack' in joint ? joint.lack : [joint.box, planHash(joint.mate)];

const summary = (m: TerminationInput['outerSheath']) =>
  m === null ? null : [m.interval.min, m.interval.max, m.certainMin, m.certainMax, m.provisional];

/** The rules in force; a plan that was made under others is stale. */
const RULES: TerminationPlan['rules'] = {
  glandSelection: GLAND_SELECTION_RULES,
  cutBack: CUT_BACK_RULES,
  compoundCure: COMPOUND_CURE_RULES,
  tightening: TIGHTENING_RULES,
  procedure: PROCEDURE_RULES,
};

/** Has anything a plan stands on changed since it was made: a measurement, the place, the profile, or the rules themselves? */
export const isStale = (plan: TerminationPlan, request: PlanRequest, family: Family): boolean =>
  planInputHash(request, family) !== plan.inputHash || hashOf(plan.rules) !== hashOf(RULES);

/** Works the whole termination out for a candidate. The candidate must come from the same input. */
export function planTermination(request: PlanRequest, candidate: Candidate): TerminationPlan {
  const { input } = request;
  const { family, size, ring, entry } = candidate;
  const { outerSheath, innerSheath, armourWire } = input;
  if (outerSheath === null) throw new Error('a termination is planned only after its outer sheath is known');
  const planOnly = missingForProcedure(family);
  const outerMax = outerSheath.interval.max;
  const cut = planCut({
    family,
    size,
    entryFit: entry,
    entry: input.entry,
    cableType: input.cableType,
    outerSheath,
    innerSheath,
    armourWire,
    overArmour: input.overArmour,
    laidUpCores: input.laidUpCores,
    profile: input.profile,
    routeMm: request.routeMm,
    terminals: request.terminals ?? [],
    spareMm: request.spareMm,
    unit: request.unit,
  });
  const seal = planSeal({
    family,
    size,
    cableType: inChamber(input.cableType),
    core: input.core,
    compounds: compoundsOf(request, family),
    wanted: request.compound ?? null,
  });
  const device = planDeviceEnd(family, input.enclosure);
  // Nobody is led to a blade by a device whose order nobody knows.
  const led = planOnly.length === 0 && (device === null || device.ok);
  const laddered = cut.ok ? planCouplerOf(input, candidate, outerSheath.interval, cutWords(cut.value)) : null;
  const plugIn = planPlugIn(request, candidate);
  const whole = [laddered, plugIn].every((p) => p === null || p.ok);
  const worded = led && cut.ok && whole ? cutWords(cut.value) : null;
  const mineral =
    worded === null
      ? null
      : planMineralEnd({
          family,
          size,
          cableType: input.cableType,
          sheathMm: outerSheath.interval,
          cut: worded,
        });
  const joint = planJointOf(request, candidate, plugIn, [cut, plugIn]);
  const stages = planStages(family, size, outerMax);
  const slideOn = slideOnList(family, size, ring, outerMax);
  const innerMm = innerSheath?.mean ?? outerSheath.mean * 0.75;
  const base = {
    version: PLAN_VERSION as typeof PLAN_VERSION,
    tag: request.tag,
    inputHash: planInputHash(request, family),
    rules: RULES,
    family: { code: family.code, revision: family.sheet.revision, sheet: family.sheet.title },
    size: size.code,
    partNumber: size.partNumber,
    verdict: candidate.verdict,
    marginMm: candidate.marginMm,
    provisional: provisionalOf(request, candidate),
    ring: ring?.option ?? null,
    ringWords: ringWords(ringWayOf(ring, family)),
    endStop: candidate.endStop?.rule ?? null,
    adaptor: entry.adaptor?.partNumber ?? null,
    outside: [...entry.between, ...entry.outside].map(accessoryWords),
    inside: entry.inside.map(accessoryWords),
    seal: seal?.ok ? seal.value : null,
    sealRefusal: [seal, mineral].flatMap((s) => (s === null || s.ok ? [] : s.problems)),
    ...(mineral?.ok ? { mineral: mineral.value } : {}),
    ...(device?.ok ? { device: device.value } : {}),
    ...(laddered?.ok ? { coupler: laddered.value } : {}),
    ...(plugIn?.ok ? { plugIn: plugIn.value } : {}),
    ...(joint?.ok ? { joint: joint.value } : {}),
    gland: glandShape(family, size),
    parts: [
      ...partsOf(candidate, input.entry),
      ...(joint?.ok ? [housingPart(joint.value)] : []),
      ...(seal?.ok ? packParts(seal.value) : []),
      ...(mineral?.ok ? potParts(mineral.value) : []),
      ...(laddered?.ok ? couplerParts(laddered.value) : []),
    ],
    // A sheet that is not complete leads nobody to a blade.
    cut: worded,
    cutRefusal: [cut, device, laddered, plugIn, joint].flatMap((c) => (c === null || c.ok ? [] : c.problems)),
    diameters: {
      outerMm: outerSheath.mean,
      overArmourMm:
        armourWire && innerSheath
          ? Math.min(overArmourMaxMm(input.cableType, innerSheath, armourWire), outerSheath.mean - 1)
          : innerMm,
      innerMm,
    },
    cores: input.cableType.cores,
    armour: input.cableType.armour,
    slideOn,
    stages,
    planOnly,
    cautions: [...family.cautions, input.profile.caution],
  };
  return { ...base, decisions: decisionsOf(base, request.unit) };
}

/** What the sheet says of a plug-in half's contacts; null for any other, and where it says no more than their lengths. */
function planPlugIn(
  { tag, input, pins = [] }: PlanRequest,
  { family, size }: Candidate,
): Result<PlugInPlan> | null {
  const { insert } = size;
  if (family.cutKind !== 'plugIn' || insert === undefined) return null;
  const half = family.inLine === undefined ? undefined : input.entry.inLine;
  const { positions, joint, crimp, liveCap = false, contacts } = insert;
  if (positions === undefined && joint === undefined && !liveCap) return null;
  const planned =
    positions === undefined
      ? null
      : planPins({ tag, sheet: family.sheet.title, positions, cores: input.cableType.coreNames, pins });
  if (planned !== null && !planned.ok) return planned;
  const { mateStage } = family.makeOff;
  return ok({
    contacts,
    liveCap,
    ...(half === undefined ? {} : { half }),
    ...(planned === null ? {} : { pins: planned.value }),
    ...(joint === undefined ? {} : { joint }),
    ...(crimp === undefined ? {} : { crimp }),
    ...(mateStage === undefined ? {} : { mateStage }),
  });
}

/** The joint that an end keeps the record of; null for any other. An end of its housing that mates with nothing yet is refused its steps, not its marks. */
function planJointOf(
  { tag, joint, input }: PlanRequest,
  { family, size }: Candidate,
  plugIn: Result<PlugInPlan> | null,
  own: readonly (Result<unknown> | null)[],
): Result<JointPlan> | null {
  const { inLine, makeOff } = family;
  const half = input.entry.inLine;
  if (inLine === undefined || makeOff.mateStage === undefined) return null;
  if (half === undefined) return refuse('entry', 'this entry is no housing of an in-line joint');
  if (half !== RECORD_HALF) return null;
  const none: JointLack = { code: 'noMate', box: input.enclosure.tag, half: mateOf(half) };
  if (joint === undefined || 'lack' in joint) return refuse('joint', lackWords(joint?.lack ?? none));
  const { mate } = joint;
  const settled = planJoint({
    box: joint.box,
    inLine,
    mateStage: makeOff.mateStage,
    half,
    own: {
      tag,
      size: size.code,
      family: { code: family.code, revision: family.sheet.revision },
      pins: plugIn?.ok ? plugIn.value.pins : undefined,
      provisional: [],
      refused: own.flatMap((c) => (c === null || c.ok ? [] : c.problems)),
    },
    other: { ...mate, pins: mate.plugIn?.pins, refused: mate.cutRefusal },
  });
  return settled.ok ? ok({ ...settled.value, other: mate }) : settled;
}

const housingPart = ({ housing }: JointPlan): PlanPart => ({
  part: housing.part,
  kind: 'accessory',
  name: housing.name,
});

/** What is ordered: of an in-line joint the half that its entry takes. */
const partNumberOf = ({ partNumber, insert }: Size, { inLine }: Pick<Entry, 'inLine'>): string =>
  inLine === undefined ? partNumber : (insert?.halves?.[inLine] ?? partNumber);

const planCouplerOf = (
  { cableType, core }: TerminationInput,
  { family, size }: Candidate,
  jacketMm: IntervalMm,
  cut: CutPlan,
) => planCouplerEnd({ family, size, cableType, jacketMm, coreMm: core?.interval ?? null, cut });

/** Cores that fill a chamber: of a trailing cable its phases only, since the others are thinner, and the less lies in it the more it takes. */
const inChamber = (cableType: CableType): CableType =>
  cableType.phaseColours === undefined ? cableType : { ...cableType, cores: cableType.phaseColours.length };

const accessoryWords = (a: Accessory): string =>
  `${a.partNumber} ${ACCESSORY_WORDS[a.kind]}, ${a.thicknessMm} mm`;

/** The gland and all that goes with it: alternative ring, adaptor, what stands on the thread, shroud. */
export function partsOf(
  { family, size, ring, entry }: Candidate,
  hole: Pick<Entry, 'inLine'> = {},
): PlanPart[] {
  const parts: PlanPart[] = [
    { part: partNumberOf(size, hole), kind: 'gland', name: `${size.code} ${family.title}` },
  ];
  if (ring?.option.ring !== undefined)
    parts.push({
      part: ring.option.ring,
      kind: 'ring',
      name: `ring for ${size.code}, ${ring.option.face} groove`,
    });
  if (entry.adaptor)
    parts.push({
      part: entry.adaptor.partNumber,
      kind: 'adaptor',
      name: `${threadName(entry.adaptor.male)} to ${threadName(entry.adaptor.female)}`,
    });
  for (const a of [...entry.between, ...entry.outside, ...entry.inside])
    parts.push({
      part: a.partNumber,
      kind: 'accessory',
      name: `${ACCESSORY_WORDS[a.kind]} ${threadName(a.thread)}`,
    });
  if (size.shroudPart !== undefined)
    parts.push({ part: size.shroudPart, kind: 'shroud', name: `shroud for ${size.code}` });
  return parts;
}

const packParts = (seal: SealPlan): PlanPart[] =>
  seal.packs.packs.map((p) => ({
    part: p.part,
    kind: 'compound',
    name: `${seal.product}, ${p.ml} mL`,
    quantity: p.count,
  }));

const couplerParts = ({ entrance, relief }: CouplerEndPlan): PlanPart[] => [
  {
    part: entrance.part,
    kind: 'accessory',
    name: `entrance gasket, bore ${trimNumber(entrance.boreMm, 1)} mm`,
  },
  {
    part: relief.part,
    kind: 'accessory',
    name: `gasket of the strain relief, bore ${trimNumber(relief.boreMm, 1)} mm`,
  },
];

const potParts = ({ packs: { part, ml, count } }: MineralEndPlan): PlanPart[] => [
  { part, kind: 'compound', name: `compound for the pot, ${ml} mL`, quantity: count },
];

function provisionalOf(request: PlanRequest, candidate: Candidate): string[] {
  const marginal = candidate.findings.some((f) => f.verdict === 'marginal')
    ? ['a range is only marginally met']
    : [];
  const open = candidate.findings.filter((f) => f.verdict === 'unknown').map((f) => reasonWords(f.case));
  return [...marginal, ...new Set(open), ...provisionalReasons(request.input).map(provisionalWords)];
}

/** Hash that stands for a plan in events and on the cut card. */
export const planHash = (plan: TerminationPlan): string => hashOf(plan);
