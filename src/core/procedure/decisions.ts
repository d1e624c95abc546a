import { markText } from '@/core/cut-back';
import { trimNumber, type LengthUnit } from '@/core/units';
import type { Decision, TerminationPlan } from './termination-plan';

/** What a plan settles, one thing at a time. */
export function decisionsOf(plan: Omit<TerminationPlan, 'decisions'>, unit: LengthUnit): Decision[] {
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
