import type { PlugInPlan } from '@/core/pin-map';
import type { StepDraft } from '@/core/record';
import { trimNumber } from '@/core/units';
import type { TerminationPlan } from '../termination-plan';

/** Contacts on their cores, by crimp or by screw, and the cores in the insert. */
export const contactSteps = (plugIn: PlugInPlan, plan: TerminationPlan): StepDraft[] => [
  ...(plugIn.joint === 'crimp' ? [crimp(plugIn)] : []),
  ...(plugIn.joint === 'setScrew' ? [screws(plan)] : []),
  insert(plugIn, plan),
  ...(plugIn.joint === 'crimp' ? [click(plan)] : []),
  ...(plugIn.joint === 'setScrew' ? [concentric] : []),
];

function crimp({ crimp: by }: PlugInPlan): StepDraft {
  return {
    id: 'crimp',
    station: 'makeOff',
    kind: 'confirm',
    title: 'Contacts crimped',
    detail:
      by === undefined
        ? 'With the die that the sheet names.'
        : `Die ${by.die}, ${by.form}, once and fully closed. Between crimp and insulation no more than ${trimNumber(by.bareMaxMm, 2)} mm of copper.`,
    reason: 'A crimp by the wrong die holds by hand and opens when it is warm.',
    checks: ['Every strand inside', 'A pull by hand moves none', 'Form as the sheet draws it'],
    ...(by === undefined
      ? {}
      : {
          accepts: [
            {
              key: 'bare',
              label: 'Bare copper at the crimp, the most of all',
              min: 0,
              max: by.bareMaxMm,
              over: 'too much: crimp a new contact on a core cut anew',
              needed: 'what is bare there touches its neighbour',
            },
          ],
        }),
    partId: 'insert',
    decisions: ['contacts'],
  };
}

const coresOf = (plan: TerminationPlan): string[] =>
  plan.plugIn?.pins?.map.map((m) => m.core) ?? Array.from({ length: plan.cores }, (_, i) => `core ${i + 1}`);

const screws = (plan: TerminationPlan): StepDraft => ({
  id: 'contactScrews',
  station: 'makeOff',
  kind: 'hold',
  title: 'Contacts screwed, with thread-lock',
  detail:
    'Core to the bottom of its contact, screw in with a drop of thread-lock, tight by the key of the sheet.',
  reason: 'On plant that moves a screw without it is loose within a year.',
  checks: coresOf(plan).map((core) => `${core}: screw locked, a pull by hand moves nothing`),
  partId: 'insert',
  decisions: ['contacts'],
});

/** Cores into the insert: each said by its position where these are numbered. */
function insert({ pins, contacts }: PlugInPlan, plan: TerminationPlan): StepDraft {
  const tails =
    plan.cut === null || plan.cut.coreTails.length === 0
      ? {}
      : { list: plan.cut.coreTails.map((t) => t.core) };
  const base = {
    id: 'insert',
    station: 'makeOff',
    title: 'Cores into the contact insert',
    reason: 'A swapped phase or a half-seated contact shows only under load.',
    partId: 'insert',
  } as const;
  return pins === undefined
    ? {
        ...base,
        kind: 'confirm',
        detail:
          'Every core by the pin map, drawn home and pulled once; then the insert into its body, key towards the mark.',
        checks: ['Pin map followed core by core', 'Gasket of the insert in place', 'Key towards the mark'],
        ...tails,
        decisions: ['strip'],
      }
    : {
        ...base,
        kind: 'hold',
        detail: `Say of each core on which of the ${contacts} positions it lies, as you see it on the side that you hold. The earth first.`,
        choices: pins.cores.map(({ name }) => ({
          key: name,
          label: name,
          options: pins.positions.map((p) => p.id),
        })),
        checks: ['Gasket of the insert in place', 'Key towards the mark'],
        ...tails,
        decisions: ['strip', 'pins'],
      };
}

