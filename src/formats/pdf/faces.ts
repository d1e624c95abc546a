import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import * as fontkit from 'fontkit';

// Static .woff: the variable faces ship as .woff2 only, which the writer cannot embed.
const fileOf = (face: string, subset: string, weight: number): string =>
  join(process.cwd(), `node_modules/@fontsource/${face}/files/${face}-${subset}-${weight}-normal.woff`);

/** Faces in the order in which a character is looked for: our own, and what has what it lacks. */
const SUBSETS = [
  ['archivo', 'latin'],
  ['archivo', 'latin-ext'],
  ['archivo', 'vietnamese'],
  ['commissioner', 'greek'],
  ['commissioner', 'cyrillic'],
  ['commissioner', 'cyrillic-ext'],
] as const;
const WEIGHTS = { regular: 400, bold: 600 } as const;
export type Weight = keyof typeof WEIGHTS;

interface Face {
  readonly name: string;
  readonly file: string;
  readonly covers: (codePoint: number) => boolean;
}

const faces = new Map<Weight, readonly Face[]>();

/** The faces of a weight; read once. */
export function facesOf(weight: Weight): readonly Face[] {
  let found = faces.get(weight);
  if (found === undefined) {
    found = SUBSETS.map(([face, subset]) => {
      const file = fileOf(face, subset, WEIGHTS[weight]);
      const font = fontkit.create(readFileSync(file));
      if (!('hasGlyphForCodePoint' in font)) throw new Error(`${file} holds more than one face`);
      return {
        name: subset === 'latin' ? weight : `${weight} ${subset}`,
        file,
        covers: (codePoint: number) => font.hasGlyphForCodePoint(codePoint),
      };
    });
    faces.set(weight, found);
  }
  return found;
}

/** What none of the faces has, in characters that ours has. */
const INSTEAD: Readonly<Record<string, string>> = {
  '→': '->',
  '≥': '>=',
  '≤': '<=',
  '⅛': ' 1/8',
  '⅜': ' 3/8',
  '⅝': ' 5/8',
  '⅞': ' 7/8',
  '√': 'sqrt ',
};
/** What nobody here can write is seen to be missing. */
const MISSING = '?';

const known: Readonly<Record<Weight, Map<number, Face | null>>> = { regular: new Map(), bold: new Map() };

/** The first face that has a character; null where none has. Cards say the same few hundred over and over. */
function faceOf(point: number, weight: Weight): Face | null {
  let found = known[weight].get(point);
  if (found === undefined) {
    const all = facesOf(weight);
    // Line ends and the like are no characters of a face.
    found = (point < 0x20 ? all[0] : all.find((f) => f.covers(point))) ?? null;
    known[weight].set(point, found);
  }
  return found;
}

export interface Run {
  /** Name of its face, as it is registered. */
  readonly face: string;
  readonly text: string;
}

/** A text as runs of faces that have its characters, in its order: nothing of it vanishes. */
export function runsOf(value: string, weight: Weight): Run[] {
  const runs: { face: string; text: string }[] = [];
  for (const raw of value.normalize('NFC')) {
    const found = faceOf(raw.codePointAt(0) ?? 0, weight);
    const [face, text] = found === null ? [weight, INSTEAD[raw] ?? MISSING] : [found.name, raw];
    const last = runs.at(-1);
    if (last?.face === face) last.text += text;
    else runs.push({ face, text });
  }
  return runs;
}

/** The same for measuring, all in our own face: what another one writes is as wide as a wide letter of it. */
export const measured = (value: string, weight: Weight): string =>
  runsOf(value, weight)
    .map(({ face, text }) => (face === weight ? text : 'M'.repeat(Array.from(text).length)))
    .join('');
