'use client';
import { useCallback, useState, type RefCallback } from 'react';

/**
 * How wide what the returned ref is given to is shown, in CSS pixels; `usual` until that is known. A chart that is drawn in them has words of the
 * same size on a phone as elsewhere.
 */
export function useWidth(usual: number): readonly [RefCallback<Element>, number] {
  const [width, setWidth] = useState(usual);
  const ref: RefCallback<Element> = useCallback((node) => {
    if (node === null) return undefined;
    const watch = new ResizeObserver(() => {
      const now = Math.round(node.getBoundingClientRect().width);
      if (now > 0) setWidth(now);
    });
    watch.observe(node);
    return () => watch.disconnect();
  }, []);
  return [ref, width];
}

/** Of marks from left to right the last, which somebody may just have made, and before it those that have so many pixels to the next. */
export function apart<T>(marks: readonly T[], at: (mark: T) => number, pixels: number): T[] {
  const kept: T[] = [];
  for (const mark of [...marks].reverse()) {
    const next = kept[0];
    if (next === undefined || at(next) - at(mark) >= pixels) kept.unshift(mark);
  }
  return kept;
}
