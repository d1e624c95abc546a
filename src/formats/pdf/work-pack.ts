import { drawCutCard, type CutCard } from './cut-card';
import { collecting, newDocument } from './document';
import { sheetOf, type Paper } from './sheet';

export interface WorkPackOptions {
  readonly title: string;
  readonly printed: Date;
  readonly paper: Paper;
  /** Called after each card. */
  readonly onProgress?: (done: number, of: number) => void;
  /** Asked before each card; true ends the work. */
  readonly cancelled?: () => boolean;
}

/**
 * The cut cards of a selection in one document. Gives the event loop its turn between cards, so that a server goes on answering. Null
 * when it was cancelled.
 */
export async function workPackPdf(
  cards: readonly CutCard[],
  options: WorkPackOptions,
): Promise<Uint8Array<ArrayBuffer> | null> {
  const doc = newDocument(options.title, options.printed, options.paper);
  const sheet = sheetOf(options.paper);
  const bytes = collecting(doc);
  for (const [i, card] of cards.entries()) {
    if (options.cancelled?.()) {
      await bytes.finish();
      return null;
    }
    drawCutCard(doc, sheet, card);
    options.onProgress?.(i + 1, cards.length);
    await new Promise((resolve) => setImmediate(resolve));
  }
  return bytes.finish();
}
