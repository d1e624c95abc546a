import { markText } from '@/core/cut-back';
import type { MineralEndPlan } from '@/core/mineral-insulated';
import type { Acceptance, StepDraft } from '@/core/record';
import { trimNumber, type LengthUnit } from '@/core/units';

/** More than any tester reads, MΩ. */
const MOST_MOHM = 100_000;

/** What an insulation may read: everything; what it leads to is judged by the clock. */
const insulationRead = (least: number): Acceptance => ({
  key: 'insulation',
  label: 'Insulation, each core against the others and the sheath: the lowest',
  unit: 'MΩ',
  min: 0,
  max: MOST_MOHM,
  needed: `${trimNumber(least, 0)} MΩ at least`,
});

const testChecks = (volts: number): string[] => [
  `Tested with ${trimNumber(volts, 0)} V, and discharged after it`,
  'The far end is sealed, or closed against damp while this is read',
];

const at = (mm: number, unit: LengthUnit): string => `${markText(mm, unit)} ${unit}`;

/** Straight and marked, before the sheath is turned off. */
export const mineralMarksStep = (mineral: MineralEndPlan, unit: LengthUnit): StepDraft => ({
  id: 'mineralMarks',
  station: 'cut',
  kind: 'hold',
  title: 'Straight, and every mark on the sheath',
  detail: 'All marks from the cable end. The stripper grips behind the strip mark by an offset of its own.',
  reason:
    'A bend behind the pot goes into the gland; a mark that is missed stands in the wrong place for good.',
  list: [
    `Sheath off: ${at(mineral.stripAtMm, unit)}`,
    ...mineral.tools.map((t) => `Grip of the ${t.id}: ${at(t.gripAtMm, unit)}`),
    `Lower edge of the pot: ${at(mineral.potAtMm, unit)}`,
    `Straight up to: ${at(mineral.straightToMm, unit)}`,
  ],
  checks: [
    'Cable end cut square',
    'Straight by the rule as far as it is listed',
    'Every mark is on the sheath',
  ],
  decisions: ['pot'],
});

/** End to end, before anything is closed: all conductors of such a cable look alike. Left out where nobody said what they are called. */
const rungOut = ({ colours }: MineralEndPlan): StepDraft[] =>
  colours === undefined
    ? []
    : [
        {
          id: 'rungOut',
          station: 'seal',
          kind: 'hold',
          title: 'Cores rung out from end to end',
          detail:
            'Where the other end is sleeved: say of each of its colours on which one it rings here. Where it is not, ring and mark both ends now.',
          reason: 'Bare conductors look alike; once both pots are crimped, a wrong sleeve stays wrong.',
          caution: 'The tester is an ignition source: by permit where the area is classified.',
          choices: colours.map((key) => ({ key, label: `${key} there`, options: colours })),
          checks: ['No conductor rings on a second one, nor on the sheath', 'Marked before it is let go'],
          decisions: ['pot'],
          newDecisions: ['pot'],
        },
      ];

/** From the bare conductors to the cap: nothing of it waits for another day. */
export function potSteps(mineral: MineralEndPlan): StepDraft[] {
  const { test, insideMm, needMl, packs } = mineral;
  const holds = trimNumber(test.holdsMs / 60_000, 0);
  return [
    ...rungOut(mineral),
    {
      id: 'clean',
      station: 'seal',
      kind: 'hold',
      title: 'Clean, and dry where it was damp',
      detail:
        'Wipe conductors and the face of the powder with a dry cloth. After a low reading: heat slowly towards the end, never away from it, and let it cool to the hand before it is read again.',
      reason: 'Breath is water, and powder that is dug out is room for it.',
      caution: 'A flame or a heat gun is an ignition source: by permit only.',
      checks: ['Nothing was blown on it', 'No powder dug out; the face is level', 'No burr stands inward'],
      timer: 'insulation',
      decisions: ['pot'],
    },
    {
      id: 'insulation',
      station: 'seal',
      kind: 'look',
      title: 'Insulation before the pot',
      detail: `With ${trimNumber(test.testV, 0)} V. A good reading counts for ${holds} min: the pot is filled within them, or it is read again.`,
      reason: 'Mineral insulation draws water as soon as it is open; what is sealed in stays in.',
      caution: 'Discharge after every test. A low reading is moisture, or the far end is open.',
      checks: testChecks(test.testV),
      ticked: true,
      accepts: [insulationRead(test.leastMohm)],
      branches: [
        { decision: 'dry', button: `Hold: ${trimNumber(test.leastMohm, 0)} MΩ or more`, backTo: null },
        { decision: 'dryOut', button: 'Lower: dry it out', backTo: 'clean' },
      ],
      timer: 'insulation',
      decisions: ['pot'],
    },
    {
      id: 'pot',
      station: 'seal',
      kind: 'confirm',
      title: 'Pot on to its mark',
      detail:
        'Square on the sheath, no powder or burr in it; turned on until its lower edge lies at the mark.',
      reason:
        'Too little of the sheath inside and compound does not hold it; too much and there is no room for compound.',
      accepts: [
        {
          key: 'inside',
          label: 'Sheath inside the pot',
          min: insideMm.min,
          max: insideMm.max,
          over: 'too much: back it off',
          under: 'too little: turn it on',
          needed: 'the pot seals by it',
        },
      ],
      timer: 'insulation',
      decisions: ['pot'],
    },
    {
      id: 'fillPot',
      station: 'seal',
      kind: 'hold',
      title: 'Fill the pot, cap on, crimp',
      detail:
        'Pot warm to the hand. Compound in from one side, so that air goes out at the other, until it stands slightly over the mouth. Sleeves are pulled on, never pushed; cap down, and crimp.',
      reason: 'A void beside a conductor is a way for water.',
      figure: {
        value: trimNumber(needMl, 1),
        unit: 'mL',
        second: `${packs.count} × ${packs.part}, ${trimNumber(packs.ml, 1)} mL`,
      },
      checks: [
        'Pot warm to the hand',
        'From one side, no bubble, slightly over the mouth',
        'Sleeves pulled on, none pushed',
        'Cap home and crimped all round',
      ],
      timer: 'insulation',
      decisions: ['pot'],
    },
  ];
}

/** After everything is tight: has the seal let water in? */
export const insulationAgainStep = ({ test }: MineralEndPlan): StepDraft => ({
  id: 'insulationAgain',
  station: 'prove',
  kind: 'hold',
  title: 'Insulation through the seal',
  detail: `With ${trimNumber(test.testV, 0)} V. No less than ${trimNumber(test.leastMohm, 0)} MΩ, and no more than ${trimNumber(100 * test.mayFallShare, 0)} % below the reading before the pot.`,
  reason: 'What has fallen since has got its water through the seal.',
  caution: 'Discharge after the test, and only then touch it.',
  checks: testChecks(test.testV),
  accepts: [insulationRead(test.leastMohm)],
  decisions: ['pot'],
});
