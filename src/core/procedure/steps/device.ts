import {
  PLATE_FIGURES,
  PLATE_UNITS,
  PLATE_WORDS,
  plateMarks,
  turnSpan,
  type DeviceEndPlan,
  type DevicePlace,
} from '@/core/device';
import type { Acceptance, StepDraft } from '@/core/record';
import { trimNumber } from '@/core/units';
import type { TerminationPlan } from '../termination-plan';
import { torqueAccepts } from './torque';

const WRONG = 'this is not the device that was ordered: stop';

/** What no list can hold of a certificate. */
const certified = ({ concept }: DevicePlace): string[] =>
  concept === 'none' ? [] : ['The certificate is in the papers of the job, and names this place'];

/** The plate of the device against its order and its place, figure by figure and mark by mark: a mismatch stops. */
const nameplate = (device: DeviceEndPlan): StepDraft => ({
  id: 'nameplate',
  station: 'choose',
  kind: 'hold',
  title: 'Nameplate against the order',
  detail: `Ordered: ${PLATE_FIGURES.map((f) => `${PLATE_WORDS[f].toLowerCase()} ${trimNumber(device.ordered[f], 1)} ${PLATE_UNITS[f]}`).join(', ')}. Read every figure and every mark off the plate of this very device.`,
  reason: 'A device for another supply or another place burns, or lets an explosion out.',
  caution: 'What differs is not made to fit: the device goes back.',
  accepts: PLATE_FIGURES.map((figure): Acceptance => ({
    key: figure,
    label: `${PLATE_WORDS[figure]} on the plate`,
    unit: PLATE_UNITS[figure],
    min: device.plate[figure].min,
    max: device.plate[figure].max,
    over: `more: ${WRONG}`,
    under: `less: ${WRONG}`,
    needed: 'as ordered',
  })),
  choices: plateMarks(device.place),
  checks: [...certified(device.place), 'Plate readable, and of this very device'],
  decisions: ['device'],
});

const WAY = {
  either: 'either way',
  clockwise: 'clockwise only',
  counterClockwise: 'counter-clockwise only',
} as const;

const loosen: StepDraft = {
  id: 'loosen',
  station: 'makeOff',
  kind: 'confirm',
  title: 'Housing loose to be turned',
  detail: 'What holds it is loosened, not taken off; where it stays as it is, it is left alone.',
  reason: 'What is turned against its stop shears it.',
  decisions: ['device'],
};

/** Turned to where it is wanted, in as many turns as it takes: their sum stays within the limit. */
function turning({ turn }: DeviceEndPlan): StepDraft {
  const { min, max } = turnSpan(turn);
  return {
    id: 'turning',
    station: 'makeOff',
    kind: 'look',
    title: 'Housing turned to where it is wanted',
    detail: `Turn ${WAY[turn.way]}, ${trimNumber(turn.limitDeg, 0)}° at most from where it stood when it came, all turns together. Clockwise counts up, seen from outside; nought where it stays.`,
    reason: 'Turned farther it breaks the conductors inside, or runs out of its threads.',
    caution: 'Never forced. A joint that does not turn by hand is not turned.',
    accepts: [
      {
        key: 'turned',
        label: 'Turned now',
        unit: '°',
        min: -turn.limitDeg,
        max: turn.limitDeg,
        over: 'too far: turn it back',
        under: 'too far: turn it back',
        needed: `${trimNumber(min, 0)}° to ${trimNumber(max, 0)}° in all`,
      },
    ],
    branches: [
      { decision: 'stands', button: 'Hold: it stands as wanted', backTo: null },
      { decision: 'turnOn', button: 'Turned: not there yet', backTo: 'loosen' },
    ],
    decisions: ['device'],
  };
}

const coverOff: StepDraft = {
  id: 'coverOff',
  station: 'makeOff',
  kind: 'hold',
  title: 'Cover off, a little at each bolt',
  detail:
    'All bolts loosened a little criss-cross, then again, until it comes by itself. It is set down on its outside.',
  reason: 'A cover that is levered off scratches the joint that holds an explosion in.',
  checks: [
    'What holds the housing is tight again, and nothing inside is drawn or twisted',
    'Nothing was forced or levered',
    'Joint faces whole, clean, without a scratch',
    'Gasket or seal whole',
  ],
  decisions: ['device'],
};

const packing = (plan: TerminationPlan): StepDraft => ({
  id: 'packing',
  station: 'makeOff',
  kind: 'hold',
  title: 'Packing ring and washers in their order',
  detail: `Clamp bolts loosened before the cable goes in. ${plan.size}: its membrane pierced for this cable and no wider; washer, ring, washer, clamp plate.`,
  reason: 'A ring that is cut too wide, or a washer left out, holds neither cable nor water.',
  checks: [
    'Clamp bolts loose',
    'Membrane pierced, none of it left in the bore',
    'Washers on both sides of the ring, smooth towards it',
    'The ring is the one whose range this cable was measured into',
  ],
  decisions: ['size', 'slideOn'],
});

/** From the shut cover to a cable in its clamp. */
export const beforeClamp = (device: DeviceEndPlan, plan: TerminationPlan): StepDraft[] => [
  nameplate(device),
  loosen,
  turning(device),
  coverOff,
  packing(plan),
];

const ORDINALS = ['First', 'Second', 'Third', 'Last'] as const;

/** Cores, gasket, and the cover closed criss-cross in its passes. */
export function afterClamp(device: DeviceEndPlan): StepDraft[] {
  const last = device.passes.length - 1;
  return [
    {
      id: 'terminals',
      station: 'makeOff',
      kind: 'hold',
      title: 'Cores on their terminals',
      detail: 'Crimped terminals, each core by its mark; earth first, inside and outside.',
      reason: 'A strand outside its terminal is a fault that waits.',
      checks: [
        'No strand outside',
        'A pull by hand moves none',
        'Earth on, inside and outside',
        'Nothing lies under the cover',
      ],
      decisions: ['device'],
    },
    {
      id: 'gasket',
      station: 'tighten',
      kind: 'hold',
      title: 'Gasket seated, cover on by hand',
      detail: 'Joint faces clean; gasket in its groove all round; every bolt in by hand first.',
      reason: 'A gasket that is pinched lets water in at one place for years.',
      checks: [
        'Gasket in its groove all round',
        'Every bolt runs by hand',
        'All bolts as they came: none exchanged',
      ],
      decisions: ['device'],
    },
    ...device.passes.map((pass, i): StepDraft => ({
      id: `cover.${i + 1}`,
      station: 'tighten',
      kind: 'confirm',
      title: `${i === last ? 'Last' : (ORDINALS[i] ?? `Pass ${i + 1}`)} pass of the cover`,
      detail: `Bolts in this order: ${pass.order.join(', ')}.${i === last ? ' Once round: what has settled is caught up.' : ''}`,
      reason:
        i === last
          ? 'The first bolts have lost some by the last of the others.'
          : 'Drawn down at one side it stands open at the other.',
      figure: {
        value: trimNumber(pass.torqueNm, 1),
        unit: 'N·m',
        second: pass.share < 1 ? `${trimNumber(100 * pass.share, 0)} % of the whole` : 'the whole',
      },
      ...(i === last
        ? {
            accepts: torqueAccepts(
              { torqueNm: pass.torqueNm, toleranceNm: device.coverToleranceNm },
              'the least of all bolts',
              'slacken, look at thread and gasket, and tighten anew',
            ),
          }
        : {}),
      decisions: ['device'],
    })),
  ];
}
