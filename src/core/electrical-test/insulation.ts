import { array, boolean, number, object, string, type InferType } from 'yup';
import { answerOfTest, deadFinding, found, type TestAnswer, type TestFinding } from './finding';
import { intervalSchema, rises } from '@/core/kernel';

/**
 * The least voltage of the test and the least resistance by the voltage of the circuit. Source: IEC 60364-6, table of minimum values of insulation
 * resistance; `upToV` 50 is what runs on extra-low voltage.
 */
export const TEST_VOLTAGES = [
  { upToV: 50, volts: 250, leastMohm: 0.5 },
  { upToV: 500, volts: 500, leastMohm: 1 },
  { upToV: 1000, volts: 1000, leastMohm: 1 },
] as const;
const MOST_V = 1000;

/** How an insulation behaves under test; `halvesPerK`: a kelvin step at which its resistance halves, the usual default where no sheet says another. */
export const INSULATIONS = {
  pvc: { halvesPerK: 10, ratios: false },
  xlpe: { halvesPerK: 10, ratios: false },
  epr: { halvesPerK: 10, ratios: false },
  silicone: { halvesPerK: 10, ratios: false },
  paper: { halvesPerK: 10, ratios: true },
  mineral: { halvesPerK: 10, ratios: false },
} as const;
export type Insulation = keyof typeof INSULATIONS;
export const INSULATION_KINDS = Object.keys(INSULATIONS) as Insulation[];

/** Beyond so many kelvin from 20 °C the rule of halving is no rule any more. */
const MOST_KELVIN = 30;
/** The reading that counts is taken when the cable has charged, no sooner than this, s. */
export const DECIDES_S = 60;
/** When the curve is read, s. */
export const READ_AT = [15, 30, 60, 600] as const;

const MOHM = () => number().positive().max(1e9);
const what = () => string().trim().min(1).max(80).required();

export const insulationRequestSchema = object({
  /** Nominal voltage of the circuit, V; up to 50 for extra-low voltage. */
  circuitV: number().positive().max(100_000).required(),
  provedDead: boolean().optional(),
  /** Electronics, barriers, drives and surge arresters are off the cable. */
  electronicsOff: boolean().optional(),
  /** Somebody, or a barrier with a notice, keeps the far end. */
  farGuarded: boolean().optional(),
  insulation: string().oneOf(INSULATION_KINDS).required(),
  lengthM: intervalSchema(100_000).optional().default(undefined),
  /** Of the insulation while it is tested. */
  tempC: number().min(-60).max(120).optional(),
  /** Where a sheet says another step than the default, K. */
  halvesPerK: number().min(1).max(100).optional(),
  /** Least at 20 °C by the cable's own sheet, MΩ·km. */
  leastMohmKm: number().positive().max(1e9).optional(),
  /** Is there such a figure? Where nobody knows it is asked for. */
  noTypeLimit: boolean().optional(),
  tester: object({
    volts: number().positive().max(100_000).optional(),
    uncertaintyShare: number().min(0).max(1).required(),
  })
    .noUnknown()
    .required(),
  tests: array()
    .of(
      object({
        /** `1 against all others and armour`. */
        of: what(),
        readings: array()
          .of(
            object({
              s: number().positive().max(7200).required(),
              mohm: MOHM().required(),
              /** Over the range of the tester: at least so much. */
              over: boolean().optional(),
            })
              .noUnknown()
              .required(),
          )
          .max(60)
          .test('rise', 'are not in the order of their times', (rows) => rises(rows, 's'))
          .required(),
        /** At 20 °C, from a test before, MΩ·km. */
        earlierMohmKm: MOHM().optional(),
      })
        .noUnknown()
        .required(),
    )
    .max(200)
    .required(),
  /** Less than this share of what was there before is asked about. */
  trendShare: number().min(0).max(1).required(),
  /** Least R600/R60 where it says something; left out where nobody asks for one. */
  leastRatio: number().min(1).max(100).optional(),
  /** The cable is discharged for so many times as long as it was charged, and no less than so long. */
  discharge: object({
    times: number().min(1).max(20).required(),
    leastS: number().min(0).max(7200).required(),
  })
    .noUnknown()
    .required(),
})
  .noUnknown()
  .required();
export type InsulationRequest = InferType<typeof insulationRequestSchema>;

export interface InsulationTested {
  readonly of: string;
  /** At the time that counts, as read and brought to 20 °C; null where it was not read, or the temperature is not known. */
  readonly mohm: number | null;
  readonly r20Mohm: number | null;
  readonly mohmKm: number | null;
  readonly r60over30: number | null;
  readonly r600over60: number | null;
}

