import { tapeWords, type CouplerEndPlan } from '@/core/coupler';
import { markText, type Mark } from '@/core/cut-back';
import type { Acceptance, StepDraft } from '@/core/record';
import { trimNumber, type LengthUnit } from '@/core/units';
import { torqueAccepts } from './torque';

/** A rule may be read so far beyond the bottom of a stem, mm. */
const RULE_MM = 1;

const at = (mm: number, unit: LengthUnit): string => `${markText(mm, unit)} ${unit}`;
const contactsOf = ({ contacts }: CouplerEndPlan, use: 'phase' | 'earth' | 'pilot'): string[] =>
  contacts.filter((c) => c.use === use).map((c) => c.id);

/** Keys of what is read of each phase. */
export const gapKey = (phase: string): string => `gap.${phase}`;
export const stemKey = (phase: string): string => `stem.${phase}`;

/** Damp, and the strap: what comes before a cut of the ladder, by the mark of that cut. */
export function beforeLadderCut(
  coupler: CouplerEndPlan,
  mark: Mark,
  marks: readonly Mark[],
  unit: LengthUnit,
): StepDraft[] {
  const [, second] = marks;
  return [
    ...(mark.id === second?.id ? [dryStep] : []),
    ...(mark.id === 'screen' ? [strapStep(coupler, unit)] : []),
  ];
}

const dryStep: StepDraft = {
  id: 'dry',
  station: 'cut',
  kind: 'hold',
  title: 'Dry under the jacket',
  detail:
    'Look at fillers, screens and earth cores, and bend them open. Damp is not dried out: the end is cut back until it is dry, which is taken from what this end has to spare, and every mark comes anew from the new end.',
  reason: 'Water under a screen runs along the cable and breaks the phase down at its stress tube.',
  caution: 'Damp? Not this step: “Damaged…” cuts the end back and begins again.',
  checks: ['Fillers and tapes dry', 'No white or green on screens and earth cores'],
  decisions: ['coupler'],
};

const strapStep = ({ tubes: { strap }, phases }: CouplerEndPlan, unit: LengthUnit): StepDraft => ({
  id: 'strap',
  station: 'cut',
  kind: 'hold',
  title: 'Bond strap on each screen, before it is cut',
  detail: `From ${at(strap.min, unit)} to ${at(strap.max, unit)} of the cable end, bright on bright, wound tight and tied.`,
  reason: 'A screen that is cut first springs open, and no strap holds it afterwards.',
  figure: { value: markText(strap.min, unit), unit, second: `to ${at(strap.max, unit)}` },
  checks: phases.map((phase) => `Strap tight on ${phase}, its tail towards the jacket`),
  decisions: ['coupler'],
});

/** From the bare ladder to contacts that are bonded and closed once more by their screws. */
export const ladderSteps = (coupler: CouplerEndPlan, unit: LengthUnit): StepDraft[] => [
  ease,
  smooth,
  ...(coupler.edgeWrap ? [edgeWrap] : []),
  stressTube(coupler, unit),
  stem(coupler),
  gap(coupler, unit),
  coupler.joint === 'setScrews' ? screws(coupler) : solder,
  insulatingTube(coupler, unit),
  tied(coupler),
  gaskets(coupler),
  phaseMap(coupler),
  bonds(coupler),
  ...(coupler.joint === 'setScrews' ? [screwsAgain(coupler)] : []),
];

const ease: StepDraft = {
  id: 'ease',
  station: 'makeOff',
  kind: 'hold',
  title: 'Dents eased, sanded, wiped',
  detail:
    'Dents are eased with gentle heat before anything is sanded. Sand round the core, not along it. Wipe with a fresh cloth from the conductor towards the screen, and never back.',
  reason: 'What is wiped back carries semiconducting dust on to the insulation: a track for the current.',
  caution: 'Solvent off and dry before any heat: its vapour burns. Gloves; a heat gun by permit only.',
  checks: [
    'Wiped from the conductor towards the screen, never back',
    'A fresh side of the cloth for each core',
    'Solvent gone: dry before any heat',
  ],
  decisions: ['coupler'],
};

const smooth: StepDraft = {
  id: 'smooth',
  station: 'makeOff',
  kind: 'look',
  title: 'Smooth under the finger, all round',
  detail:
    'Every phase, with a clean bare finger in a clean bag. Whatever is felt goes back to easing and sanding.',
  reason:
    'A step or a scratch that a finger feels is air under the tube, and air there glows until it breaks through.',
  checks: ['No step at the semiconducting edge', 'No dent, no scratch, no dust'],
  branches: [
    { decision: 'smooth', button: 'Hold: smooth all round', backTo: null },
    { decision: 'rubAgain', button: 'Not yet: once more', backTo: 'ease' },
  ],
  decisions: ['coupler'],
};

