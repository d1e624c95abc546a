'use client';
import Drawer from '@mui/material/Drawer';
import type { ReactNode } from 'react';

interface Props {
  readonly label: string;
  readonly width: string;
  readonly onClose: () => void;
  readonly children: ReactNode;
}

/** What comes out of the side of a narrow page. Loaded when it first does: no page needs it to be seen. */
export const SideDrawer = ({ label, width, onClose, children }: Props) => (
  <Drawer open onClose={onClose} slotProps={{ paper: { 'aria-label': label, sx: { width } } }}>
    {children}
  </Drawer>
);
