import { rating, safe, type CrossingPlace } from '@/core/frame-building';
import { hashText } from '@/core/kernel';
import { chainSteps, type Settled, type Step, type StepDraft } from '@/core/record';
import {
  plugSteps,
  sealPartWords,
  sealWords,
  sleeveSteps,
  wrapSteps,
  type PlugPlan,
  type PlugRequest,
  type SealFinding,
  type SealPart,
  type SealStep,
  type SleevePlan,
  type SleeveRequest,
  type WrapPlan,
  type WrapRequest,
} from '@/core/soft-seal';
import { trimNumber } from '@/core/units';

const LOOSE: ReadonlySet<string> = new Set(['safe', 'rating', 'known', 'parts']);

interface Built {
  readonly sheet: { readonly code: string; readonly revision: string };
  readonly findings: readonly SealFinding[];
  readonly parts: readonly SealPart[];
  readonly steps: readonly SealStep[];
  /** What each decision was settled to: a changed one is another piece of work. */
  readonly settled: Readonly<Record<string, unknown>>;
}

/** The building of a soft seal as ordered steps: from the same model of procedure as frames and glands, so that the same bench leads through it. */
function building({ sheet, findings, parts, steps, settled }: Built, place: CrossingPlace): Step[] {
  const drafts: StepDraft[] = [
    safe('Cables isolated, permits there'),
    rating(place, sheet),
    ...knownStep(findings),
    {
      id: 'parts',
      station: 'choose',
      kind: 'hold',
      title: 'Parts in hand',
      detail: 'Counted before the wall is opened: an opening that waits half packed is open.',
      reason: 'One piece short, and the fire has its way through.',
      list: parts.map((p) => `${partCount(p)} ${sealPartWords(p)} ${p.id}`),
      decisions: ['parts'],
    },
    ...steps.map((s): StepDraft => {
      const { hold, accepts, ...rest } = s;
      return {
        ...rest,
        station: 'makeOff',
        kind: hold ? 'hold' : 'confirm',
        ...(accepts === undefined ? {} : { accepts }),
      };
    }),
    {
      id: 'sign',
      station: 'prove',
      kind: 'sign',
      title: 'Looked at from both sides, and signed',
      detail:
        'Both faces closed, nothing open between the cables. What was built otherwise is planned again.',
      reason: 'The next one opens this wall by this record.',
      checks: ['No light through', 'Both faces as planned'],
      decisions: [],
    },
  ];
  const values = new Map<string, Settled>();
  const settle = (id: string, figures: string) => values.set(id, { figures, words: figures });
  settle('rating', place.rating.trim());
  settle('parts', hashText(JSON.stringify(parts.map((p) => [p.kind, p.id, p.count]))));
  for (const [id, value] of Object.entries(settled)) settle(id, hashText(JSON.stringify(value)));
  return chainSteps(values, LOOSE, drafts);
}

/** Pieces, or metres of what comes from a roll. */
const partCount = ({ count, unit }: SealPart): string =>
  unit === 'mm' ? `${trimNumber(count / 1000, 2)} m` : `${count} ×`;

/** What nobody has said yet stops the work before it begins. */
function knownStep(findings: readonly SealFinding[]): StepDraft[] {
  // The wall's rating has a step of its own.
  const asked = findings.filter((f) => f.verdict === 'ask' && f.case.code !== 'askRating');
  const [first] = asked;
  if (first === undefined) return [];
  return [
    {
      id: 'known',
      station: 'measure',
      kind: 'hold',
      title: 'Not everything is known yet',
      detail: 'What is not known counts as not safe: it is looked at, and written at the crossing.',
      reason: 'What is guessed here is found in the fire.',
      list: asked.map(sealWords),
      blockedBy: sealWords(first),
      decisions: [],
    },
  ];
}

export const plugBuilding = (request: PlugRequest, plan: PlugPlan, place: CrossingPlace): Step[] =>
  plan.answer === 'refused'
    ? []
    : building(
        {
          sheet: request.sheet,
          ...plan,
          steps: plugSteps(request, plan),
          settled: { plug: [plan.plug, plan.annulus] },
        },
        place,
      );

export const sleeveBuilding = (request: SleeveRequest, plan: SleevePlan, place: CrossingPlace): Step[] =>
  plan.answer === 'refused'
    ? []
    : building(
        {
          sheet: request.sheet,
          ...plan,
          steps: sleeveSteps(request, plan),
          settled: {
            wrapped: [plan.wrapped, request.school, plan.pullingFrom],
            packing: plan.circles,
            depth: [plan.sealantMm, plan.airMm, request.sheet.fillingMm, request.sheet.sealant.id],
          },
        },
        place,
      );

export const wrapBuilding = (request: WrapRequest, plan: WrapPlan, place: CrossingPlace): Step[] =>
  plan.answer === 'refused'
    ? []
    : building(
        {
          sheet: request.sheet,
          ...plan,
          steps: wrapSteps(request, plan),
          settled: {
            cloth: plan.cloth,
            marks: plan.marks,
            bundles: [plan.rounds, plan.foldedMm],
            tie: plan.tie,
          },
        },
        place,
      );
