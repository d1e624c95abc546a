import { ok, refuse, type Result } from '@/core/kernel';
import type { Compound } from '@/core/catalogue';
import { choosePacks, type PackPlan } from './packs';

export interface BatchRequest {
  /** Terminations that are ready to be filled, in the order in which they are to be done. */
  readonly pours: readonly { readonly tag: string; readonly ml: number }[];
  readonly compound: Pick<Compound, 'packs' | 'mixMinutes'>;
  /** Workable minutes after mixing has begun, at the temperature of the work. */
  readonly potLifeMinutes: number;
  /** From one pour to the next for one person, with walking and wiping. */
  readonly minutesPerPour: number;
  readonly people: number;
}

export interface PlannedPour {
  readonly tag: string;
  readonly ml: number;
  /** Minutes after this mix was begun at which the pour starts and ends. */
  readonly fromMinute: number;
  readonly toMinute: number;
  readonly person: number;
}

export interface Mix {
  readonly pours: readonly PlannedPour[];
  readonly ml: number;
  readonly packs: PackPlan;
  /** Minutes of pot life that are left when the last pour ends. */
  readonly marginMinutes: number;
}

export interface BatchPlan {
  readonly mixes: readonly Mix[];
  /** Most pours that one mix allows. */
  readonly perMix: number;
  readonly totalMl: number;
  /** From the first mixing to the last pour, one mix after the other. */
  readonly minutes: number;
}

/**
 * How many per mix, how many mixes, which packs. Everybody pours from the same mix; no pour ends after its pot life. The order that was
 * given is kept, and each mix is filled as far as it goes, which gives the fewest mixes. Refused when not even one pour fits.
 */
export function planBatches(request: BatchRequest): Result<BatchPlan> {
  const { pours, compound, potLifeMinutes, minutesPerPour, people } = request;
  if (!(minutesPerPour > 0)) return refuse('minutesPerPour', 'a pour takes some time', minutesPerPour);
  if (!Number.isInteger(people) || people < 1) return refuse('people', 'somebody must pour', people);
  const workable = potLifeMinutes - compound.mixMinutes;
  const rounds = Math.floor(workable / minutesPerPour + 1e-9);
  if (rounds < 1)
    return refuse(
      'potLifeMinutes',
      `${potLifeMinutes} min of pot life less ${compound.mixMinutes} min of mixing leave ${Math.max(0, workable)} min; one pour takes ${minutesPerPour} min. Cool the work, or be quicker`,
      potLifeMinutes,
    );
  const perMix = rounds * people;
  const mixes: Mix[] = [];
  for (let at = 0; at < pours.length; at += perMix) {
    const planned = pours.slice(at, at + perMix).map((pour, i) => {
      const round = Math.floor(i / people);
      const fromMinute = compound.mixMinutes + round * minutesPerPour;
      return { ...pour, fromMinute, toMinute: fromMinute + minutesPerPour, person: (i % people) + 1 };
    });
    const ml = planned.reduce((sum, p) => sum + p.ml, 0);
    const end = planned[planned.length - 1]?.toMinute ?? 0;
    mixes.push({
      pours: planned,
      ml: Math.round(ml * 10) / 10,
      packs: choosePacks(compound, ml),
      marginMinutes: potLifeMinutes - end,
    });
  }
  return ok({
    mixes,
    perMix,
    totalMl: Math.round(mixes.reduce((sum, m) => sum + m.ml, 0) * 10) / 10,
    minutes: mixes.reduce((sum, m) => sum + (m.pours[m.pours.length - 1]?.toMinute ?? 0), 0),
  });
}
