'use client';
import { useEffect, useState, type RefObject } from 'react';

/** Whether what is in a line has room in it; looked at anew when either changes its width. True until it is known. */
export function useFits(line: RefObject<HTMLElement | null>): boolean {
  const [fits, setFits] = useState(true);
  useEffect(() => {
    const node = line.current;
    if (!node) return undefined;
    const look = () => setFits(node.scrollWidth <= node.clientWidth + 1);
    const watch = new ResizeObserver(look);
    watch.observe(node);
    for (const child of node.children) watch.observe(child);
    return () => watch.disconnect();
  }, [line]);
  return fits;
}
