import { hashText } from '@/core/kernel';
import type { Step, StepDraft } from './step';

/** What a decision of the plan was settled to: in codes and figures, and in the words that the rule before hashed. */
export interface Settled {
  readonly figures: string;
  readonly words: string;
}

// Control characters stand in no text of a plan, so that joined parts cannot be mistaken for one another.
const FIELD = '\u0001';
const ITEM = '\u0002';

/**
 * What a confirmation stands for: the figures, what the plan has settled, and what the product's sheet asks to be seen. None of our own words is
 * in it, so that saying a thing better sends nobody back to the bench.
 */
const substance = (draft: StepDraft, settled: readonly string[], below: string): string => {
  const { id, kind, figure, checks = [], accepts = [] } = draft;
  return [
    'figures',
    below,
    id,
    kind,
    figure ? [figure.value, figure.unit, figure.markId ?? ''].join(ITEM) : '',
    draft.checksBySheet ? checks.join(ITEM) : '',
    // A torque says what the figure says already: its span came later, and sends nobody back.
    accepts
      .filter((a) => a.unit === undefined)
      .map((a) => [a.key, a.min, a.max].join(ITEM))
      .join(FIELD),
    settled.join(ITEM),
  ].join(FIELD);
};

/** The rule before: words counted too. Work that was recorded by it stays done. */
const formerSubstance = (draft: StepDraft, settled: readonly string[], below: string): string => {
  const { id, kind, figure, checks = [] } = draft;
  const accept =
    draft.formerAccept === undefined ? draft.accepts?.find((a) => a.unit === undefined) : draft.formerAccept;
  const bySheet = id.startsWith('stage.') || id === 'look';
  return [
    below,
    id,
    kind,
    figure ? [figure.value, figure.unit, figure.second ?? '', figure.markId ?? ''].join(ITEM) : '',
    bySheet ? checks.join(ITEM) : '',
    accept ? [accept.label, accept.min, accept.max].join(ITEM) : '',
    settled.join(ITEM),
  ].join(FIELD);
};

const short = (text: string): string => hashText(text).slice(0, 32);

/**
 * Chains steps to what they build on. `settled` holds the decisions they carry out, by id; steps of `loose` stand on nothing but themselves.
 * Two steps with one id are a fault of the program. `on`: steps of other chains that the first one builds on.
 */
export function chainSteps(
  settled: ReadonlyMap<string, Settled>,
  loose: ReadonlySet<string>,
  drafts: readonly StepDraft[],
  on: readonly Step[] = [],
): Step[] {
  const steps: Step[] = [];
  const seen = new Set<string>();
  let below: Step | null = null;
  for (const draft of drafts) {
    if (seen.has(draft.id)) throw new Error(`step ${draft.id} stands twice`);
    seen.add(draft.id);
    const under: readonly Step[] = loose.has(draft.id) ? [] : below === null ? on : [below];
    const { formerAccept: _, newDecisions = [], ...rest } = draft;
    const former = draft.decisions.filter((id) => !newDecisions.includes(id));
    const step: Step = {
      ...rest,
      buildsOn: under.map((s) => s.id),
      fingerprint: short(
        substance(
          draft,
          draft.decisions.map((id) => settled.get(id)?.figures ?? ''),
          under.map((s) => s.fingerprint).join(ITEM),
        ),
      ),
      formerly: short(
        formerSubstance(
          draft,
          former.map((id) => settled.get(id)?.words ?? ''),
          under.map((s) => s.formerly).join(ITEM),
        ),
      ),
    };
    steps.push(step);
    // The first cut stands on the slide-on list where there is one, and on nothing else of the preparation.
    if (!loose.has(draft.id) || draft.id === 'slideOn') below = step;
  }
  return steps;
}
