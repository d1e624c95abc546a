import { hashOf, hashOnce, type Problem } from '@/core/kernel';
import type { Accessory, Compound, Family, RingOption } from '@/core/catalogue';
import { missingForProcedure, threadName } from '@/core/catalogue';
import {
  byEye,
  CUT_BACK_RULES,
  markText,
  overArmourMaxMm,
  planCut,
  type CutPlan,
  type Mark,
  type Terminal,
} from '@/core/cut-back';
import { COMPOUND_CURE_RULES, planSeal, type SealPlan } from '@/core/compound-cure';
import {
  ACCESSORY_WORDS,
  decideBarrier,
  GLAND_SELECTION_RULES,
  provisionalReasons,
  ringWords,
  type Candidate,
  type TerminationInput,
  type Verdict,
} from '@/core/gland-selection';
import { glandShape, slideOnList, type GlandShape, type SlideOnItem } from '@/core/make-off';
import { isFlameproof, profileFigures, type CodeProfile } from '@/core/schedule';
import { planStages, TIGHTENING_RULES, type StagePlan } from '@/core/tightening';
import { trimNumber, type LengthUnit } from '@/core/units';

/** Raised by hand whenever a change may change a step of a procedure. */
export const PROCEDURE_RULES = 2;

/** One thing a plan has settled. When a plan is made again, these are compared one by one. */
export interface Decision {
  readonly id: string;
  readonly label: string;
  readonly value: string;
}

export const PLAN_PART_KINDS = [
  'gland',
  'ring',
  'adaptor',
  'accessory',
  'shroud',
  'compound',
  'blankingPlug',
] as const;
export type PlanPartKind = (typeof PLAN_PART_KINDS)[number];

/** One thing that is drawn from the store for a plan. */
export interface PlanPart {
  readonly part: string;
  readonly kind: PlanPartKind;
  readonly name: string;
  /** How many; one when it is left out. */
  readonly quantity?: number;
}

/** What was chosen and worked out for one termination: data that the screen, the print and the bench all read. */
export interface TerminationPlan {
  readonly tag: string;
  readonly inputHash: string;
  readonly rules: Readonly<
    Record<'glandSelection' | 'cutBack' | 'compoundCure' | 'tightening' | 'procedure', number>
  >;
  readonly family: { readonly code: string; readonly revision: string; readonly sheet: string };
  readonly size: string;
  readonly partNumber: string;
  readonly verdict: Verdict;
  readonly marginMm: number | null;
  readonly provisional: readonly string[];
  readonly ring: RingOption | null;
  readonly ringWords: string;
  /** What to do with the end stop; null in a gland without one. */
  readonly endStop: string | null;
  readonly adaptor: string | null;
  readonly outside: readonly string[];
  readonly inside: readonly string[];
  /** What goes into the chamber; null in a gland without one, or with `sealRefusal` when nothing may. */
  readonly seal: SealPlan | null;
  readonly sealRefusal: readonly Problem[];
  /** The gland's own outline, for the drawings. */
  readonly gland: GlandShape;
  /** Everything to be drawn from the store. */
  readonly parts: readonly PlanPart[];
  /** Null with reasons when no marks can be given. */
  readonly cut: CutPlan | null;
  readonly cutRefusal: readonly Problem[];
  readonly diameters: { readonly outerMm: number; readonly overArmourMm: number; readonly innerMm: number };
  readonly cores: number;
  readonly armour: TerminationInput['cableType']['armour'];
  readonly slideOn: readonly SlideOnItem[];
  readonly stages: readonly StagePlan[];
  readonly planOnly: readonly Problem[];
  readonly decisions: readonly Decision[];
  readonly cautions: readonly string[];
}

