import QRCode from 'qrcode';
import type { Doc } from './sheet';

/** A code with this content, drawn as squares, so that it prints sharp at any size. What it lies on is white round it. */
export function drawCode(doc: Doc, content: string, x: number, y: number, size: number): void {
  const { modules } = QRCode.create(content, { errorCorrectionLevel: 'M' });
  const quiet = 2;
  const unit = size / (modules.size + 2 * quiet);
  for (let row = 0; row < modules.size; row += 1)
    for (let column = 0; column < modules.size; column += 1)
      if (modules.get(row, column))
        doc.rect(x + (column + quiet) * unit, y + (row + quiet) * unit, unit * 1.01, unit * 1.01);
  doc.fill('#000000');
}
