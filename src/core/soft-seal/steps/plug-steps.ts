import { trimNumber } from '@/core/units';
import type { PlugPlan } from '../plan-schema';
import type { PlugRequest } from '../plug';
import type { SealStep } from '../step';

/** The work on a plug: bore, first face, second face with its air let out, and a look at both. */
export function plugSteps({ sheet }: PlugRequest, { plug, annulus }: PlugPlan): SealStep[] {
  const by = ['plug'];
  const { id: name = 'the plug' } = sheet.plugs.find((p) => p.id === plug) ?? {};
  return [
    {
      id: 'bore',
      title: 'Deburr the bore',
      detail: 'Both edges are round to the finger, and the bore is clean and dry.',
      reason: 'A burr cuts the rubber as it goes in.',
      hold: true,
      figure: {
        value: `${trimNumber(annulus.min, 1)}–${trimNumber(annulus.max, 1)}`,
        unit: 'mm',
        second: 'gap round the cable, measured again at three places',
      },
      checks: ['Both edges round', 'Clean and dry', 'The cable is straight, and in the middle'],
      decisions: by,
    },
    {
      id: 'lubricate',
      title: 'Lubricate plug and bore',
      detail: 'Thin and all round, with what the sheet names. Nothing on the cable beyond the plug.',
      reason: 'A dry plug tilts, and stays tilted.',
      hold: false,
      checks: ['The sheet’s own lubricant'],
      decisions: by,
    },
    ...face('first', name, []),
    ...face('second', name, [
      {
        id: 'second.air',
        title: 'Second face: let the air out',
        detail: 'Between two plugs air is trapped: it is let out beside the cable before the plug is home.',
        reason: 'Trapped air drives one of the two plugs out again.',
        hold: true,
        checks: ['Air let out'],
        decisions: by,
      },
    ]),
    {
      id: 'look',
      title: 'Look at both faces',
      detail: 'From both sides, with a light.',
      reason: 'One plug is no seal.',
      hold: true,
      checks: ['Seams closed', 'No gap to the cable or the bore', 'The cable still in the middle'],
      decisions: by,
    },
  ];
}

const face = (which: 'first' | 'second', name: string, between: readonly SealStep[]): SealStep[] => {
  const title = which === 'first' ? 'First face' : 'Second face';
  return [
    {
      id: `${which}.halves`,
      title: `${title}: both halves by hand`,
      detail: `${name} round the cable, seams closed, started square into the bore.`,
      reason: 'What is driven in askew shears.',
      hold: false,
      decisions: ['plug'],
    },
    ...between,
    {
      id: `${which}.drive`,
      title: `${title}: drive it in`,
      detail: 'Square, with a block across both halves, until the shoulder is flush.',
      reason: 'One half ahead of the other leaves a path beside it.',
      hold: false,
      checks: ['Shoulder flush all round'],
      decisions: ['plug'],
    },
  ];
};
