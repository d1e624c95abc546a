import { mayBeInstalled, turned, type DeviceEndPlan } from '@/core/device';
import { ok, refuse, type Result } from '@/core/kernel';
import type { BenchAct, ConfirmCommand, Step } from '@/core/record';

const PLATE = 'nameplate';
const STEP = 'turning';
const KEY = 'turned';

/** Turns that the record holds, in their order. What was taken back was turned all the same: it is said with a turn of its own. */
export const turnsOf = (acts: readonly BenchAct[]): number[] =>
  acts.flatMap((a) => {
    const turn = a.stepId === STEP && a.fingerprint !== null ? a.measured?.[KEY] : undefined;
    return turn === undefined ? [] : [turn];
  });

/** May this be taken into the record of a device? Its plate, mark by mark; and a turn, where all of them together stay within the limit, the way that is allowed. */
export function mayConfirmDevice(
  device: DeviceEndPlan,
  step: Step,
  command: ConfirmCommand,
  acts: readonly BenchAct[],
): Result<null> {
  if (step.id === PLATE) return mayBeInstalled(device.place, command.chosen ?? {});
  if (step.id !== STEP) return ok(null);
  const { measured = {} } = command;
  const now = measured[KEY];
  if (now === undefined) return refuse(`measured.${KEY}`, 'say how far it was turned: nought where it stays');
  const all = turned([...turnsOf(acts), now], device.turn);
  return all.ok ? ok(null) : refuse(`measured.${KEY}`, all.problems[0]?.message ?? 'is too far', now);
}
