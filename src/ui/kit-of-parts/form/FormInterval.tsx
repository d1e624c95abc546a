import Box from '@mui/material/Box';
import type { Control, FieldPath, FieldValues } from 'react-hook-form';
import { FormNumber } from './FormNumber';

interface Props<T extends FieldValues> {
  readonly control: Control<T>;
  /** Of the object with its smallest and largest. */
  readonly name: FieldPath<T>;
  /** What is measured. */
  readonly label: string;
}

/** Smallest and largest of something that is measured, side by side. One alone stands for both: see `saidInterval`. */
export function FormInterval<T extends FieldValues>({ control, name, label }: Props<T>) {
  return (
    <Box role="group" aria-label={label}>
      <Box sx={{ mb: 0.5, fontSize: 14, fontWeight: 600 }}>{label}</Box>
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1 }}>
        <FormNumber control={control} name={`${name}.min` as FieldPath<T>} label="smallest" unit="mm" />
        <FormNumber control={control} name={`${name}.max` as FieldPath<T>} label="largest" unit="mm" />
      </Box>
    </Box>
  );
}

interface Typed {
  readonly min?: unknown;
  readonly max?: unknown;
}

/** What two fields say of an interval: nothing where both are empty; where one is, the other stands for both. */
export function saidInterval(value: Typed | undefined): Typed | undefined {
  const { min, max } = value ?? {};
  if (min === undefined && max === undefined) return undefined;
  return { min: min ?? max, max: max ?? min };
}
