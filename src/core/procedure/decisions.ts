import { markText } from '@/core/cut-back';
import { END_STOP_WORDS } from '@/core/gland-selection';
import { canonicalJson } from '@/core/kernel';
import { writePins } from '@/core/pin-map';
import { asOther } from '@/core/record';
import { trimNumber, type LengthUnit } from '@/core/units';
import type { Decision, JointPlan, TerminationPlan } from './termination-plan';

type Undecided = Omit<TerminationPlan, 'decisions'>;

/** What a plan settles, one thing at a time: in words, and in codes and figures. */
export function decisionsOf(plan: Undecided, unit: LengthUnit): Decision[] {
  const figures = figuresOf(plan);
  return wordsOf(plan, unit).map((d) => ({ ...d, figures: figures.get(d.id) ?? d.value }));
}

/** What each decision of a plan comes to without any words of ours. A plan of before has its decisions told apart in the same way. */
export function figuresOf(plan: Undecided): Map<string, string> {
  const partsOf = (kind: string) => plan.parts.filter((p) => p.kind === kind).map((p) => p.part);
  const { coreTails = [], strip = null, marks = [] } = plan.cut ?? {};
  const all: [string, unknown][] = [
    ['size', [plan.size, plan.family.code, plan.family.revision]],
    ['ring', plan.ring],
    ['endStop', plan.endStop],
    ['adaptor', plan.adaptor],
    ['accessories', partsOf('accessory')],
    ['slideOn', plan.slideOn.map((s) => [s.partId, s.face, s.shroudStep])],
    ['strip', strip?.mm ?? null],
    ['coreTails', coreTails.map((t) => [t.core, t.mm])],
    ...marks.flatMap((m): [string, unknown][] => [
      [`mark.${m.id}`, [m.fromDatumMm, m.datum]],
      [`depth.${m.id}`, m.guard.maxDepthMm],
    ]),
    ...plan.stages.map((s): [string, unknown] => [
      `stage.${s.id}`,
      [s.method, s.memberId, s.memberSpannerMm, s.heldSpannerMm],
    ]),
  ];
  if (plan.seal) {
    const { product, needMl, stickMm, packs, sheet } = plan.seal;
    const drawn = packs.packs.map((p) => [p.part, p.count]);
    all.push(['compound', [product, needMl, stickMm, drawn, sheet.title, sheet.revision]]);
  }
  if (plan.mineral) {
    const { depthMm, insideMm, packs, tools, straightToMm, test, sheet } = plan.mineral;
    const grips = tools.map((t) => [t.id, t.gripAtMm]);
    all.push(['pot', [depthMm, insideMm, packs.part, packs.count, grips, straightToMm, test, sheet]]);
  }
  if (plan.device) {
    const { ordered, plate, place, turn, passes, coverToleranceNm } = plan.device;
    const drawn = passes.map((p) => [p.torqueNm, p.order]);
    all.push(['device', [ordered, plate, place, turn, drawn, coverToleranceNm]]);
  }
  if (plan.coupler) {
    const { sheet: _, entrance, relief, ...rest } = plan.coupler;
    all.push(['coupler', [entrance.part, entrance.boreMm, relief.part, relief.boreMm, rest]]);
  }
  if (plan.plugIn) {
    const { pins, ...contacts } = plan.plugIn;
    all.push(['contacts', contacts]);
    all.push(['pins', pins?.map.map((m) => [m.core, m.position]) ?? null]);
  }
  if (plan.joint) {
    const { other, ...joint } = plan.joint;
    all.push(['joint', joint]);
    for (const { id, figures } of other.decisions) all.push([asOther(id), [other.tag, figures]]);
  }
  return new Map(all.map(([id, value]) => [id, canonicalJson(value)]));
}

