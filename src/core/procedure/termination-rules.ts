import { recut } from '@/core/cut-back';
import { mayGoThrough } from '@/core/in-line';
import type { Measuring } from '@/core/instrument';
import { ok, refuse } from '@/core/kernel';
import type { SubjectRules } from '@/core/record';
import { compoundClock, mayFill, mayMix, mayOpen } from './compound-clock';
import { mayConfirmCoupler } from './coupler-rules';
import { mayConfirmDevice } from './device-turning';
import { mayConfirmMineral } from './mineral-clock';
import { mayConfirmCap, mayConfirmPins } from './pin-rules';
import type { TerminationPlan } from './termination-plan';

/** The tags of an end and of the other end of its cable. */
const bothEnds = (tag: string): readonly [string, string] => [
  tag,
  tag.replace(/[AB]$/, (end) => (end === 'A' ? 'B' : 'A')),
];

/**
 * What the end of a cable asks beyond the order of its steps: a pack in date, a mix within its pot life, a compound that is hard, a spare that
 * reaches, an insulation that is dry. `seal` is the plan's compound, null where there is none; `spareMm` what is left of the end.
 */
export const terminationRules = (
  plan: Pick<TerminationPlan, 'seal'> &
    Partial<Pick<TerminationPlan, 'mineral' | 'device' | 'coupler' | 'plugIn' | 'tag'>>,
  spareMm: number,
  measuring: Measuring,
): SubjectRules => ({
  confirm: (step, command, acts, now, across) => {
    const { seal, mineral, device, coupler, plugIn, tag = '' } = plan;
    const passes = ok({ waste: null });
    if (coupler !== undefined) {
      const may = mayConfirmCoupler(coupler, step, command, { acts, across, measuring, tags: bothEnds(tag) });
      if (!may.ok) return may;
    }
    if (plugIn !== undefined) {
      const { pins, liveCap, mateStage } = plugIn;
      const lies = pins === undefined ? ok(null) : mayConfirmPins(pins, step, command);
      if (!lies.ok) return lies;
      const cap = liveCap ? mayConfirmCap(step, command, acts, mateStage) : ok(null);
      if (!cap.ok) return cap;
    }
    if (mineral !== undefined && step.id === 'rungOut') {
      const [here, there] = bothEnds(tag);
      const may = mayGoThrough([there, here], command.chosen ?? {});
      return may.ok ? passes : may;
    }
    if (mineral !== undefined) {
      const may = mayConfirmMineral(mineral, step, command, acts, now, measuring);
      return may.ok ? passes : may;
    }
    if (device !== undefined) {
      const may = mayConfirmDevice(device, step, command, acts);
      return may.ok ? passes : may;
    }
    if (seal === null) return passes;
    if (step.kind === 'mix') {
      const may = mayMix(seal, command.mix ?? null, now.slice(0, 10));
      return may.ok ? passes : may;
    }
    if (step.kind === 'cure') {
      const may = mayOpen(compoundClock(seal, acts, Date.parse(now)), Date.parse(now));
      return may.ok ? passes : may;
    }
    if (step.id !== 'fill') return passes;
    const may = mayFill(compoundClock(seal, acts, Date.parse(now)), Date.parse(now));
    if (may.ok) return passes;
    const late = may.problems.find((p) => p.path === 'potLife');
    return late ? ok({ waste: late.message }) : may;
  },
  temperature: (acts, now) => {
    const clock = compoundClock(plan.seal, acts, Date.parse(now));
    if (clock.filledMs === null) return refuse('tempC', 'nothing is curing here: the compound is not in yet');
    const last = clock.readings[clock.readings.length - 1];
    return last && Date.parse(now) <= last.at * 60_000
      ? refuse('at', 'a later temperature is in the record already', now)
      : ok(null);
  },
  recut: (cutOffMm) => recut(spareMm, cutOffMm),
  test: () => ok(null),
});
