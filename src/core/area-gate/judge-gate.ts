import { fail, ok, refuse, type Problem, type Result } from '@/core/kernel';
import { isGasZone, placeWords, type Enclosure } from '@/core/schedule';
import { trimNumber } from '@/core/units';

/** What may be in the air of an area, so that a spark of this very device would set it off. */
export interface Hazard {
  readonly gas: boolean;
  readonly dust: boolean;
}

type Place = Pick<Enclosure, 'zone' | 'hazardClass' | 'division'>;

/** What is asked about before a bench opens there: null where the place is known to be not classified. Where it is not known, both are. */
export function hazardOf(place: Place): Hazard | null {
  const { zone, hazardClass } = place;
  if (placeWords(place) === 'not classified') return null;
  const known = (zone ?? null) !== null || (hazardClass ?? null) !== null;
  if (!known) return { gas: true, dust: true };
  const byZone = zone ?? null;
  return {
    gas: (byZone !== null && isGasZone(byZone)) || hazardClass === 'I',
    dust: (byZone !== null && !isGasZone(byZone)) || (hazardClass ?? 'I') !== 'I',
  };
}

/** What somebody says before a bench opens in a classified area. Texts are as typed; times of day are of the device. */
export interface GateAnswers {
  /** `outside`: device, testers and tools stay outside of the zone. */
  readonly way: 'outside' | 'permit' | null;
  readonly permit: string;
  /** `14:00`. */
  readonly permitUntil: string;
  /** Share of the lower explosive limit, %. */
  readonly gasRead: string;
  /** What the permit allows, %. */
  readonly gasAllowed: string;
  readonly gasTestedAt: string;
  /** For how long the permit lets a test stand, min. */
  readonly gasStandsMin: string;
  readonly dustGone: boolean;
  readonly coversTablet: boolean;
  readonly coversTools: boolean;
}

export const NOTHING_SAID: GateAnswers = {
  way: null,
  permit: '',
  permitUntil: '',
  gasRead: '',
  gasAllowed: '',
  gasTestedAt: '',
  gasStandsMin: '',
  dustGone: false,
  coversTablet: false,
  coversTools: false,
};

const MINUTE = 60_000;
const HALF_DAY = 12 * 60;
/** Whoever stays outside is asked again in the next shift. Our own rule. */
const SHIFT_MS = 8 * 60 * MINUTE;

/** Minutes since midnight; null where the text is no time of day. */
function timeOfDay(text: string): number | null {
  const [, hours, minutes] = /^\s*([01]?\d|2[0-3])[:.]?([0-5]\d)\s*$/.exec(text) ?? [];
  return hours === undefined || minutes === undefined ? null : Number(hours) * 60 + Number(minutes);
}

/** How far a time of day lies ahead, min: of two that it may be the nearer one, so negative when it has passed. */
function minutesTo(text: string, nowMinutes: number): number | null {
  const at = timeOfDay(text);
  if (at === null) return null;
  const ahead = (at - nowMinutes + 24 * 60) % (24 * 60);
  return ahead > HALF_DAY ? ahead - 24 * 60 : ahead;
}

const share = (text: string): number | null => {
  const value = Number(text.trim().replace(',', '.'));
  return text.trim() === '' || !Number.isFinite(value) || value < 0 || value > 100 ? null : value;
};

/** How long the bench may stay open, min, by the gas test; what stands against it otherwise. */
function gasMinutes(answers: GateAnswers, nowMinutes: number): Result<number> {
  const [read, allowed] = [share(answers.gasRead), share(answers.gasAllowed)];
  const tested = minutesTo(answers.gasTestedAt, nowMinutes);
  const stands = Number(answers.gasStandsMin.trim() || Number.NaN);
  const problems: Problem[] = [];
  if (read === null) problems.push({ path: 'gasRead', message: 'say what the tester showed, 0 to 100 %' });
  if (allowed === null)
    problems.push({ path: 'gasAllowed', message: 'say what the permit allows, 0 to 100 %' });
  if (tested === null)
    problems.push({ path: 'gasTestedAt', message: 'say when it was tested, such as 13:40' });
  else if (tested > 0) problems.push({ path: 'gasTestedAt', message: 'lies ahead: test first' });
  if (!Number.isFinite(stands) || stands <= 0 || stands > HALF_DAY)
    problems.push({ path: 'gasStandsMin', message: 'say for how many minutes the permit lets a test stand' });
  if (problems.length > 0 || read === null || allowed === null || tested === null) return fail(problems);
  if (read > allowed)
    return refuse(
      'gasRead',
      `${trimNumber(read, 2)} % of the lower explosive limit, and the permit allows ${trimNumber(allowed, 2)} %: ${trimNumber(read - allowed, 2)} % too much. Leave, and call whoever issued the permit`,
    );
  const left = stands + tested;
  return left <= 0
    ? refuse('gasTestedAt', `the test has not stood for ${trimNumber(-left, 0)} min: test again`)
    : ok(left);
}

/**
 * May a bench open in this area, and until when? Everything that is asked has to be said; what has lapsed or exceeds the permit is refused with the number.
 * A permit's own limits lead: none is assumed. `nowMs` is now; `nowMinutes` the same as minutes since the device's midnight. Returns ms.
 */
export function judgeGate(
  answers: GateAnswers,
  hazard: Hazard,
  nowMs: number,
  nowMinutes: number,
): Result<{ readonly untilMs: number }> {
  if (answers.way === null) return refuse('way', 'say where this device stays');
  if (answers.way === 'outside') return ok({ untilMs: nowMs + SHIFT_MS });
  const problems: Problem[] = [];
  if (answers.permit.trim() === '') problems.push({ path: 'permit', message: 'say its number' });
  const permit = minutesTo(answers.permitUntil, nowMinutes);
  if (permit === null)
    problems.push({ path: 'permitUntil', message: 'say until when it holds, such as 16:00' });
  else if (permit <= 0)
    problems.push({
      path: 'permitUntil',
      message: `it ended ${trimNumber(-permit, 0)} min ago: ask for another`,
    });
  if (!answers.coversTablet)
    problems.push({
      path: 'coversTablet',
      message: 'this very tablet and its camera have to be on the permit',
    });
  if (!answers.coversTools)
    problems.push({ path: 'coversTools', message: 'testers, torches and tools have to be on the permit' });
  if (hazard.dust && !answers.dustGone)
    problems.push({ path: 'dustGone', message: 'dust has to be gone from where the work is' });
  const gas = hazard.gas ? gasMinutes(answers, nowMinutes) : ok(Number.POSITIVE_INFINITY);
  if (!gas.ok) problems.push(...gas.problems);
  if (problems.length > 0 || permit === null || !gas.ok) return fail(problems);
  return ok({ untilMs: nowMs + Math.min(permit, gas.value) * MINUTE });
}
