import Stack from '@mui/material/Stack';
import ToggleButton from '@mui/material/ToggleButton';
import type { ReactNode } from 'react';

interface Props<T extends string> {
  readonly label: string;
  readonly options: readonly (readonly [value: T, words: ReactNode])[];
  /** Null while none narrows the list. */
  readonly value: T | null;
  readonly onChange: (value: T) => void;
  readonly children?: ReactNode;
}

/** What narrows a list down: one of them pressed, on as many lines as it takes. */
export const Chips = <T extends string>({ label, options, value, onChange, children }: Props<T>) => (
  <Stack
    direction="row"
    role="group"
    aria-label={label}
    sx={{ flexWrap: 'wrap', alignItems: 'center', gap: 0.75, my: 1.5 }}
  >
    {options.map(([id, words]) => (
      <ToggleButton key={id} value={id} selected={id === value} onChange={() => onChange(id)} data-chip={id}>
        {words}
      </ToggleButton>
    ))}
    {children}
  </Stack>
);
