import { worded, type Wording } from '@/core/kernel';
import { trimNumber } from '@/core/units';
import type { TestCases, TestFinding } from './finding';

const ohm = (v: number) => (v < 1 ? `${trimNumber(v * 1000, 0)} mΩ` : `${trimNumber(v, 2)} Ω`);
const mohm = (v: number) =>
  v === Infinity
    ? 'any'
    : v >= 1000
      ? `${trimNumber(v / 1000, 2)} GΩ`
      : `${trimNumber(v, v < 10 ? 2 : 0)} MΩ`;
const km = (v: number) => `${trimNumber(v, v < 10 ? 2 : 0)} MΩ·km`;
const percent = (share: number) => `${trimNumber(100 * share, 0)} %`;
const list = (names: readonly string[]) => names.join(', ');

const WORDS: Wording<TestCases> = {
  dead: () => 'isolated, locked off and proved dead at both ends',
  askDead: () => 'isolate, lock off and prove dead at both ends first, and say so',
  through: ({ cores }) => `all ${cores} cores come out as themselves and nowhere else`,
  opens: ({ core, end }) =>
    end === 'near'
      ? `core ${core} reaches nothing at the far end`
      : `nothing reaches core ${core} of the far end`,
  crossed: ({ pairs }) => `crossed: ${pairs.map(([near, far]) => `${near} comes out as ${far}`).join(', ')}`,
  joined: ({ near, far }) => `joined: ${list(near)} of this end with ${list(far)} of the far end`,
  unmeasured: ({ pairs, near, far }) =>
    `${pairs} ${pairs === 1 ? 'pair is' : 'pairs are'} not measured, first ${near} against ${far}`,
  unclear: ({ near, far, ohm: v, through, open }) =>
    `${near} against ${far} reads ${ohm(v)}: more than ${ohm(through)} of a connection, less than ${ohm(open)} of none`,
  within: ({ of, ohm: v, most }) => `${of}: ${ohm(v)}, ${ohm(most)} at most`,
  above: ({ of, ohm: v, most }) => `${of}: ${ohm(v)}, ${ohm(v - most)} more than it may have`,
  marginal: ({ of, from, to, most }) =>
    `${of}: between ${ohm(from)} and ${ohm(to)}, and ${ohm(most)} is the limit: measure again with a finer instrument`,
  parallel: ({ of, ohm: v, least }) =>
    `${of}: ${ohm(v)} is less than it can have, ${ohm(least)}: something else carries beside it; take it off and measure again`,
  current: ({ mA, least }) =>
    mA >= least
      ? `measured with ${trimNumber(mA, 0)} mA`
      : `measured with ${trimNumber(mA, 0)} mA: ${trimNumber(least - mA, 0)} less than needed`,
  askCurrent: ({ least }) => `say with which current it was measured: ${trimNumber(least, 0)} mA at least`,
  nulled: () => 'the leads are taken off the reading',
  notNulled: () => 'the leads are in the reading: null them and measure again',
  askNulled: () => 'say whether the leads were nulled',
  askReading: ({ of }) => `${of} is not measured`,
  voltage: ({ volts, wanted }) =>
    volts === wanted
      ? `tested with ${trimNumber(volts, 0)} V`
      : `tested with ${trimNumber(volts, 0)} V, and this circuit asks for ${trimNumber(wanted, 0)} V`,
  askVoltage: ({ wanted }) =>
    `say with which voltage it was tested: ${trimNumber(wanted, 0)} V for this circuit`,
  beyond: ({ volts, most }) =>
    `a circuit of ${trimNumber(volts, 0)} V is no low voltage: these values end at ${trimNumber(most, 0)} V`,
  apart: () => 'electronics, barriers, drives and arresters are off the cable',
  askApart: () => 'say whether electronics, barriers, drives and arresters are off the cable',
  notApart: () => 'electronics hang on the cable: the test would destroy them, and reads them instead',
  guarded: () => 'the far end is guarded',
  askGuarded: () => 'say whether the far end is guarded',
  notGuarded: () => 'nobody guards the far end: it is charged as well',
  askTime: ({ of, seconds }) => `${of}: read it at ${trimNumber(seconds, 0)} s`,
  insulates: ({ of, mohm: v, least }) => `${of}: ${mohm(v)}, ${mohm(least)} at least`,
  leaks: ({ of, mohm: v, least }) => `${of}: ${mohm(v)}, ${mohm(least - v)} less than needed`,
  nearLimit: ({ of, from, to, least }) =>
    `${of}: between ${mohm(from)} and ${mohm(to)}, and ${mohm(least)} is the limit: measure again`,
  damp: ({ of }) =>
    `${of}: a low reading of mineral insulation is moisture, or the far end is not sealed: dry it out or cut back, seal, and test again`,
  perKm: ({ of, mohmKm, least }) => `${of}: ${km(mohmKm)} at 20 °C, its sheet asks for ${km(least)}`,
  perKmLow: ({ of, mohmKm, least }) =>
    `${of}: ${km(mohmKm)} at 20 °C, ${km(least - mohmKm)} less than its sheet asks for`,
  perKmNear: ({ of, from, to, least }) =>
    `${of}: between ${km(from)} and ${km(to)} at 20 °C, and its sheet asks for ${km(least)}: measure again`,
  askTypeLimit: () => 'say what the cable’s own sheet asks for per kilometre, or that it asks for nothing',
  askTemperature: () => 'say how warm the cable is: its sheet and the test before speak of 20 °C',
  askLength: () => 'say how long the cable is: its sheet and the test before speak of a kilometre',
  farFromTwenty: ({ c, most }) =>
    `${trimNumber(c, 1)} °C is more than ${trimNumber(most, 0)} K from 20 °C: take the step of the material’s own sheet, or test when it is nearer`,
  falls: ({ of, from, to, s1, s2 }) =>
    `${of}: falls from ${mohm(from)} at ${trimNumber(s1, 0)} s to ${mohm(to)} at ${trimNumber(s2, 0)} s: moisture, or a fault that grows`,
  ratio: ({ of, ratio: r, least }) =>
    `${of}: R600/R60 is ${trimNumber(r, 2)}, ${trimNumber(least, 2)} at least`,
  ratioLow: ({ of, ratio: r, least }) =>
    `${of}: R600/R60 is ${trimNumber(r, 2)}, ${trimNumber(least - r, 2)} less than needed`,
  fallen: ({ of, share, least }) =>
    `${of}: ${percent(share)} of what it was at the test before, less than ${percent(least)}: find out why`,
  noTests: () => 'nothing was tested yet',
};

/** What was looked at, as a sentence with its number. */
export const testWords = ({ case: said }: TestFinding): string => worded(WORDS, said);

/** The one sentence that a test comes to: what fails first, else what is asked for first, else that it holds. */
export function testVerdict(findings: readonly TestFinding[]): string {
  const against =
    findings.find((f) => f.verdict === 'fails') ?? findings.find((f) => f.verdict === 'ask') ?? null;
  if (against !== null) return testWords(against);
  return findings.length === 0 ? 'nothing was tested yet' : 'holds';
}

/** The usual cautions of electrical tests. */
export const TEST_CAUTIONS: readonly string[] = [
  'Isolate, lock off and prove dead at both ends. Work for licensed persons where the law says so.',
  'A tester is itself an ignition source in a classified area: permit and gas test first.',
  'An insulation tester charges the cable: discharge it for the time that is shown, and only then touch it.',
];