export interface InsulationPlan {
  readonly answer: TestAnswer;
  readonly findings: readonly TestFinding[];
  readonly testV: number | null;
  readonly leastMohm: number | null;
  readonly tested: readonly InsulationTested[];
  /** Whether R60/R30 and R600/R60 say anything of this insulation: of a short modern polymer cable they mostly do not. */
  readonly ratiosMean: boolean;
  /** For how long it is discharged after each test, s. */
  readonly dischargeS: number;
}

type Test = InsulationRequest['tests'][number];
type Reading = Test['readings'][number];

/** MΩ at 20 °C of what was read at another temperature: `R · 2^((T − 20) / step)`. A default, where the material's own curve is not known. */
export const atTwenty = (mohm: number, tempC: number, halvesPerK: number): number =>
  mohm * 2 ** ((tempC - 20) / halvesPerK);

/** Back again. */
export const fromTwenty = (mohm: number, tempC: number, halvesPerK: number): number =>
  mohm / 2 ** ((tempC - 20) / halvesPerK);

/** Does the insulation hold? Each test at the time that counts, against the standard as read, and against the cable's own sheet at 20 °C. */
export function planInsulation(request: InsulationRequest): InsulationPlan {
  const { circuitV, tests, insulation, discharge } = request;
  const row = TEST_VOLTAGES.find((v) => circuitV <= v.upToV) ?? null;
  const findings: TestFinding[] = [
    deadFinding(request.provedDead),
    ...conditions(request),
    ...voltage(request, row?.volts ?? null),
    ...askedFor(request),
  ];
  if (tests.length === 0) findings.push(found('ask', 'noTests', {}));
  const tested = tests.map((test) => figures(request, test));
  tests.forEach((test, k) => findings.push(...judged(request, test, tested[k], row?.leastMohm ?? null)));
  const longest = Math.max(0, ...tests.flatMap((t) => t.readings.map((r) => r.s)));
  return {
    answer: answerOfTest(findings),
    findings,
    testV: row?.volts ?? null,
    leastMohm: row?.leastMohm ?? null,
    tested,
    ratiosMean: INSULATIONS[insulation].ratios,
    dischargeS: Math.max(discharge.leastS, discharge.times * longest),
  };
}

/** What must be so before anything is charged. */
const conditions = ({ electronicsOff, farGuarded }: InsulationRequest): TestFinding[] => [
  electronicsOff === undefined
    ? found('ask', 'askApart', {})
    : electronicsOff
      ? found('holds', 'apart', {})
      : found('fails', 'notApart', {}),
  farGuarded === undefined
    ? found('ask', 'askGuarded', {})
    : farGuarded
      ? found('holds', 'guarded', {})
      : found('fails', 'notGuarded', {}),
];

function voltage({ circuitV, tester }: InsulationRequest, wanted: number | null): TestFinding[] {
  if (wanted === null) return [found('fails', 'beyond', { volts: circuitV, most: MOST_V })];
  if (tester.volts === undefined) return [found('ask', 'askVoltage', { wanted })];
  return [found(tester.volts === wanted ? 'holds' : 'fails', 'voltage', { volts: tester.volts, wanted })];
}

/** Without these nothing can be said against the cable's own sheet, nor against a test before. */
function askedFor({
  leastMohmKm,
  noTypeLimit,
  tempC,
  lengthM,
  tests,
  halvesPerK,
}: InsulationRequest): TestFinding[] {
  const limit: TestFinding[] =
    leastMohmKm === undefined && noTypeLimit !== true ? [found('ask', 'askTypeLimit', {})] : [];
  if (leastMohmKm === undefined && tests.every((t) => t.earlierMohmKm === undefined)) return limit;
  const beyond = tempC !== undefined && halvesPerK === undefined && Math.abs(tempC - 20) > MOST_KELVIN;
  return [
    ...limit,
    ...(tempC === undefined ? [found('ask', 'askTemperature', {})] : []),
    ...(beyond ? [found('ask', 'farFromTwenty', { c: tempC, most: MOST_KELVIN })] : []),
    ...(lengthM === undefined ? [found('ask', 'askLength', {})] : []),
  ];
}

/** The reading that counts: the first when the cable has charged. */
const counts = ({ readings }: Test): Reading | undefined => readings.find((r) => r.s >= DECIDES_S);
const readAt = ({ readings }: Test, s: number): number | null =>
  readings.find((r) => r.s === s && r.over !== true)?.mohm ?? null;
