import type { CableType } from './cable-type';

/** One ring of a cable's section, from its inside to its outside; mm. */
export interface SectionRing {
  readonly layer: 'jacket' | 'armour' | 'metalSheath' | 'bedding' | 'cores';
  readonly insideMm: number;
  readonly outsideMm: number;
}

/** A core in its place, mm: its conductor, and where it has one a screen, up to `r`. */
export interface SectionCore {
  readonly x: number;
  readonly y: number;
  readonly r: number;
  readonly conductorMm: number;
  /** From here to `r` it is screen; left out where it has none of its own. */
  readonly screenFromMm?: number;
}

export interface CableSection {
  readonly rings: readonly SectionRing[];
  readonly cores: readonly SectionCore[];
  /** Conductors lie bare in their insulation, and no core has one of its own. */
  readonly bare: boolean;
  readonly outerMm: number;
}

/** Insulation round a conductor by its section, mm: what a drawing takes where no sheet was read. */
const insulationMm = (mm2: number): number => (mm2 <= 2.5 ? 0.8 : mm2 <= 16 ? 1 : mm2 <= 70 ? 1.2 : 1.6);
/** Thickness of armour in a drawing by its kind, mm. */
const ARMOUR_MM: Readonly<Record<CableType['armour'], number>> = {
  roundWire: 1.6,
  braid: 0.8,
  tape: 1,
  interlocked: 2,
  corrugated: 2.5,
  none: 0,
};
const SHEATH_MM = 1.8;
const METAL_SHEATH_MM = 0.8;
const TRAILING_SHEATH_MM = 4;
const SCREEN_MM = 0.8;

/**
 * The section of a cable to scale, built from inside: every layer as large as the datasheet says, or as its cores with usual insulation and usual
 * sheaths make it. It shows how the layers lie; no diameter is taken from it.
 */
export function cableSection(type: CableType): CableSection {
  const conductor = Math.sqrt((4 * type.coreSectionMm2) / Math.PI) * 1.07;
  const { nominal } = type;
  const core = nominal?.core ? nominal.core.mm / 2 : conductor / 2 + insulationMm(type.coreSectionMm2);
  const trailing = type.construction === 'screenedTrailing';
  const laid =
    (trailing ? layTrailing(type, core, conductor / 2) : null) ?? layCores(type.cores, core, conductor / 2);
  let radius = Math.max(laid.radius, (nominal?.laidUpCores?.mm ?? 0) / 2);
  const rings: SectionRing[] = [{ layer: 'cores', insideMm: 0, outsideMm: radius * 2 }];
  const add = (layer: SectionRing['layer'], mm: number, said: { readonly mm: number } | undefined) => {
    // A diameter that the layers inside have outgrown in the drawing says nothing about the thickness.
    const outside = said !== undefined && said.mm / 2 > radius ? said.mm / 2 : radius + mm;
    rings.push({ layer, insideMm: radius * 2, outsideMm: outside * 2 });
    radius = outside;
  };
  const armoured = type.armour !== 'none';
  const mineral = type.construction === 'mineralInsulated';
  if (trailing) add('jacket', type.outerSheathThicknessMm ?? TRAILING_SHEATH_MM, nominal?.outerSheath);
  else if (mineral) add('metalSheath', type.outerSheathThicknessMm ?? METAL_SHEATH_MM, nominal?.outerSheath);
  else if (type.innerSheath || !armoured)
    add(
      'bedding',
      type.innerSheathThicknessMm ?? SHEATH_MM,
      armoured ? nominal?.innerSheath : nominal?.outerSheath,
    );
  if (armoured)
    add(
      'armour',
      nominal?.armourWire?.mm ?? ARMOUR_MM[type.armour],
      nominal?.overArmour ?? (type.jacketed ? undefined : nominal?.outerSheath),
    );
  if (armoured && type.jacketed)
    add('jacket', type.outerSheathThicknessMm ?? SHEATH_MM, nominal?.outerSheath);
  return { rings, cores: laid.cores, bare: mineral, outerMm: radius * 2 };
}

