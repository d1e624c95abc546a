import { markText, type Mark } from '@/core/cut-back';
import { formatInchFraction, trimNumber } from '@/core/units';
import type { StepDraft } from '@/core/record';
import type { TerminationPlan } from '../termination-plan';

const REASONS: Readonly<Record<Mark['id'], string>> = {
  firstJacket: 'So much armour is laid bare as the saw needs, no more: the final length comes after.',
  outerSheath: 'Its edge settles how much armour lies on the cone.',
  armour: 'Too long and the parts never meet; too short and the ring holds nothing.',
  jacket: 'The jacket’s edge must meet the edge of the earthing ring.',
  innerSheath: 'It settles where the seal closes and how far the cores reach.',
  cores: 'A core that is bared too far or too little does not sit in its contact.',
  earthCores: 'Their ends must reach their contact and no farther: a loop has no room in the body.',
  pilotCores: 'It must reach its contact and no farther.',
  screen: 'A strand that stands towards the end is a needle in the field.',
  semiconducting: 'A shred that stays is a needle in the field; a mark under it is a crack to come.',
  secondInner: 'Compound must run between the cores, not along a wrap that leaks.',
};

/** The same edge in a cable without armour. */
const BARE = 'Its edge settles how far the cores reach, and how much sheath lies in the seal.';

const FROM: Readonly<Record<Mark['datum'], string>> = {
  cableEnd: 'mark from the cable end',
  hub: 'measured from the hub’s edge, with the fitting on',
  coreEnd: 'from the end of each core',
};

/** One cut: its mark in large digits, how deep, with what, and what to check after it. */
export function cutStep(mark: Mark, plan: TerminationPlan): StepDraft {
  const { guard } = mark;
  const unit = plan.cut?.unit ?? 'mm';
  const mm = mark.fromDatumMm;
  const second = unit === 'mm' ? `${formatInchFraction(mm, 32)} in` : `${trimNumber(mm, 1)} mm`;
  const depth = guard.maxDepthMm === null ? '' : `Not deeper than ${guard.maxDepthMm.toFixed(1)} mm: `;
  // The armour's own length stands when both its ends are cut; a sealing fitting's when the jacket has its final length.
  const settles = plan.cut?.marks.some((m) => m.id === 'jacket') ? 'jacket' : 'armour';
  const armour = plan.cut?.armour ?? null;
  return {
    id: `cut.${mark.id}`,
    target: { kind: 'mark', mark: mark.id },
    station: 'cut',
    kind: 'confirm',
    title: `${mark.title}: ${FROM[mark.datum]}`,
    detail: mark.tools[0]?.technique ?? '',
    reason: mark.id === 'outerSheath' && plan.armour === 'none' ? BARE : REASONS[mark.id],
    caution: `Blade away from the body. ${depth}${guard.reason}.`,
    ...(mark.tools[0] ? { tool: mark.tools[0].tool } : {}),
    figure: { value: markText(mm, unit), unit, second, markId: mark.id },
    checks: [mark.check],
    accepts: [
      ...(mark.id === settles && armour !== null && plan.cut?.jacketed
        ? [{ key: 'armour', label: 'Armour laid bare', min: armour.minMm, max: armour.maxMm }]
        : []),
      ...(mark.id === 'cores' && plan.cut?.strip
        ? [
            {
              key: 'strip',
              label: 'Bare core end',
              min: plan.cut.strip.minMm,
              max: plan.cut.strip.maxMm,
            },
          ]
        : []),
    ],
    ...(mark.atMm === plan.cut?.tails.mm && (plan.cut?.coreTails.length ?? 0) > 0
      ? { list: plan.cut?.coreTails.map((t) => `${t.core}: ${markText(t.mm, unit)} ${unit} from the sheath`) }
      : {}),
    decisions: [`mark.${mark.id}`, `depth.${mark.id}`, ...(mark.id === 'cores' ? [] : ['coreTails'])],
  };
}
