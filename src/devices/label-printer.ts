import QRCode from 'qrcode';

/** What a label says. */
export interface LabelText {
  readonly tag: string;
  readonly below: string;
  /** Where its code leads. */
  readonly address: string;
}

/** A strip as it comes out of the printer, dot by dot: 0 black, 255 white, row by row. */
export interface PrintedLabel {
  readonly width: number;
  readonly height: number;
  readonly dots: Uint8Array;
  /** Where the words stand, which the printer sets in its own face: left edge, dots. */
  readonly textLeft: number;
}

/** Dots of one square of the code. */
const SQUARE = 6;
/** White round it, in squares. */
const QUIET = 4;
/** Room for the words beside the code, dots. */
const WORDS = 420;

/** Prints a label: its code, dot by dot. */
export function printLabel({ address }: LabelText): PrintedLabel {
  const { modules } = QRCode.create(address, { errorCorrectionLevel: 'M' });
  const side = (modules.size + 2 * QUIET) * SQUARE;
  const width = side + WORDS;
  const dots = new Uint8Array(width * side).fill(255);
  for (let y = 0; y < modules.size; y += 1)
    for (let x = 0; x < modules.size; x += 1) {
      if (!modules.get(y, x)) continue;
      for (let d = 0; d < SQUARE; d += 1) {
        const from = ((y + QUIET) * SQUARE + d) * width + (x + QUIET) * SQUARE;
        dots.fill(0, from, from + SQUARE);
      }
    }
  return { width, height: side, dots, textLeft: side };
}
