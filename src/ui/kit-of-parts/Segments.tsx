import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';

interface Props<T extends string> {
  readonly label: string;
  readonly options: readonly (readonly [T, string])[];
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
      {options.map(([id, title]) => (
        <ToggleButton key={id} value={id}>
          {title}
        </ToggleButton>
      ))}
    </ToggleButtonGroup>
  );
}
