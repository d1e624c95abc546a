import { fail, refuse, type Result } from '@/core/kernel';
import {
  potLife,
  trackCure,
  type CureTrack,
  type SealPlan,
  type TemperatureReading,
} from '@/core/compound-cure';
import { packProblems, type BenchAct, type MixRecord } from '@/core/record';

export interface CompoundClock {
  readonly mix: (MixRecord & { readonly atMs: number; readonly endsMs: number }) | null;
  readonly filledMs: number | null;
  /** Temperatures of the work since it was filled. */
  readonly readings: readonly TemperatureReading[];
  readonly cure: CureTrack | null;
}

const MINUTE = 60_000;
const minutesOf = (ms: number): number => ms / MINUTE;

/**
 * The clocks of the compound as the record has them, at `nowMs`: until when the mix may be filled in, and how far the cure has come. A
 * mix that was declared waste, or led back from by a look, no longer counts.
 */
export function compoundClock(
  seal: SealPlan | null,
  acts: readonly BenchAct[],
  nowMs: number,
): CompoundClock {
  let mix: CompoundClock['mix'] = null;
  let filledMs: number | null = null;
  let readings: TemperatureReading[] = [];
  for (const act of acts) {
    const at = Date.parse(act.at);
    if (act.kind === 'mix' && act.mix && seal) {
      const life = potLife(seal.potLife, act.mix.tempC);
      mix = { ...act.mix, atMs: at, endsMs: at + (life.ok ? life.value.minutes : 0) * MINUTE };
      filledMs = null;
      readings = [];
    } else if (
      act.kind === 'waste' ||
      act.kind === 'recut' ||
      (act.kind === 'look' && act.decision === 'repair')
    ) {
      mix = null;
      filledMs = null;
      readings = [];
    } else if (act.kind === 'correct') {
      // A step that was held by mistake: a mix whose step is taken back counts no longer, one whose filling is taken back still ages.
      if (act.redo.includes('mix')) mix = null;
      if (mix === null || act.redo.includes('fill')) {
        filledMs = null;
        readings = [];
      }
    } else if (act.stepId === 'fill' && act.kind === 'confirm' && mix !== null) {
      filledMs = at;
      readings = [{ at: minutesOf(at), c: mix.tempC }];
    } else if (act.kind === 'temperature' && act.tempC !== null && filledMs !== null) {
      readings.push({ at: minutesOf(at), c: act.tempC });
    }
  }
  const cure = seal && readings.length > 0 ? trackCure(seal.cure, readings, minutesOf(nowMs)) : null;
  return { mix, filledMs, readings, cure: cure?.ok ? cure.value : null };
}

/** May this pack be mixed now? Out of date, or too hot for any pot life, is refused with the numbers. */
export function mayMix(seal: SealPlan, mix: MixRecord | null, today: string): Result<MixRecord> {
  if (mix === null)
    return refuse('mix', 'batch, expiry date and the temperature of the work are part of the record');
  const [unread] = packProblems(mix);
  if (unread) return fail([{ ...unread, path: `mix.${unread.path}` }]);
  if (mix.expiry < today)
    return refuse('mix.expiry', `this pack expired on ${mix.expiry}: take another`, mix.expiry);
  const life = potLife(seal.potLife, mix.tempC);
  if (!life.ok) return refuse('mix.tempC', life.problems[0]?.message ?? 'no pot life', mix.tempC);
  // Cold work may still be filled, but it would never harden.
  const coldest = seal.cure[0]?.c ?? -Infinity;
  if (mix.tempC < coldest)
    return refuse(
      'mix.tempC',
      `the work is at ${mix.tempC} °C; ${seal.product} hardens from ${coldest} °C up: ${coldest - mix.tempC} °C too cold. Warm the work first`,
      mix.tempC,
    );
  return { ok: true, value: mix };
}

/** May the mix still be filled in at this time? */
export function mayFill(clock: CompoundClock, atMs: number): Result<null> {
  if (clock.mix === null) return refuse('mix', 'nothing is mixed');
  const late = (atMs - clock.mix.endsMs) / MINUTE;
  if (late > 0)
    return refuse('potLife', `the pot life ended ${Math.ceil(late)} min ago: this mix is waste. Mix again`);
  return { ok: true, value: null };
}

/** Is it hard at `nowMs`? A hold in the cold or in a gap, or simply not yet, is refused with the share and the time. */
export function mayOpen(clock: CompoundClock, nowMs: number): Result<null> {
  if (clock.cure === null) return refuse('cure', 'nothing is filled yet');
  const { progress, ready, standing } = clock.cure;
  if (progress >= 1) return { ok: true, value: null };
  const share = `${Math.floor(progress * 100)} % cured`;
  if (standing) return refuse('cure', `${share}, and it stands still: ${standing.words}`);
  return refuse(
    'cure',
    ready === null
      ? `${share}: too cold to say when`
      : `${share}: hard in about ${Math.ceil(ready.at - minutesOf(nowMs))} min if the work stays as warm`,
  );
}
