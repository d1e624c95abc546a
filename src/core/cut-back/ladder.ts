import { PHASE_LAYER_WORDS, type CouplerSheet, type PhaseLayer } from '@/core/catalogue';
import { fail, ok, refuse, type Problem, type Result } from '@/core/kernel';
import type { CableType } from '@/core/schedule';
import { trimNumber, type LengthUnit } from '@/core/units';
import { LADDER_RUNGS, type CutTool, type LadderLayer, type LadderRungId, type ToolId } from './cut-cases';
import type { CutInput } from './cut-input';
import type { Cut, LadderRung } from './cut';
import { byEye, outerGuard } from './depth-guard';
import { roundJointly, type Span } from './round-marks';
import { sheathTools } from './tools';

/** Cuts of a ladder. */
type LadderMark = 'outerSheath' | 'earthCores' | 'pilotCores' | 'screen' | 'semiconducting' | 'cores';

/** Rungs that lie along a phase, from its end to the jacket. */
const PHASE_RUNGS: readonly LadderRungId[] = ['bare', 'insulation', 'semiconducting', 'screened'];

const SPAN_OF = {
  bare: 'bareMm',
  insulation: 'insulationMm',
  semiconducting: 'semiconductingMm',
  screened: 'screenedMm',
  earth: 'earthMm',
  pilot: 'pilotMm',
} as const satisfies Record<LadderRungId, keyof CouplerSheet['ladder']>;

/** Does a cable have a layer? Undefined where nobody said. */
const has = (cable: CableType, layer: PhaseLayer): boolean | undefined =>
  layer === 'screen' ? cable.screened : cable.semiconducting;

/** What of the cable keeps it from a coupler's ladder: a layer or a core that it lacks, or that nobody said it has. */
export function ladderProblems(coupler: CouplerSheet, cable: CableType): Problem[] {
  const problems: Problem[] = [];
  const miss = (path: string, message: string) => problems.push({ path: `cableType.${path}`, message });
  for (const layer of coupler.layers) {
    const known = has(cable, layer);
    const path = layer === 'screen' ? 'screened' : 'semiconducting';
    if (known === false)
      miss(path, `the ladder goes by ${PHASE_LAYER_WORDS[layer]}, and this cable has none`);
    else if (known === undefined)
      miss(
        path,
        `the ladder goes by ${PHASE_LAYER_WORDS[layer]}, and nobody said whether this cable has one`,
      );
  }
  const contacts = (use: 'phase' | 'earth' | 'pilot') => coupler.contacts.filter((c) => c.use === use).length;
  const { phaseColours, earthCores, pilotCores } = cable;
  if (phaseColours === undefined)
    miss('phaseColours', 'nobody said the colours of its phases: they are put to their contacts by them');
  else if (phaseColours.length !== contacts('phase'))
    miss(
      'phaseColours',
      `the coupler has ${contacts('phase')} contacts for phases, the cable ${phaseColours.length} phases`,
    );
  for (const [name, path, use] of [
    ['earth', 'earthCores', 'earth'],
    ['pilot', 'pilotCores', 'pilot'],
  ] as const) {
    const count = use === 'earth' ? earthCores : pilotCores;
    if (count === undefined) miss(path, `nobody said how many ${name} cores it has`);
    else if (contacts(use) > 0 && count === 0)
      miss(path, `the coupler has a contact for ${name}, and the cable has no ${name} core`);
    else if (contacts(use) === 0 && count > 0)
      miss(
        path,
        `the cable has ${count} ${name} ${count === 1 ? 'core' : 'cores'}, and the coupler no contact for it`,
      );
  }
  return problems;
}

/** The rungs of each core as they are cut, and where each cut lies from the cable end, mm, in cutting order. */
export interface SettledLadder {
  readonly rungs: readonly LadderRung[];
  readonly marks: readonly { readonly id: LadderMark; readonly atMm: number }[];
}

/**
 * Rungs of every core by its sheet, rounded jointly, so that each mark falls on a division of the rule and every difference keeps its span. Refused
 * where no division lies in a rung's span, and where an earth or a pilot core would have to be longer than the phases.
 */
