import type { Finding, NoFigures, Said, Verdict } from '@/core/kernel';

/** What can be said of the tests of a cable; Ω, MΩ, V, mA, s, m, °C. */
export interface TestCases {
  // Both kinds of resistance.
  dead: NoFigures;
  askDead: NoFigures;
  // Continuity, core by core.
  through: { cores: number };
  opens: { core: string; end: 'near' | 'far' };
  /** Each core that comes out as another, and what it comes out as. */
  crossed: { pairs: readonly (readonly [near: string, far: string])[] };
  joined: { near: readonly string[]; far: readonly string[] };
  unmeasured: { pairs: number; near: string; far: string };
  unclear: { near: string; far: string; ohm: number; through: number; open: number };
  // A resistance against a limit.
  within: { of: string; ohm: number; most: number };
  above: { of: string; ohm: number; most: number };
  marginal: { of: string; from: number; to: number; most: number };
  parallel: { of: string; ohm: number; least: number };
  current: { mA: number; least: number };
  askCurrent: { least: number };
  nulled: NoFigures;
  notNulled: NoFigures;
  askNulled: NoFigures;
  askReading: { of: string };
  // Insulation.
  voltage: { volts: number; wanted: number };
  askVoltage: { wanted: number };
  beyond: { volts: number; most: number };
  apart: NoFigures;
  askApart: NoFigures;
  notApart: NoFigures;
  guarded: NoFigures;
  askGuarded: NoFigures;
  notGuarded: NoFigures;
  askTime: { of: string; seconds: number };
  insulates: { of: string; mohm: number; least: number };
  leaks: { of: string; mohm: number; least: number };
  nearLimit: { of: string; from: number; to: number; least: number };
  damp: { of: string };
  perKm: { of: string; mohmKm: number; least: number };
  perKmLow: { of: string; mohmKm: number; least: number };
  perKmNear: { of: string; from: number; to: number; least: number };
  askTypeLimit: NoFigures;
  askTemperature: NoFigures;
  askLength: NoFigures;
  farFromTwenty: { c: number; most: number };
  falls: { of: string; from: number; to: number; s1: number; s2: number };
  ratio: { of: string; ratio: number; least: number };
  ratioLow: { of: string; ratio: number; least: number };
  fallen: { of: string; share: number; least: number };
  noTests: NoFigures;
}
export type TestFinding = Finding<TestCases>;

export const found = <K extends keyof TestCases>(
  verdict: Verdict,
  code: K,
  figures: TestCases[K],
): TestFinding => ({ verdict, case: { code, ...figures } as unknown as Said<TestCases> });

export type TestAnswer = 'holds' | 'fails' | 'ask';

/** `holds` only when every finding does: what was not looked at, or not said, is asked for. */
export const answerOfTest = (findings: readonly TestFinding[]): TestAnswer => {
  if (findings.some((f) => f.verdict === 'fails')) return 'fails';
  return findings.length === 0 || findings.some((f) => f.verdict === 'ask') ? 'ask' : 'holds';
};

/** Whether the cable is isolated, locked off and proved dead at both ends. */
export const deadFinding = (provedDead: boolean | undefined): TestFinding =>
  provedDead === true ? found('holds', 'dead', {}) : found('ask', 'askDead', {});
