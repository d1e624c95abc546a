import { array, mixed, number, object, string } from 'yup';
import type { CutPlan, DepthGuard, Mark } from '@/core/cut-back';
import { END_STOP_RULES, END_STOP_WORDS, type EndStopRule } from '@/core/gland-selection';
import { fail, ok, refuse, validate, type Result } from '@/core/kernel';
import type { SlideOnItem } from '@/core/make-off';
import { figuresOf } from './decisions';
import { PLAN_VERSION, type Decision, type TerminationPlan } from './termination-plan';

type Stored = Record<string, unknown>;

/** What each version of stored plans lacked against the next one. A plan goes through all of them that are newer than itself. */
const MIGRATIONS: Readonly<Record<1 | 2 | 3, (plan: Stored) => Stored>> = {
  // The first listed no parts, knew no end stop and no compound, and had no outline of the gland.
  1: (plan) => ({
    endStop: null,
    seal: null,
    sealRefusal: [],
    gland: { hexFlatsMm: 0, innerLengthMm: 0, protrusionMm: 0, threadLengthMm: 0, parts: [] },
    parts: [{ part: plan.partNumber, kind: 'gland', name: plan.size }],
    ...plan,
  }),
  // The second cut in one way only.
  2: (plan) => ({ ...plan, cut: plan.cut === null ? null : anyCut(plan.cut as OneWayCut) }),
  // The third said what to do with the end stop, and which way parts face, in words only.
  3: (plan) => {
    const slideOn = (plan.slideOn as OldItem[]).map(coded);
    const coded3 = { ...plan, endStop: ruleOf(plan.endStop), slideOn };
    const figures = figuresOf(coded3 as unknown as TerminationPlan);
    const decisions = (plan.decisions as Omit<Decision, 'figures'>[]).map((d) => ({
      ...d,
      figures: figures.get(d.id) ?? d.value,
    }));
    return { ...coded3, decisions, version: 4 };
  },
};

type OneWayCut = Omit<CutPlan, 'kind' | 'jacketed' | 'strip' | 'coreTails'> & Partial<CutPlan>;

/** The second version's words where a tool had no guard of its own. */
const BY_SHEET: DepthGuard = { maxDepthMm: null, reason: 'as the sheet says' };

function anyCut(cut: OneWayCut): CutPlan {
  if (cut.kind !== undefined) return cut as CutPlan;
  const marks = cut.marks.map((m): Mark => ({
    ...m,
    datum: 'cableEnd',
    fromDatumMm: m.atMm,
    tools: m.tools.map((t) => ({ ...t, kerfMm: 0, guard: m.guard ?? BY_SHEET })),
  }));
  return { ...cut, kind: 'stub', jacketed: true, strip: null, coreTails: [], marks };
}

/** The words that the third version had for the end stop; others mean that nobody can say. */
function ruleOf(words: unknown): EndStopRule | null {
  if (words === null) return null;
  return END_STOP_RULES.find((rule) => END_STOP_WORDS[rule] === words) ?? 'undecided';
}

type OldItem = Pick<SlideOnItem, 'partId' | 'role' | 'name' | 'facing' | 'trim'>;

function coded(item: OldItem): SlideOnItem {
  const groove = /^(\w+) groove towards the cone$/.exec(item.facing)?.[1];
  const face =
    groove !== undefined
      ? `groove ${groove}`
      : item.facing === 'either way round'
        ? 'either'
        : item.facing === 'face by armour'
          ? 'byArmour'
          : item.facing;
  const step = item.trim === null ? null : (/^cut at step (.+)$/.exec(item.trim)?.[1] ?? 'none');
  return { ...item, face, towards: groove === undefined ? null : 'cableEnd', shroudStep: step };
}

const list = () => array().required();

/** What must be there, and of what kind, for a plan to be read at all. */
const planSchema = object({
  version: number().oneOf([PLAN_VERSION]).required(),
  tag: string().required(),
  inputHash: string().required(),
  rules: object().required(),
  family: object({
    code: string().required(),
    revision: string().required(),
    sheet: string().defined(),
  }).required(),
  size: string().required(),
  partNumber: string().required(),
  verdict: string().required(),
  provisional: list().of(string().defined()),
  endStop: string().oneOf(END_STOP_RULES).nullable().defined(),
  sealRefusal: list(),
  parts: list(),
  cut: mixed((v): v is CutPlan => typeof v === 'object' && v !== null && 'marks' in v)
    .nullable()
    .defined(),
  slideOn: list(),
  stages: list(),
  planOnly: list(),
  /** Of an in-line joint: the plan of the other half is read by the same rule. */
  joint: object({ first: string().required(), through: list(), other: object().required() })
    .optional()
    .default(undefined),
  decisions: list().of(
    mixed(
      (v): v is Decision =>
        typeof v === 'object' &&
        v !== null &&
        ['id', 'label', 'value', 'figures'].every((key) => typeof (v as Stored)[key] === 'string'),
    ).required(),
  ),
});

/** Plans of before had no number: they are told apart by what the next one brought. */
function versionOf(plan: Stored): 1 | 2 | 3 | 4 | null {
  if (plan.version === PLAN_VERSION) return PLAN_VERSION;
  if (plan.version !== undefined) return null;
  if (!('parts' in plan) || !('endStop' in plan) || !('seal' in plan) || !('gland' in plan)) return 1;
  const { cut } = plan;
  return typeof cut === 'object' && cut !== null && !('kind' in cut) ? 2 : 3;
}

/**
 * A plan as it was stored, in today's shape. Refused when it is of a version that nobody knows, or does not hold what a plan holds. Older
 * rules make a plan stale, not unreadable.
 */
export function readPlan(stored: unknown): Result<TerminationPlan> {
  if (typeof stored !== 'object' || stored === null) return refuse('plan', 'is no plan', stored);
  let plan = stored as Stored;
  const version = versionOf(plan);
  if (version === null) return refuse('plan.version', 'is not known here', plan.version);
  try {
    for (const from of [1, 2, 3] as const) if (version <= from) plan = MIGRATIONS[from](plan);
  } catch {
    return refuse('plan', `of version ${version} does not hold what such a plan holds`);
  }
  const read = validate(planSchema, plan, true);
  const other = (plan.joint as { readonly other?: unknown } | undefined)?.other;
  const mate = read.ok && other !== undefined ? readPlan(other) : null;
  if (mate !== null && !mate.ok) return mate;
  return read.ok
    ? ok(plan as unknown as TerminationPlan)
    : fail(read.problems.map((p) => ({ ...p, path: `plan.${p.path}` })));
}
