'use client';
import Table from '@mui/material/Table';
import TableContainer from '@mui/material/TableContainer';
import type { SxProps } from '@mui/material/styles';
import { useEffect, useRef, useState, type ReactNode } from 'react';

interface Props {
  readonly label?: string;
  readonly labelledBy?: string;
  readonly sx?: SxProps;
  readonly children: ReactNode;
}

/** A table that scrolls sideways by itself where the page is narrower than it, so that the page does not. Keys reach it just then. */
export function DataTable({ label, labelledBy, sx, children }: Props) {
  const frame = useRef<HTMLDivElement>(null);
  const [scrolls, setScrolls] = useState(false);
  useEffect(() => {
    const node = frame.current;
    if (!node) return undefined;
    const look = () => setScrolls(node.scrollWidth > node.clientWidth);
    const watch = new ResizeObserver(look);
    watch.observe(node);
    if (node.firstElementChild) watch.observe(node.firstElementChild);
    return () => watch.disconnect();
  }, []);
  return (
    <TableContainer
      ref={frame}
      {...(scrolls
        ? { tabIndex: 0, role: 'group', 'aria-label': label ?? 'Table, wider than its place' }
        : {})}
    >
      <Table size="small" sx={sx ?? {}} aria-label={label} aria-labelledby={labelledBy}>
        {children}
      </Table>
    </TableContainer>
  );
}