const click = (plan: TerminationPlan): StepDraft => ({
  id: 'click',
  station: 'makeOff',
  kind: 'hold',
  title: 'Every contact clicked home',
  detail: 'Pushed until it is felt to click, then pulled; looked at from the mating face.',
  reason: 'A contact that is not home is pushed back by its mate, and burns.',
  checks: [...coresOf(plan).map((core) => `${core}: clicked, and held`), 'Contacts straight, all alike deep'],
  partId: 'insert',
  decisions: ['contacts'],
});

const concentric: StepDraft = {
  id: 'concentric',
  station: 'makeOff',
  kind: 'hold',
  title: 'Contacts concentric, turned to their slots',
  detail: 'Each in the middle of its bore, its slot as the sheet draws it.',
  reason: 'A contact that stands askew spreads its mate at the first coupling.',
  checks: ['Every contact in the middle of its bore', 'Every slot turned as drawn'],
  partId: 'insert',
  decisions: ['contacts'],
};

/** Before the halves are mated: what must still spin, the keys, and a cap that comes off only from what is proved dead. */
export const mateSteps = ({ liveCap }: PlugInPlan): StepDraft[] => [
  {
    id: 'spin',
    station: 'makeOff',
    kind: 'hold',
    title: 'Metal parts spin, keys in line',
    detail: 'Nuts and rings turned by hand once more before anything is mated.',
    reason: 'What is stuck now is forced later, and the keys with it.',
    checks: [
      'Coupling nut and rings still spin',
      'Keys of both halves in line',
      'Sealing washer of the mating face in place',
    ],
    decisions: ['contacts'],
  },
  ...(liveCap ? CAP : []),
];

const CAP: readonly StepDraft[] = [
  {
    id: 'capTight',
    station: 'prove',
    kind: 'hold',
    title: 'Cap on the plant’s half, and tight',
    detail: 'Only under a tight cap may that half be live while its cable half is away.',
    reason: 'Open contacts of a live half kill whoever touches them.',
    checks: ['Cap on, its gasket whole', 'Cap tight'],
    decisions: ['contacts'],
  },
  {
    id: 'capIsolate',
    station: 'prove',
    kind: 'hold',
    title: 'The plant’s half isolated',
    detail: 'At its own isolating point. Who does it, and when, stands in the record.',
    reason: 'Nobody knows whether it is live until it is isolated: so it counts as live.',
    caution: 'By whoever may by the law of the place.',
    checks: ['Isolating point of this half found by its tag', 'Switched off there'],
    decisions: ['contacts'],
  },
  {
    id: 'capLock',
    station: 'prove',
    kind: 'hold',
    title: 'Locked off',
    detail: 'Your own lock and tag; the key stays with you.',
    reason: 'What is only switched off is switched on by the next who comes.',
    checks: ['Lock on, tag with name and time', 'Key in the hand of whoever mates'],
    decisions: ['contacts'],
  },
  {
    id: 'capDead',
    station: 'prove',
    kind: 'hold',
    title: 'Proved dead',
    detail: 'Tester proved on a known source, then at every contact, then on the source again.',
    reason: 'A lock on the wrong switch looks like any other.',
    caution: 'The tester is an ignition source: by permit where the area is classified.',
    checks: ['Tester proved before', 'Dead between all contacts and to earth', 'Tester proved after'],
    decisions: ['contacts'],
  },
  {
    id: 'capOff',
    station: 'prove',
    kind: 'look',
    title: 'Cap off, and mate at once',
    detail: 'Only now, and by whoever proved it dead. Was it energised again meanwhile? Then all of it anew.',
    reason: 'Between the proof and the mating nothing may change.',
    checks: ['Lock still on', 'Nobody else works at this half'],
    ticked: true,
    branches: [
      { decision: 'capOff', button: 'Hold: cap off, still locked', backTo: null },
      { decision: 'energised', button: 'Energised again: anew', backTo: 'capIsolate' },
    ],
    decisions: ['contacts'],
  },
];
