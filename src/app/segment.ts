import { notFound } from 'next/navigation';

/**
 * A piece of a page's address as it was written: pages get it encoded. One that cannot be decoded names nothing. Route handlers get theirs
 * decoded already; decoding again would make `K%2D101` another cable.
 */
export function segment(encoded: string): string {
  try {
    return decodeURIComponent(encoded);
  } catch {
    notFound();
  }
}

/** The end that an address names; another letter names nothing. */
export function endOf(text: string): 'A' | 'B' {
  if (text !== 'A' && text !== 'B') notFound();
  return text;
}
