import { seededRandom } from '@/core/kernel';
import type { ContinuityRequest } from './continuity';
import { conductorOhm, type ConductorPath } from './conductor';

/** Of a cable under test voltage: what leaks for good, what its insulation soaks up, and how that fades. */
export interface InsulationModel {
  /** MΩ once all is soaked up. */
  readonly leakMohm: number;
  /** MΩ that the soaking would have alone, at 60 s. */
  readonly soakMohm: number;
  /** Its current falls as `t^-n`; 0 for none. */
  readonly fades: number;
  /** What leaks grows by this share in each minute under voltage: water that finds its way. */
  readonly growsPerMinute: number;
}

/** Cables that the shipped tester knows: good, damp, faulty. */
export const INSULATION_MODELS = {
  good: { leakMohm: 9000, soakMohm: 4000, fades: 0.8, growsPerMinute: 0 },
  damp: { leakMohm: 6, soakMohm: 60, fades: 0.5, growsPerMinute: 0.35 },
  faulty: { leakMohm: 0.08, soakMohm: 400, fades: 0.8, growsPerMinute: 0 },
} as const satisfies Readonly<Record<string, InsulationModel>>;
export type InsulationModelName = keyof typeof INSULATION_MODELS;

/**
 * MΩ that a tester shows at `s` seconds: its voltage over the sum of the currents, `1 / (g/R_leak + (s/60)^-n / R_soak)`, where g is what the leak has
 * grown to. The charging current itself has died away within the first second.
 */
export function insulationAt(model: InsulationModel, s: number): number {
  const leak = (1 + (model.growsPerMinute * s) / 60) / model.leakMohm;
  const soak = (s / 60) ** -model.fades / model.soakMohm;
  return 1 / (leak + soak);
}

/** A cable as a continuity tester sees it: which core comes out where. */
export interface Wiring {
  readonly cores: readonly string[];
  /** Cores that are exchanged at the far end. */
  readonly swapped?: readonly (readonly [string, string])[];
  readonly open?: readonly string[];
  readonly joined?: readonly (readonly [string, string])[];
  readonly ohm: number;
}

/** What is read of every pair of a wiring; what is over the range is null. */
export function continuityReadings({
  cores,
  swapped = [],
  open = [],
  joined = [],
  ohm,
}: Wiring): ContinuityRequest['readings'] {
  const outAs = new Map(cores.map((c) => [c, c]));
  for (const [a, b] of swapped) {
    const [x, y] = [outAs.get(a) ?? a, outAs.get(b) ?? b];
    outAs.set(a, y);
    outAs.set(b, x);
  }
  const group = new Map(cores.map((c) => [c, c]));
  for (const [a, b] of joined) {
    const [from, to] = [group.get(b), group.get(a) ?? a];
    for (const [core, of] of group) if (of === from) group.set(core, to);
  }
  const nearOf = new Map([...outAs].map(([near, far]) => [far, near]));
  return cores.flatMap((near) =>
    cores.map((far) => {
      // Through its own core, and through any that it is joined to at this end.
      const own = nearOf.get(far) ?? far;
      const joins = !open.includes(own) && group.get(near) === group.get(own);
      return { near, far, ohm: joins ? ohm : null };
    }),
  );
}

/** What a low-resistance tester shows of a path: its leads unless they are nulled, and a little noise. Seeded: the same each time. */
export function lowOhmReading(
  path: ConductorPath,
  {
    leadsOhm,
    nulled,
    noiseOhm,
    seed,
  }: {
    readonly leadsOhm: number;
    readonly nulled: boolean;
    readonly noiseOhm: number;
    readonly seed: number;
  },
): number {
  const random = seededRandom(seed);
  const own = conductorOhm(path, (path.lengthM.min + path.lengthM.max) / 2);
  return Math.max(0, own + (nulled ? 0 : leadsOhm) + noiseOhm * (2 * random() - 1));
}
