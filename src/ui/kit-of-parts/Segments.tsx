import Box from '@mui/material/Box';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';

interface Props<T extends string> {
  readonly label: string;
  /** Value and words, and what is to be known of it under them. */
  readonly options: readonly (readonly [value: T, words: string, note?: string])[];
  readonly value: T;
  readonly onChange: (value: T) => void;
}

/** A few ways to look at one thing, side by side; the one in use is filled. */
export function Segments<T extends string>({ label, options, value, onChange }: Props<T>) {
  return (
    <ToggleButtonGroup
      exclusive
      size="small"
      aria-label={label}
      value={value}
      onChange={(_, next: T | null) => {
        // Pressed again, the one in use stays in use.
        if (next !== null) onChange(next);
      }}
    >
      {options.map(([id, words, note]) => (
        <ToggleButton key={id} value={id} sx={{ flexDirection: 'column' }}>
          {words}
          {note === undefined ? null : (
            <Box component="small" sx={{ display: 'block', fontSize: 13, fontWeight: 400 }}>
              {note}
            </Box>
          )}
        </ToggleButton>
      ))}
    </ToggleButtonGroup>
  );
}