const edgeWrap: StepDraft = {
  id: 'edgeWrap',
  station: 'makeOff',
  kind: 'confirm',
  title: 'Semiconducting wrap over the screen’s edge',
  detail: 'Half over half, from the screen on to the semiconducting layer, and nowhere on the insulation.',
  reason: 'It takes the edge of the screen from the tube that lies over it.',
  checks: ['No wrap on the insulation'],
  decisions: ['coupler'],
};

const from = ({ shrinkFrom }: CouplerEndPlan): string =>
  shrinkFrom === 'stem' ? 'from the stem towards the jacket' : 'from the jacket towards the stem';

const trimmed = (cutToMm: number, trimMm: number, unit: LengthUnit): string =>
  trimMm > 1e-9
    ? `Cut to ${at(cutToMm, unit)}: ${at(trimMm, unit)} off.`
    : `As it comes: ${at(cutToMm, unit)}.`;

function stressTube(coupler: CouplerEndPlan, unit: LengthUnit): StepDraft {
  const { stress } = coupler.tubes;
  return {
    id: 'stressTube',
    station: 'makeOff',
    kind: 'hold',
    title: 'Stress tube over strap, edge and insulation',
    detail: `${trimmed(stress.cutToMm, stress.trimMm, unit)} Its edge towards the jacket at ${at(stress.toMm, unit)} of the cable end. Shrunk ${from(coupler)}, turning round the core.`,
    reason: 'It spreads the field that stands at the screen’s edge; short of the edge it does nothing.',
    caution: 'Flame or hot air by permit only. No solvent near.',
    figure: {
      value: markText(stress.cutToMm, unit),
      unit,
      second: `${at(stress.fromMm, unit)} to ${at(stress.toMm, unit)}`,
    },
    checks: ['Strap and screen edge wholly under it', 'No wrinkle, no pale patch, shrunk tight all round'],
    decisions: ['coupler'],
  };
}

const stem = (coupler: CouplerEndPlan): StepDraft => ({
  id: 'stem',
  station: 'makeOff',
  kind: 'confirm',
  title: 'Conductors into their stems, to the bottom',
  detail: `The stem is ${trimNumber(coupler.stemDepthMm, 1)} mm deep. The conductor is trimmed by ${trimNumber(coupler.mayTrimMm, 1)} mm at most: less of it, and its hold is not sure.`,
  reason: 'A conductor that stops short is held by its last screw alone, and burns.',
  checks: ['Every strand is in', 'The insulating tube is on the core already'],
  accepts: coupler.phases.map((phase) => ({
    key: stemKey(phase),
    label: `${phase}: conductor in the stem`,
    min: coupler.leastInStemMm,
    max: coupler.stemDepthMm + RULE_MM,
    planned: coupler.plannedInStemMm,
    over: 'more than the stem is deep: measure again',
    under: 'short of what its hold asks for: cut the end again',
    needed: 'its hold is judged by it',
  })),
  decisions: ['coupler'],
});

function gap(coupler: CouplerEndPlan, unit: LengthUnit): StepDraft {
  const { openMm, tapedMm } = coupler.gap;
  return {
    id: 'gap',
    station: 'makeOff',
    kind: 'look',
    title: 'Gap between stem and insulation',
    detail: `Up to ${at(openMm, unit)} may stay open. Up to ${at(tapedMm, unit)} it is filled with semiconducting tape, ${trimNumber(coupler.tapeDeepMm, 1)} mm deep, as listed. Wider: trim the conductor within what its hold allows, or cut the end again.`,
    reason: 'Air beside the stem glows under voltage and eats the insulation from its end.',
    list: coupler.tape.map((t) => `Up to ${at(t.upToMm, unit)}: ${tapeWords(t)}`),
    accepts: coupler.phases.map((phase): Acceptance => ({
      key: gapKey(phase),
      label: `${phase}: gap`,
      min: 0,
      max: tapedMm,
      planned: coupler.plannedGapMm,
      over: `wider than tape may fill: trim the conductor by ${trimNumber(coupler.mayTrimMm, 1)} mm at most, or cut the end again`,
      needed: 'what fills it goes by it',
    })),
    branches: [
      { decision: 'gapHolds', button: `Hold: ${at(openMm, unit)} or less`, backTo: null },
      { decision: 'gapTaped', button: 'Hold: filled with tape as listed', backTo: null },
      { decision: 'trimmed', button: 'Wider: trimmed, into the stem again', backTo: 'stem' },
    ],
    decisions: ['coupler'],
  };
}

