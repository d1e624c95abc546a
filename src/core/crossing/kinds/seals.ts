import { array, object, string } from 'yup';
import { plugOffer, sleeveOffer, wrapOffer } from '@/core/catalogue';
import { fail, hashOf, ok, validate, type Problem, type Result } from '@/core/kernel';
import { plugBuilding, sleeveBuilding, wrapBuilding } from '@/core/seal-building';
import {
  checkSleeve,
  checkWrap,
  planPlug,
  plugPlanSchema,
  plugRequestSchema,
  roundCirclesSchema,
  sealPartWords,
  settleSleeve,
  settleWrap,
  sleeveCircleSchema,
  sleevePlanSchema,
  sleeveRequestSchema,
  verdictOf,
  wrapPlanSchema,
  wrapRequestSchema,
  type SealAnswer,
  type SealFinding,
  type SealPart,
} from '@/core/soft-seal';
import { trimNumber } from '@/core/units';
import { plugAsked, sleeveAsked, wrapAsked } from '../setup';
import type { CrossingKind, CrossingPart } from './kind';

interface AnyPlan {
  readonly answer: SealAnswer;
  readonly findings: readonly SealFinding[];
  readonly parts: readonly SealPart[];
}

/** Only what a plan hangs on: how hard it was looked for is not part of it. */
const sealHash = (request: object): string =>
  hashOf(
    Object.fromEntries(Object.entries(request).filter(([key]) => key !== 'seed' && key !== 'limitSeconds')),
  );

const partsOf = ({ parts }: AnyPlan): CrossingPart[] =>
  parts.map((p) => ({ id: p.id, what: sealPartWords(p), count: p.count, unit: p.unit }));

/** A plan that does not close is not built; one of which something is still asked may wait for its answer. */
const refusal = ({ answer, findings }: AnyPlan): Problem | null =>
  answer === 'refused' ? { path: 'plan', message: `does not close: ${verdictOf(findings)}` } : null;

const audited = <P>(problems: readonly Problem[], made: () => P): Result<P> =>
  problems.length > 0
    ? fail(problems.slice(0, 20).map((p) => ({ ...p, path: `plan.${p.path}` })))
    : ok(made());

const plural = (n: number, one: string): string => `${n} ${one}${n === 1 ? '' : 's'}`;
const common = { place: '', rating: '', members: [] };
const named = (
  sheet: { readonly code: string; readonly sheet: { readonly revision: string } } | undefined,
) => (sheet ? { sheet: { code: sheet.code, revision: sheet.sheet.revision } } : {});

/** Where all lies, as a planner in a browser sends it: everything else is worked out here. */
const sleeveDraft = object({ circles: array().of(sleeveCircleSchema).max(3000).required() }).required();
const wrapDraft = object({
  rounds: array()
    .of(object({ id: string().required(), circles: roundCirclesSchema }).required())
    .max(25)
    .required(),
}).required();

export const sleeveKind: CrossingKind<'sleeve'> = {
  words: 'packed sleeve',
  sheets: (all) => all.seals.sleeveSheets,
  bare: (sheet) => ({
    kind: 'sleeve',
    ...common,
    ...named(sheet),
    shape: 'circle',
    school: 'afterPulling',
  }),
  suits: () => true,
  ask: (setup, known, sheet) => sleeveAsked(setup, known, sleeveOffer(sheet)),
  requestOf: (asked) => asked.request,
  hashOf: sealHash,
  accept: (request, draft) => {
    const read = validate(sleeveDraft, draft);
    if (!read.ok) return read;
    const { circles } = read.value;
    return audited(checkSleeve(request, circles), () => settleSleeve(request, circles));
  },
  readRequest: (stored) => validate(sleeveRequestSchema, stored, true),
  readPlan: (stored) => validate(sleevePlanSchema, stored, true),
  sheetNamed: ({ sheet: { code, revision } }) => ({ code, revision }),
  steps: (request, plan, _, place) => sleeveBuilding(request, plan, place),
  parts: (_, plan) => partsOf(plan),
  brief: ({ opening: { kind, d, w, h } }, plan) =>
    `${kind === 'circle' ? `bore ${trimNumber(d?.min ?? 0, 1)} mm` : `${trimNumber(w?.min ?? 0, 1)} × ${trimNumber(h?.min ?? 0, 1)} mm`}, ${plural(plan.circles.filter((c) => c.tag === null).length, 'blank')}`,
  refusal,
};

export const plugKind: CrossingKind<'plug'> = {
  words: 'plug',
  sheets: (all) => all.seals.plugSheets,
  bare: (sheet) => ({ kind: 'plug', ...common, ...named(sheet) }),
  suits: () => true,
  ask: (setup, known, sheet) => plugAsked(setup, known, plugOffer(sheet)),
  requestOf: (asked) => asked.request,
  hashOf: sealHash,
  // Nothing of it is laid by hand: it is worked out here, whatever was sent.
  accept: (request) => ok(planPlug(request)),
  readRequest: (stored) => validate(plugRequestSchema, stored, true),
  readPlan: (stored) => validate(plugPlanSchema, stored, true),
  sheetNamed: ({ sheet: { code, revision } }) => ({ code, revision }),
  steps: (request, plan, _, place) => plugBuilding(request, plan, place),
  parts: (_, plan) => partsOf(plan),
  brief: ({ bore }, { plug }) => `${plug ?? 'no plug'} in ${trimNumber(bore.min, 1)} mm, both faces`,
  refusal,
};

export const wrapKind: CrossingKind<'wrap'> = {
  words: 'fire wrap',
  sheets: (all) => all.seals.wrapSheets,
  bare: (sheet) => ({ kind: 'wrap', ...common, ...named(sheet), cloth: 'openable' }),
  suits: () => true,
  ask: (setup, known, sheet) => wrapAsked(setup, known, wrapOffer(sheet)),
  requestOf: (asked) => asked.request,
  hashOf: sealHash,
  accept: (request, draft) => {
    const read = validate(wrapDraft, draft);
    if (!read.ok) return read;
    const { rounds } = read.value;
    return audited(checkWrap(request, rounds), () => settleWrap(request, rounds));
  },
  readRequest: (stored) => validate(wrapRequestSchema, stored, true),
  readPlan: (stored) => validate(wrapPlanSchema, stored, true),
  sheetNamed: ({ sheet: { code, revision } }) => ({ code, revision }),
  steps: (request, plan, _, place) => wrapBuilding(request, plan, place),
  parts: (_, plan) => partsOf(plan),
  brief: ({ bundles }, { cloth }) =>
    `${cloth ?? 'no cloth'}, ${bundles.length === 0 ? 'blank stub' : plural(bundles.length, 'bundle')}`,
  refusal,
};