function wordsOf(plan: Undecided, unit: LengthUnit): Omit<Decision, 'figures'>[] {
  const decisions: Omit<Decision, 'figures'>[] = [
    {
      id: 'size',
      label: 'Gland',
      value: `${plan.size} (${plan.family.code} revision ${plan.family.revision})`,
    },
    { id: 'ring', label: 'Ring', value: plan.ringWords || 'none' },
    ...(plan.endStop === null
      ? []
      : [{ id: 'endStop', label: 'End stop', value: END_STOP_WORDS[plan.endStop] }]),
    { id: 'adaptor', label: 'Adaptor', value: plan.adaptor ?? 'none' },
    {
      id: 'accessories',
      label: 'On the thread',
      value: [...plan.outside, ...plan.inside].join('; ') || 'nothing',
    },
    {
      id: 'slideOn',
      label: 'Slide-on list',
      value: plan.slideOn.map((s) => [s.name, s.facing, s.trim].filter(Boolean).join(', ')).join(' → '),
    },
  ];
  if (plan.seal)
    decisions.push({
      id: 'compound',
      label: 'Compound',
      value: `${plan.seal.product}, ${trimNumber(plan.seal.needMl, 1)} mL${plan.seal.stickMm === null ? '' : `, ${plan.seal.stickMm} mm of stick`} (${plan.seal.sheet.title}, revision ${plan.seal.sheet.revision})`,
    });
  if (plan.mineral) {
    const { insideMm, needMl, packs, test } = plan.mineral;
    decisions.push({
      id: 'pot',
      label: 'Pot',
      value: `sheath ${trimNumber(insideMm.min, 1)}–${trimNumber(insideMm.max, 1)} mm inside, ${trimNumber(needMl, 1)} mL of ${packs.count} × ${packs.part}; ${trimNumber(test.leastMohm, 0)} MΩ at ${trimNumber(test.testV, 0)} V, counted for ${trimNumber(test.holdsMs / 60_000, 0)} min`,
    });
  }
  if (plan.device) {
    const { ordered, turn, passes } = plan.device;
    decisions.push({
      id: 'device',
      label: 'Device',
      value: `ordered ${trimNumber(ordered.volts, 1)} V, ${trimNumber(ordered.hz, 1)} Hz, ${trimNumber(ordered.watts, 1)} W; turned ${trimNumber(turn.limitDeg, 0)}° at most; cover in ${passes.length} passes to ${trimNumber(passes.at(-1)?.torqueNm ?? 0, 1)} N·m`,
    });
  }
  if (plan.coupler) {
    const { entrance, relief, gap, stemDepthMm, leastInStemMm, joint } = plan.coupler;
    decisions.push({
      id: 'coupler',
      label: 'Coupler',
      value: `gaskets of ${trimNumber(entrance.boreMm, 1)} and ${trimNumber(relief.boreMm, 1)} mm; ${joint === 'solder' ? 'soldered' : 'set screws'}, ${trimNumber(leastInStemMm, 1)} to ${trimNumber(stemDepthMm, 1)} mm in the stem; gap ${trimNumber(gap.openMm, 1)} mm open, ${trimNumber(gap.tapedMm, 1)} mm with tape`,
    });
  }
  if (plan.plugIn) {
    const { pins, joint, crimp, liveCap } = plan.plugIn;
    if (pins !== undefined) decisions.push({ id: 'pins', label: 'Pin map', value: writePins(pins.map) });
    decisions.push({
      id: 'contacts',
      label: 'Contacts',
      value: [
        ...(joint === undefined
          ? []
          : [joint === 'crimp' ? `crimped${crimp === undefined ? '' : `, die ${crimp.die}`}` : 'set screws']),
        ...(liveCap ? ['under a live cap'] : []),
      ].join('; '),
    });
  }
  if (plan.joint) decisions.push(...jointDecisions(plan.joint));
  const { coreTails = [], strip = null } = plan.cut ?? {};
  if (strip)
    decisions.push({ id: 'strip', label: 'Core ends bare', value: `${markText(strip.mm, unit)} ${unit}` });
  if (coreTails.length > 0)
    decisions.push({
      id: 'coreTails',
      label: 'Tails by core',
      value: coreTails.map((t) => `${t.core} ${markText(t.mm, unit)}`).join(', '),
    });
  for (const mark of plan.cut?.marks ?? []) {
    const depth =
      mark.guard.maxDepthMm === null ? 'by eye' : `${mark.guard.maxDepthMm.toFixed(1)} mm deep at most`;
    decisions.push({
      id: `mark.${mark.id}`,
      label: mark.title,
      value: `${markText(mark.fromDatumMm, unit)} ${unit}${mark.datum === 'hub' ? ' from the hub' : ''}`,
    });
    decisions.push({ id: `depth.${mark.id}`, label: `${mark.title}, depth`, value: depth });
  }
  for (const stage of plan.stages) {
    const spanners = [stage.memberSpannerMm, stage.heldSpannerMm].filter((s) => s !== null).join('/');
    decisions.push({
      id: `stage.${stage.id}`,
      label: stage.title,
      value: [stage.words, spanners && `spanners ${spanners}`].filter(Boolean).join(', '),
    });
  }
  return decisions;
}

/** What both halves have settled together, and each thing that the other one has. */
const jointDecisions = ({ housing, first, through, other }: JointPlan): Omit<Decision, 'figures'>[] => [
  {
    id: 'joint',
    label: 'Joint',
    value: `with ${other.tag} in ${housing.part} ${housing.name}; ${first} goes in first; ${through.length} cores go through`,
  },
  ...other.decisions.map(({ id, label, value }) => ({
    id: asOther(id),
    label: `${other.tag}: ${label}`,
    value,
  })),
];

export interface DecisionChange {
  readonly id: string;
  readonly label: string;
  readonly before: string | null;
  readonly after: string | null;
}

/** What a new plan settles otherwise than an old one, and what it leaves as it was. */
export function compareDecisions(before: readonly Decision[], after: readonly Decision[]) {
  const old = new Map(before.map((d) => [d.id, d]));
  const now = new Map(after.map((d) => [d.id, d]));
  const changed: DecisionChange[] = [];
  const unchanged: Decision[] = [];
  for (const decision of after) {
    const was = old.get(decision.id);
    if (was?.figures === decision.figures) unchanged.push(decision);
    else
      changed.push({
        id: decision.id,
        label: decision.label,
        before: was?.value ?? null,
        after: decision.value,
      });
  }
  for (const decision of before) {
    if (!now.has(decision.id))
      changed.push({ id: decision.id, label: decision.label, before: decision.value, after: null });
  }
  return { changed, unchanged };
}
