import Autocomplete from '@mui/material/Autocomplete';
import Box from '@mui/material/Box';
import { TextField } from './TextField';

export interface Pick {
  /** What is written into the field. */
  readonly value: string;
  /** What it is, in words. */
  readonly words: string;
  /** Why it may not be taken; null when it may. */
  readonly taken?: string | null;
}

interface Props {
  readonly label: string;
  readonly name: string;
  readonly picks: readonly Pick[];
  readonly value: string;
  readonly onChange: (value: string) => void;
  readonly error?: string | undefined;
  readonly width?: number;
}

/** A code that is picked by what it stands for, or typed: searched by both. */
export function PickField({ label, name, picks, value, onChange, error, width = 190 }: Props) {
  return (
    <Autocomplete
      freeSolo
      disableClearable
      size="small"
      autoHighlight={false}
      options={picks}
      inputValue={value}
      onInputChange={(_, text) => onChange(text)}
      getOptionLabel={(pick) => (typeof pick === 'string' ? pick : pick.value)}
      getOptionDisabled={({ taken }) => (taken ?? null) !== null}
      filterOptions={(all, { inputValue }) => {
        const words = inputValue.toLowerCase().split(/\s+/);
        return all
          .filter((p) => words.every((w) => `${p.value} ${p.words}`.toLowerCase().includes(w)))
          .slice(0, 60);
      }}
      slotProps={{ popper: { style: { width: 'fit-content' }, placement: 'bottom-start' } }}
      renderOption={({ key, ...props }, pick) => (
        <Box component="li" key={key} {...props} sx={{ display: 'flex', gap: 1.5, whiteSpace: 'nowrap' }}>
          <b>{pick.value}</b>
          <span>{pick.words}</span>
          {pick.taken ? <span>{pick.taken}</span> : null}
        </Box>
      )}
      renderInput={(params) => (
        <TextField
          {...params}
          name={name}
          label={label}
          error={error !== undefined}
          helperText={error}
          sx={{ width }}
        />
      )}
    />
  );
}