export function settleLadder(
  { ladder }: Pick<CouplerSheet, 'ladder'>,
  { earthCores = 0, pilotCores = 0 }: Pick<CableType, 'earthCores' | 'pilotCores'>,
  unit: LengthUnit,
): Result<SettledLadder> {
  const used = LADDER_RUNGS.filter(
    (id) => (id !== 'earth' || earthCores > 0) && (id !== 'pilot' || pilotCores > 0),
  );
  const spans: Span[] = used.map((id) => {
    const { min, max } = ladder[SPAN_OF[id]];
    return { id, min, target: (min + max) / 2, max };
  });
  const rounded = roundJointly(spans, unit);
  if (!rounded.ok) return rounded;
  const rungs = used.map((id, i): LadderRung => {
    const { min, max } = ladder[SPAN_OF[id]];
    return { id, mm: rounded.value[i]?.mm ?? 0, minMm: min, maxMm: max };
  });
  const jacketMm = alongPhase(rungs, (r) => r.mm);
  const longer = rungs.find((r) => !PHASE_RUNGS.includes(r.id) && r.mm > jacketMm + 1e-9);
  return longer === undefined
    ? ok({ rungs, marks: marksAt(rungs, jacketMm) })
    : refuse(
        `coupler.ladder.${SPAN_OF[longer.id]}`,
        `the ${longer.id} cores would be ${trimNumber(longer.mm, 1)} mm long, and the phases end at ${trimNumber(jacketMm, 1)} mm`,
        longer.mm,
      );
}

/** A figure of the phase's rungs, added up. */
const alongPhase = (rungs: readonly LadderRung[], of: (r: LadderRung) => number): number =>
  rungs.filter((r) => PHASE_RUNGS.includes(r.id)).reduce((all, r) => all + of(r), 0);

/** The jacket, the short cores, then the phases from the jacket towards their end. A core as long as the phases ends where they do, and is not cut. */
function marksAt(rungs: readonly LadderRung[], jacketMm: number): SettledLadder['marks'] {
  const mm = (id: LadderRungId) => rungs.find((r) => r.id === id)?.mm ?? 0;
  const short = (id: 'earthCores' | 'pilotCores', rung: LadderRungId) =>
    mm(rung) > 0 && mm(rung) < jacketMm ? [{ id, atMm: jacketMm - mm(rung) } as const] : [];
  return [
    { id: 'outerSheath', atMm: jacketMm },
    ...short('earthCores', 'earth'),
    ...short('pilotCores', 'pilot'),
    { id: 'screen', atMm: mm('bare') + mm('insulation') + mm('semiconducting') },
    { id: 'semiconducting', atMm: mm('bare') + mm('insulation') },
    { id: 'cores', atMm: mm('bare') },
  ];
}

/**
 * Marks of a coupler, all from the cable end, which is the phases' own. Refused where the cable lacks a layer or a core that the ladder goes by, and
 * where the ladder itself is (`settleLadder`).
 */
export function planLadder(input: CutInput): Result<Cut> {
  const { family, cableType, unit, profile } = input;
  const { coupler } = family;
  if (coupler === undefined) return refuse('coupler', `${family.code} gives no ladder for its cores`);
  const lacking = ladderProblems(coupler, cableType);
  if (lacking.length > 0) return fail(lacking);
  const settled = settleLadder(coupler, cableType, unit);
  if (!settled.ok) return settled;
  const { rungs, marks } = settled.value;
  const sum = (of: (r: LadderRung) => number) => alongPhase(rungs, of);
  const [bare] = rungs;
  if (bare === undefined) throw new Error('a ladder begins with its bare conductor');
  const sheath = sheathTools(outerGuard(input, profile));
  const jacketMm = sum((r) => r.mm);
  return ok({
    kind: family.cutKind,
    tails: { mm: jacketMm, minMm: sum((r) => r.minMm), maxMm: sum((r) => r.maxMm) },
    stub: null,
    armour: null,
    jacketed: true,
    strip: { mm: bare.mm, minMm: bare.minMm, maxMm: bare.maxMm },
    ladder: rungs,
    coreTails: [],
    marks: marks.map(({ id, atMm }) => {
      const tools = id === 'outerSheath' ? sheath : [layerTool(id)];
      return {
        id,
        outer: 'sheath',
        atMm,
        datum: 'cableEnd',
        fromDatumMm: atMm,
        guard: tools[0]?.guard ?? byEye({ code: 'bySheet' }),
        tools,
      };
    }),
    stopToWallMm: 0,
    emergenceMm: 0,
    consumedMm: jacketMm + profile.cut.kerfMm,
    unit,
    workings: rungs.map(({ id, mm }) => ({ code: id, mm })),
  });
}

const LAYER_TOOLS = {
  earthCores: 'coreShears',
  pilotCores: 'coreShears',
  screen: 'screenShears',
  semiconducting: 'layerScorer',
  cores: 'insulationStripper',
} as const satisfies Record<Exclude<LadderMark, 'outerSheath'>, ToolId>;

const UNDER: Readonly<Partial<Record<LadderMark, LadderLayer>>> = {
  screen: 'semiconducting',
  semiconducting: 'insulation',
  cores: 'conductor',
};

/** With what a layer comes off, and what lies under it that no blade may mark. */
function layerTool(id: Exclude<LadderMark, 'outerSheath'>): CutTool {
  const under = UNDER[id];
  const guard = byEye(under === undefined ? { code: 'bySheet' } : { code: 'neverUnder', layer: under });
  return { tool: LAYER_TOOLS[id], kerfMm: 0, guard };
}