/** Cores of one radius in rings about the middle, none over another. */
function layCores(
  count: number,
  r: number,
  conductorMm: number,
): { readonly cores: readonly SectionCore[]; readonly radius: number } {
  if (count === 1) return { cores: [{ x: 0, y: 0, r, conductorMm }], radius: r };
  const cores: SectionCore[] = [];
  // Two to five lie about an empty middle; more begin with one in it.
  let left = count;
  let radius = 0;
  if (count > 5) {
    cores.push({ x: 0, y: 0, r, conductorMm });
    left -= 1;
    radius = r;
  }
  for (let guard = 0; left > 0 && guard < 40; guard += 1) {
    const most = radius === 0 ? left : Math.floor(Math.PI / Math.asin(r / (radius + r)));
    const n = Math.min(left, most);
    const at = n === 1 ? radius + r : Math.max(radius === 0 ? 0 : radius + r, r / Math.sin(Math.PI / n));
    for (let i = 0; i < n; i += 1) {
      const turn = (2 * Math.PI * i) / n - Math.PI / 2;
      cores.push({ x: at * Math.cos(turn), y: at * Math.sin(turn), r, conductorMm });
    }
    left -= n;
    radius = at + r;
  }
  return { cores, radius };
}

/**
 * Three screened phases about the middle, and in each hollow between two of them and the sheath the largest core that has room there; null for any
 * other number of cores, which lie all alike.
 */
function layTrailing(
  { phaseColours = [], earthCores = 0, pilotCores = 0 }: CableType,
  core: number,
  conductorMm: number,
): { readonly cores: readonly SectionCore[]; readonly radius: number } | null {
  if (phaseColours.length !== 3 || earthCores + pilotCores > 3) return null;
  const r = core + SCREEN_MM;
  const at = (2 * r) / Math.sqrt(3);
  const radius = at + r;
  // Circles that touch one another (Descartes): two phases inside the sheath, and the one in their hollow.
  const [a, outer] = [1 / r, -1 / radius];
  const small = 1 / (a + a + outer + 2 * Math.sqrt(a * a + 2 * a * outer));
  const place = (turn: number, mm: number) => ({ x: mm * Math.cos(turn), y: mm * Math.sin(turn) });
  const turn = (i: number) => (2 * Math.PI * i) / 3 - Math.PI / 2;
  const phases = phaseColours.map((_, i) => ({ ...place(turn(i), at), r, conductorMm, screenFromMm: core }));
  const others = Array.from({ length: earthCores + pilotCores }, (_, i) => ({
    ...place(turn(i) + Math.PI / 3, radius - small),
    r: small,
    // An earth core is bare strand; a pilot lies in its insulation.
    conductorMm: small * (i < earthCores ? 0.96 : 0.5),
  }));
  return { cores: [...phases, ...others], radius };
}

/** What a coupler asks of a trailing cable, and nobody has said. */
const trailingGaps = (type: CableType): { fact: string; blocks: string }[] =>
  (
    [
      ['phaseColours', 'colours of the phases', 'which phase lies on which contact'],
      ['earthCores', 'earth cores', 'how they are cut back'],
      ['pilotCores', 'pilot cores', 'how they are cut back'],
      ['semiconducting', 'a semiconducting layer or none', 'whether a coupler’s ladder fits it'],
    ] as const
  )
    .filter(([key]) => type[key] === undefined)
    .map(([, fact, blocks]) => ({ fact, blocks }));

/** What is not said of a type, and what it keeps from being decided. */
export function typeGaps(type: CableType): { readonly fact: string; readonly blocks: string }[] {
  const gaps: { fact: string; blocks: string }[] = [];
  if (type.compact === undefined)
    gaps.push({ fact: 'compact or with hollows', blocks: 'whether a barrier is called for' });
  if (type.armourMaterial === undefined && type.armour !== 'none')
    gaps.push({ fact: 'what the armour is made of', blocks: 'whether gland and armour corrode' });
  if (type.singleCoreAc === undefined && type.cores === 1)
    gaps.push({ fact: 'single core of an AC circuit', blocks: 'whether the entry must be non-magnetic' });
  if (type.listings === undefined)
    gaps.push({ fact: 'hazardous-location listings', blocks: 'places by class and division' });
  const mineral = type.construction === 'mineralInsulated';
  if (mineral && type.ratedV === undefined)
    gaps.push({ fact: 'rated voltage', blocks: 'with what its insulation is tested' });
  if (type.construction === 'screenedTrailing') gaps.push(...trailingGaps(type));
  // A metal sheath is turned off by a tool that goes by its diameter.
  if (!mineral && type.outerSheathThicknessMm === undefined)
    gaps.push({ fact: 'thickness of the outer sheath', blocks: 'how deep a blade may be set' });
  if (type.innerSheath && type.innerSheathThicknessMm === undefined)
    gaps.push({ fact: 'thickness of the inner sheath', blocks: 'how deep a blade may be set there' });
  return gaps;
}
