import { worded, type Wording } from '@/core/kernel';
import { trimNumber } from '@/core/units';
import { boundWords } from '@/core/circle-packing';
import type { SealCases, SealFinding, SealPart, SealPartKind } from './finding';

const mm = (value: number): string => `${trimNumber(value, 2)} mm`;
const percent = (value: number): string => `${trimNumber(value, 1)} %`;

/** Each by whether it holds: the same figures, read the other way. */
const WORDS: Wording<SealCases, { readonly yes: string; readonly no: string }> = {
  annulus: ({ min, max, from, to }) =>
    always(
      `the gap of ${mm(min)} to ${mm(max)} lies within the ${mm(from)} to ${mm(to)} that the plug closes`,
    ),
  noPlug: ({ annulusMin, annulusMax }) =>
    always(`no plug of the sheet closes a gap of ${mm(annulusMin)} to ${mm(annulusMax)} in this bore`),
  angle: ({ deg, most }) => ({
    yes: `${trimNumber(deg, 1)}° out of square, ${trimNumber(most, 1)}° are taken`,
    no: `${trimNumber(deg, 1)}° out of square: ${trimNumber(deg - most, 1)}° more than the plug takes`,
  }),
  askAngle: ({ most }) => always(`say how far out of square it runs: ${trimNumber(most, 1)}° at most`),
  offset: ({ mm: off, most }) => ({
    yes: `${mm(off)} out of the middle, ${mm(most)} are taken`,
    no: `${mm(off)} out of the middle: ${mm(off - most)} more than the plug takes`,
  }),
  askOffset: ({ most }) => always(`say how far out of the middle it lies: ${mm(most)} at most`),
  bothPlugs: ({ need, depth }) => ({
    yes: `two plugs of together ${mm(need)} lie in ${mm(depth)}`,
    no: `two plugs need ${mm(need)}, and it is ${mm(depth)} deep: ${mm(need - depth)} short`,
  }),
  bothFaces: ({ reachable }) => ({
    yes: 'both faces are reached',
    no: `${reachable} face is reached: both are closed, or none`,
  }),
  askFaces: () => always('say whether both faces are reached'),
  weld: () => ({ yes: 'the weld runs all round', no: 'the weld of the stub has a gap: it is welded first' }),
  askWeld: () => always('look whether the weld of the stub runs all round'),
  centred: () => ({
    yes: 'the stub stands in the middle',
    no: 'the stub is out of the middle: the wrap does not close',
  }),
  askCentred: () => always('look whether the stub stands in the middle'),
  stubLength: ({ mm: long, least }) => ({
    yes: `${mm(long)} of stub stand out, ${mm(least)} are needed`,
    no: `${mm(long)} of stub stand out: ${mm(least - long)} short`,
  }),
  cloth: ({ kind, stubMin, stubMax }) => ({
    yes: `a cloth that is ${kind} goes round ${mm(stubMin)} to ${mm(stubMax)}`,
    no: `no cloth that is ${kind} goes round ${mm(stubMin)} to ${mm(stubMax)}`,
  }),
  clothOn: () =>
    always('a closed cloth goes on before the cables are pulled, and they are in: take the openable one'),
  layers: ({ mm: d }) => always(`the sheet gives no layers for a bundle of ${mm(d)}`),
  lies: ({ count, percent: p }) =>
    always(
      `${count} ${count === 1 ? 'cable lies' : 'cables lie'} in it with what is round them, ${percent(p)} of the opening`,
    ),
  inStub: ({ mm: across, inside }) =>
    always(`the cables need ${mm(across)} at least, and the stub has ${mm(inside)}: measure again`),
  never: ({ bound, shape }) => always(boundWords(bound, shape)),
  notFound: ({ by }) => always(`no arrangement was found; the best would need ${mm(by)} more`),
  depth: ({ need, depth }) => ({
    yes: `sealant, filling and air need ${mm(need)} of ${mm(depth)}`,
    no: `sealant, filling and air need ${mm(need)}, and it is ${mm(depth)} deep: ${mm(need - depth)} short`,
  }),
  open: ({ percent: p, most }) => ({
    yes: `${percent(p)} of the face stay open, ${percent(most)} may`,
    no: `${percent(p)} of the face stay open: ${percent(p - most)} more than may`,
  }),
  noSleeve: ({ tag, min, max }) => always(`nothing on the sheet takes ${tag} with ${mm(min)} to ${mm(max)}`),
  slant: ({ deg, most }) => ({
    yes: `${trimNumber(deg, 1)}° out of square to the wall, ${trimNumber(most, 1)}° are taken`,
    no: `${trimNumber(deg, 1)}° out of square to the wall: ${trimNumber(deg - most, 1)}° more than the sheet takes`,
  }),
  askSlant: () => always('say how far out of square to the wall the opening runs'),
  openTime: ({ c, minutes }) =>
    always(`at ${trimNumber(c, 1)} °C the sealant can be pressed for ${trimNumber(minutes, 0)} minutes`),
  sealantCold: ({ c, from, to }) =>
    always(
      `the sheet says nothing of the sealant at ${trimNumber(c, 1)} °C: only from ${trimNumber(from, 1)} to ${trimNumber(to, 1)} °C`,
    ),
  askTemperature: () => always('say how warm the wall is while it is sealed: the open time hangs on it'),
  rating: () => always('the rating of the wall is known'),
  askRating: () => always('say what the wall is rated for: the seal must be approved for as much'),
};

/** Is this something that is said of a soft seal? Its code is looked up; figures are what was written with it. */
export const isSealCase = (value: unknown): boolean =>
  typeof value === 'object' &&
  value !== null &&
  'code' in value &&
  typeof value.code === 'string' &&
  Object.hasOwn(WORDS, value.code);

const PART_WORDS: Readonly<Record<SealPartKind, string>> = {
  plug: 'plug in two halves',
  sleeve: 'split filler sleeve',
  strip: 'strip',
  filler: 'blank filler sleeve',
  sealant: 'cartridge of sealant',
  cloth: 'fire cloth',
  tie: 'tie',
};

/** What a part of a soft seal is called. */
export const sealPartWords = ({ kind }: Pick<SealPart, 'kind'>): string => PART_WORDS[kind];

const always = (words: string) => ({ yes: words, no: words });

/** What was looked at, as a sentence with its number. */
export const sealWords = ({ verdict, case: said }: SealFinding): string => {
  const { yes, no } = worded(WORDS, said);
  return verdict === 'holds' ? yes : no;
};

/** What a plan that closes is known by: the figure of its kind. */
const FIRST: readonly (keyof SealCases)[] = ['open', 'annulus', 'stubLength'];

/** The one sentence that a plan comes to: what keeps it from closing, first of all what fails, else that it closes and on what figure. */
export function verdictOf(findings: readonly SealFinding[]): string {
  const against =
    findings.find((f) => f.verdict === 'fails') ?? findings.find((f) => f.verdict === 'ask') ?? null;
  if (against !== null) return sealWords(against);
  const own = findings.find((f) => FIRST.includes(f.case.code));
  return own === undefined ? 'closes' : `closes: ${sealWords(own)}`;
}

/** The usual cautions of every soft seal. */
export const SEAL_CAUTIONS: readonly string[] = [
  'The maker’s sheet for this seal and this wall leads; where it says otherwise, it is right.',
  'A fire seal is closed on both sides before the area is handed over, and whoever answers for the wall looks at it.',
  'Gas-free and permitted before a stub is opened; what is cut off does not stay in the opening.',
];
