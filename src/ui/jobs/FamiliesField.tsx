'use client';
import Stack from '@mui/material/Stack';
import ToggleButton from '@mui/material/ToggleButton';
import Typography from '@mui/material/Typography';
import { useController, type Control, type FieldPath, type FieldValues } from 'react-hook-form';
import { Tick } from '../kit-of-parts/Tick';

export interface FamilyPick {
  readonly code: string;
  readonly title: string;
}

interface Props<T extends FieldValues> {
  readonly control: Control<T>;
  readonly name: FieldPath<T>;
  readonly families: readonly FamilyPick[];
}

/** Which families of the catalogue a job chooses from: all, or those that the store has. */
export function FamiliesField<T extends FieldValues>({ control, name, families }: Props<T>) {
  const {
    field: { value, onChange },
    fieldState: { error },
  } = useController({ control, name });
  const picked: readonly string[] | null = value;
  const toggle = (code: string) =>
    onChange(
      families.map((f) => f.code).filter((c) => (c === code ? !picked?.includes(c) : picked?.includes(c))),
    );
  return (
    <Stack sx={{ gap: 0.75, my: 1.5 }}>
      <Tick
        label="Choose from every family in the catalogue"
        checked={picked === null}
        onChange={(all) => onChange(all ? null : families.map((f) => f.code))}
      />
      {picked === null ? null : (
        <Stack direction="row" role="group" aria-label="Families in use" sx={{ flexWrap: 'wrap', gap: 0.75 }}>
          {families.map((f) => (
            <ToggleButton
              key={f.code}
              value={f.code}
              size="small"
              selected={picked.includes(f.code)}
              onChange={() => toggle(f.code)}
              aria-label={`${f.code}, ${f.title}`}
            >
              {f.code}
            </ToggleButton>
          ))}
        </Stack>
      )}
      {error?.message ? (
        <Typography role="alert" variant="quiet" color="error">
          {error.message}
        </Typography>
      ) : null}
    </Stack>
  );
}