export interface PlanRequest {
  readonly tag: string;
  readonly input: TerminationInput;
  readonly routeMm: number | null;
  readonly spareMm: number;
  readonly unit: LengthUnit;
  /** Where terminals differ: the way to each; none when left out. */
  readonly terminals?: readonly Terminal[];
  /** Compound that was asked for; when left out, the first that the fitting's list allows. */
  readonly compound?: string | null;
  /** Compounds of the catalogue; none when left out. */
  readonly compounds?: readonly Compound[];
}

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
      ? [input.outerSheath?.ovality ?? null, input.outerSheath?.hasTape ?? false]
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
    seal: family.seal
      ? [request.compound ?? null, compoundsOf(request, family).map((c) => hashOnce(c))]
      : null,
    unit: request.unit,
    family: [family.code, family.sheet.revision, hashOnce(family)],
  });
}

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
    profile: input.profile,
    routeMm: request.routeMm,
    terminals: request.terminals ?? [],
    spareMm: request.spareMm,
    unit: request.unit,
  });
  const seal = planSeal({
    family,
    size,
    cableType: input.cableType,
    core: input.core,
    compounds: compoundsOf(request, family),
    wanted: request.compound ?? null,
  });
  const stages = planStages(family, size, outerMax);
  const slideOn = slideOnList(family, size, ring, outerMax);
  const innerMm = innerSheath?.mean ?? outerSheath.mean * 0.75;
  const base = {
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
    ringWords: ringWords(ring, family),
    endStop: candidate.endStop?.words ?? null,
    adaptor: entry.adaptor?.partNumber ?? null,
    outside: entry.outside.map(accessoryWords),
    inside: entry.inside.map(accessoryWords),
    seal: seal?.ok ? seal.value : null,
    sealRefusal: seal === null || seal.ok ? [] : seal.problems,
    gland: glandShape(family, size),
    parts: [...partsOf(candidate), ...(seal?.ok ? packParts(seal.value) : [])],
    cut: cut.ok ? cut.value : null,
    cutRefusal: cut.ok ? [] : cut.problems,
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

const accessoryWords = (a: Accessory): string =>
  `${a.partNumber} ${ACCESSORY_WORDS[a.kind]}, ${a.thicknessMm} mm`;

/** The gland and all that goes with it: alternative ring, adaptor, what stands on the thread, shroud. */
export function partsOf({ family, size, ring, entry }: Candidate): PlanPart[] {
  const parts: PlanPart[] = [{ part: size.partNumber, kind: 'gland', name: `${size.code} ${family.title}` }];
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
  for (const a of [...entry.outside, ...entry.inside])
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

/**
 * A plan as it was stored, in today's shape. Plans of the first releases listed no parts, knew no end stop and no compound, and cut in one
 * way only. Their rules number makes them stale; this keeps them readable until they are made again.
 */
export function upgradePlan(
  stored: Omit<TerminationPlan, 'parts' | 'endStop' | 'seal' | 'sealRefusal' | 'gland'> &
    Partial<TerminationPlan>,
): TerminationPlan {
  return {
    ...stored,
    endStop: stored.endStop ?? null,
    seal: stored.seal ?? null,
    sealRefusal: stored.sealRefusal ?? [],
    gland: stored.gland ?? { hexFlatsMm: 0, innerLengthMm: 0, protrusionMm: 0, threadLengthMm: 0, parts: [] },
    parts: stored.parts ?? [{ part: stored.partNumber, kind: 'gland', name: stored.size }],
    cut: stored.cut === null ? null : upgradeCut(stored.cut),
  };
}

function upgradeCut(
  cut: CutPlan & Partial<Pick<CutPlan, 'kind' | 'jacketed' | 'strip' | 'coreTails'>>,
): CutPlan {
  if (cut.kind !== undefined) return cut;
  const marks = cut.marks.map((m): Mark => ({
    ...m,
    datum: 'cableEnd',
    fromDatumMm: m.atMm,
    tools: m.tools.map((t) => ({ ...t, kerfMm: 0, guard: m.guard ?? byEye('as the sheet says') })),
  }));
  return { ...(cut as CutPlan), kind: 'stub', jacketed: true, strip: null, coreTails: [], marks };
}

function provisionalOf(request: PlanRequest, candidate: Candidate): string[] {
  const marginal = candidate.verdict === 'marginal' ? ['a range is only marginally met'] : [];
  return [...marginal, ...provisionalReasons(request.input)];
}

function decisionsOf(plan: Omit<TerminationPlan, 'decisions'>, unit: LengthUnit): Decision[] {
  const decisions: Decision[] = [
    {
      id: 'size',
      label: 'Gland',
      value: `${plan.size} (${plan.family.code} revision ${plan.family.revision})`,
    },
    { id: 'ring', label: 'Ring', value: plan.ringWords || 'none' },
    ...(plan.endStop === null ? [] : [{ id: 'endStop', label: 'End stop', value: plan.endStop }]),
    { id: 'adaptor', label: 'Adaptor', value: plan.adaptor ?? 'none' },
    {
      id: 'accessories',
      label: 'On the thread',
      value: [...plan.outside, ...plan.inside].join('; ') || 'nothing',
    },
    {
      id: 'slideOn',
      label: 'Slide-on list',
      value: plan.slideOn.map((s) => [s.name, s.facing, s.trim].filter(Boolean).join(', ')).join(' → '),
    },
  ];
  if (plan.seal)
    decisions.push({
      id: 'compound',
      label: 'Compound',
      value: `${plan.seal.product}, ${trimNumber(plan.seal.needMl, 1)} mL${plan.seal.stickMm === null ? '' : `, ${plan.seal.stickMm} mm of stick`} (${plan.seal.sheet.title}, revision ${plan.seal.sheet.revision})`,
    });
  const { coreTails = [], strip = null } = plan.cut ?? {};
  if (strip)
    decisions.push({ id: 'strip', label: 'Core ends bare', value: `${markText(strip.mm, unit)} ${unit}` });
  if (coreTails.length > 0)
    decisions.push({
      id: 'coreTails',
      label: 'Tails by core',
      value: coreTails.map((t) => `${t.core} ${markText(t.mm, unit)}`).join(', '),
    });
  for (const mark of plan.cut?.marks ?? []) {
    const depth =
      mark.guard.maxDepthMm === null ? 'by eye' : `${mark.guard.maxDepthMm.toFixed(1)} mm deep at most`;
    decisions.push({
      id: `mark.${mark.id}`,
      label: mark.title,
      value: `${markText(mark.fromDatumMm, unit)} ${unit}${mark.datum === 'hub' ? ' from the hub' : ''}`,
    });
    decisions.push({ id: `depth.${mark.id}`, label: `${mark.title}, depth`, value: depth });
  }
  for (const stage of plan.stages) {
    const spanners = [stage.memberSpannerMm, stage.heldSpannerMm].filter((s) => s !== null).join('/');
    decisions.push({
      id: `stage.${stage.id}`,
      label: stage.title,
      value: [stage.words, spanners && `spanners ${spanners}`].filter(Boolean).join(', '),
    });
  }
  return decisions;
}

/** Hash that stands for a plan in events and on the cut card. */
export const planHash = (plan: TerminationPlan): string => hashOf(plan);

export interface DecisionChange {
  readonly id: string;
  readonly label: string;
  readonly before: string | null;
  readonly after: string | null;
}

/** What a new plan settles otherwise than an old one, and what it leaves as it was. */
export function compareDecisions(before: readonly Decision[], after: readonly Decision[]) {
  const old = new Map(before.map((d) => [d.id, d]));
  const now = new Map(after.map((d) => [d.id, d]));
  const changed: DecisionChange[] = [];
  const unchanged: Decision[] = [];
  for (const decision of after) {
    const was = old.get(decision.id);
    if (was?.value === decision.value) unchanged.push(decision);
    else
      changed.push({
        id: decision.id,
        label: decision.label,
        before: was?.value ?? null,
        after: decision.value,
      });
  }
  for (const decision of before) {
    if (!now.has(decision.id))
      changed.push({ id: decision.id, label: decision.label, before: decision.value, after: null });
  }
  return { changed, unchanged };
}
