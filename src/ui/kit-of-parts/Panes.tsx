import Box from '@mui/material/Box';
import Tab from '@mui/material/Tab';
import Tabs from '@mui/material/Tabs';
import type { ReactNode } from 'react';

interface Props<T extends string> {
  readonly label: string;
  readonly panes: readonly (readonly [value: T, words: string])[];
  readonly value: T;
  readonly onChange: (value: T) => void;
}

/** The heads of panes that lie in one place, one of them open; arrow keys go from head to head. */
export const Panes = <T extends string>({ label, panes, value, onChange }: Props<T>) => (
  <Tabs
    variant="scrollable"
    scrollButtons={false}
    aria-label={label}
    value={value}
    onChange={(_, next: T) => onChange(next)}
  >
    {panes.map(([id, words]) => (
      <Tab key={id} id={`tab-${id}`} aria-controls={`pane-${id}`} value={id} label={words} disableRipple />
    ))}
  </Tabs>
);

interface PaneProps {
  readonly of: string;
  /** Not open, but what is typed in it stays. */
  readonly hidden?: boolean;
  readonly children: ReactNode;
}

export const Pane = ({ of, hidden = false, children }: PaneProps) => (
  <Box role="tabpanel" id={`pane-${of}`} aria-labelledby={`tab-${of}`} hidden={hidden}>
    {children}
  </Box>
);