const over = (a: number | null, b: number | null): number | null => (a === null || b === null ? null : a / b);

function figures(
  { insulation, tempC, lengthM, halvesPerK }: InsulationRequest,
  test: Test,
): InsulationTested {
  const mohm = counts(test)?.mohm ?? null;
  const step = halvesPerK ?? INSULATIONS[insulation].halvesPerK;
  const r20Mohm = mohm === null || tempC === undefined ? null : atTwenty(mohm, tempC, step);
  return {
    of: test.of,
    mohm,
    r20Mohm,
    mohmKm: r20Mohm === null || lengthM === undefined ? null : (r20Mohm * lengthM.min) / 1000,
    r60over30: over(readAt(test, 60), readAt(test, 30)),
    r600over60: over(readAt(test, 600), readAt(test, 60)),
  };
}

function judged(
  request: InsulationRequest,
  test: Test,
  tested: InsulationTested | undefined,
  leastMohm: number | null,
): TestFinding[] {
  const { of } = test;
  const reading = counts(test);
  if (reading === undefined || tested === undefined)
    return [found('ask', 'askTime', { of, seconds: DECIDES_S })];
  const share = request.tester.uncertaintyShare;
  const least = reading.mohm * (1 - share);
  const most = reading.over === true ? Infinity : reading.mohm * (1 + share);
  const findings: TestFinding[] = [];
  if (leastMohm !== null)
    findings.push(
      least >= leastMohm
        ? found('holds', 'insulates', { of, mohm: reading.mohm, least: leastMohm })
        : most < leastMohm
          ? found('fails', 'leaks', { of, mohm: reading.mohm, least: leastMohm })
          : found('ask', 'nearLimit', { of, from: least, to: most, least: leastMohm }),
    );
  findings.push(...byOwnSheet(request, tested, least / reading.mohm, most / reading.mohm));
  if (findings.some((f) => f.verdict === 'fails') && request.insulation === 'mineral')
    findings.push(found('ask', 'damp', { of }));
  findings.push(...curve(request, test), ...trend(request, test, tested));
  return findings;
}

/** Against the least that the cable's own sheet gives per kilometre: of the shortest it may be, the reading at its lowest. */
function byOwnSheet(
  { leastMohmKm: least, lengthM }: InsulationRequest,
  { of, mohmKm, r20Mohm }: InsulationTested,
  low: number,
  high: number,
): TestFinding[] {
  if (least === undefined || mohmKm === null || r20Mohm === null || lengthM === undefined) return [];
  const from = mohmKm * low;
  const to = ((r20Mohm * lengthM.max) / 1000) * high;
  if (from >= least) return [found('holds', 'perKm', { of, mohmKm: from, least })];
  if (to < least) return [found('fails', 'perKmLow', { of, mohmKm: to, least })];
  return [found('ask', 'perKmNear', { of, from, to, least })];
}

/** An insulation that charges rises; one that falls while it is tested lets something grow. */
function curve({ tester, insulation, leastRatio }: InsulationRequest, test: Test): TestFinding[] {
  const { of, readings } = test;
  const findings: TestFinding[] = [];
  const fall = readings.find((r, k) => {
    const before = readings[k - 1];
    return (
      before !== undefined &&
      r.over !== true &&
      r.mohm * (1 + tester.uncertaintyShare) < before.mohm * (1 - tester.uncertaintyShare)
    );
  });
  if (fall !== undefined) {
    const before = readings[readings.indexOf(fall) - 1] ?? fall;
    findings.push(found('ask', 'falls', { of, from: before.mohm, to: fall.mohm, s1: before.s, s2: fall.s }));
  }
  const ratio = over(readAt(test, 600), readAt(test, 60));
  if (leastRatio !== undefined && INSULATIONS[insulation].ratios)
    findings.push(
      ratio === null
        ? found('ask', 'askTime', { of, seconds: 600 })
        : found(ratio >= leastRatio ? 'holds' : 'fails', ratio >= leastRatio ? 'ratio' : 'ratioLow', {
            of,
            ratio,
            least: leastRatio,
          }),
    );
  return findings;
}

function trend(
  { trendShare }: InsulationRequest,
  { of, earlierMohmKm }: Test,
  { mohmKm }: InsulationTested,
): TestFinding[] {
  if (earlierMohmKm === undefined || mohmKm === null) return [];
  const share = mohmKm / earlierMohmKm;
  return share < trendShare ? [found('ask', 'fallen', { of, share, least: trendShare })] : [];
}