const screws = ({ screws: own, contacts }: CouplerEndPlan): StepDraft => ({
  id: 'screws',
  station: 'makeOff',
  kind: 'confirm',
  title: 'Set screws, the one at the bottom first',
  detail: `${own?.count ?? 0} in each of ${contacts.filter((c) => c.use === 'phase').length} stems, in turn and twice round.`,
  reason: 'A strand settles under the first screw while the next is turned.',
  ...(own === null
    ? {}
    : {
        figure: {
          value: trimNumber(own.torqueNm, 1),
          unit: 'N·m',
          second: `± ${trimNumber(own.toleranceNm, 1)}`,
        },
        accepts: torqueAccepts(
          own,
          'the least of all set screws',
          'slacken, look at the thread, and tighten anew',
        ),
      }),
  decisions: ['coupler'],
});

const solder: StepDraft = {
  id: 'solder',
  station: 'makeOff',
  kind: 'hold',
  title: 'Stems soldered, mouth upwards',
  detail:
    'Insulation shielded from the heat and cooled with a damp cloth; solder until it stands at the mouth all round.',
  reason: 'A cold joint holds by hand and opens under load.',
  caution: 'Flame and fumes: by permit, with air. The stem stays hot for long.',
  checks: [
    'Solder at the mouth, wetted all round',
    'Insulation whole: not shrunk, not browned',
    'Flux and splashes off',
  ],
  decisions: ['coupler'],
};

function insulatingTube(coupler: CouplerEndPlan, unit: LengthUnit): StepDraft {
  const { insulating } = coupler.tubes;
  return {
    id: 'insulatingTube',
    station: 'makeOff',
    kind: 'hold',
    title: 'Insulating tube from the stem to beyond the strap',
    detail: `${trimmed(insulating.cutToMm, insulating.trimMm, unit)} From ${at(Math.max(0, insulating.fromMm), unit)} to ${at(insulating.toMm, unit)} of the conductor’s end. Shrunk ${from(coupler)}.`,
    reason: 'It is the insulation of this end: what it leaves bare is bare at full voltage.',
    caution: 'Flame or hot air by permit only. No solvent near.',
    figure: { value: markText(insulating.cutToMm, unit), unit },
    checks: ['On the stem, and beyond the strap', 'No wrinkle, no pale patch, shrunk tight all round'],
    decisions: ['coupler'],
  };
}

const tied = ({ phases }: CouplerEndPlan): StepDraft => ({
  id: 'tied',
  station: 'makeOff',
  kind: 'hold',
  title: 'Finished cores tied back',
  detail: 'Each as soon as it is done, out of the way of tools and heat.',
  reason: 'A finished core is scratched by the work at the next one.',
  checks: phases.map((phase) => `${phase} tied back, nothing sharp beside it`),
  decisions: ['coupler'],
});

const gaskets = ({ contacts }: CouplerEndPlan): StepDraft => ({
  id: 'gaskets',
  station: 'makeOff',
  kind: 'hold',
  title: `Gaskets: one on each of ${contacts.length} contacts`,
  detail: 'Counted on the contacts, not in the bag.',
  reason: 'One that is missing is a way for water to one contact, and from it to all.',
  checks: contacts.map((c) => `Gasket on ${c.id}`),
  decisions: ['coupler'],
});

const phaseMap = (coupler: CouplerEndPlan): StepDraft => ({
  id: 'phaseMap',
  station: 'makeOff',
  kind: 'hold',
  title: 'Phases on their contacts',
  detail:
    'Say of each phase, by its colour, on which contact it lies. It is compared with what the other end of this cable says.',
  reason: 'Two phases that change places turn every motor on this cable backwards.',
  choices: coupler.phases.map((phase) => ({
    key: phase,
    label: phase,
    options: contactsOf(coupler, 'phase'),
  })),
  checks: [
    ...contactsOf(coupler, 'earth').map((c) => `Earth cores on ${c}`),
    ...contactsOf(coupler, 'pilot').map((c) => `Pilot on ${c}`),
  ],
  decisions: ['coupler'],
});

const bonds = ({ bonds: points }: CouplerEndPlan): StepDraft => ({
  id: 'bonds',
  station: 'makeOff',
  kind: 'hold',
  title: 'Bonds at their points',
  detail: 'Straps and earth cores, each to the point that the sheet names.',
  reason: 'A screen without its bond stands at a voltage that nobody expects.',
  checks: points,
  decisions: ['coupler'],
});

const screwsAgain = (coupler: CouplerEndPlan): StepDraft => ({
  id: 'screwsAgain',
  station: 'makeOff',
  kind: 'hold',
  title: 'Every set screw once more, before it is closed',
  detail: 'By hand, at the same torque: what turns is turned home, and looked at again.',
  reason: 'After this nobody reaches them.',
  checks: contactsOf(coupler, 'phase').map((c) => `Set screws of ${c}: none turns`),
  decisions: ['coupler'],
});
