import Box from '@mui/material/Box';
import FormHelperText from '@mui/material/FormHelperText';
import { useId } from 'react';
import { readNumber } from '../common/read-number';
import { diameterTexts } from '../common/unit';
import { NumberFields, type NumberField } from './NumberFields';

/** Smallest and largest as they are typed. */
export interface IntervalTexts {
  readonly min: string;
  readonly max: string;
}
export const NO_INTERVAL: IntervalTexts = { min: '', max: '' };

const read = ({ min, max }: IntervalTexts): { min: number; max: number } => ({
  min: readNumber(min),
  max: readNumber(max.trim() === '' ? min : max),
});

/** Why two fields are no interval; empty while nothing is typed, or where they are one. */
export function intervalProblem(texts: IntervalTexts): string {
  if (texts.min.trim() === '') return texts.max.trim() === '' ? '' : 'the smallest is missing';
  const { min, max } = read(texts);
  if (Number.isNaN(min) || Number.isNaN(max)) return 'is no number';
  if (min <= 0) return 'must be more than 0 mm';
  return max < min ? 'the largest is below the smallest' : '';
}

/** The interval that two fields stand for, mm; one alone is both. Null where it is none. */
export const intervalOf = (texts: IntervalTexts): { min: number; max: number } | null =>
  texts.min.trim() === '' || intervalProblem(texts) !== '' ? null : read(texts);

const FIELDS: readonly NumberField<keyof IntervalTexts>[] = [
  { key: 'min', name: 'min', label: 'smallest', unit: 'mm' },
  { key: 'max', name: 'max', label: 'largest', unit: 'mm' },
];

interface Props {
  /** What is measured by it. */
  readonly label: string;
  readonly value: IntervalTexts;
  readonly onChange: (value: IntervalTexts) => void;
}

/** An interval, smallest and largest side by side; in inches below, or why it is none. */
export function IntervalField({ label, value, onChange }: Props) {
  const said = useId();
  const problem = intervalProblem(value);
  const interval = intervalOf(value);
  return (
    <Box role="group" aria-label={label} aria-describedby={said}>
      <Box sx={{ display: 'flex', gap: 1 }}>
        <NumberFields fields={FIELDS} values={value} onChange={onChange} width={120} error={problem !== ''} />
      </Box>
      <FormHelperText id={said} error={problem !== ''} role="status">
        {problem !== '' ? problem : interval === null ? ' ' : diameterTexts(interval.min, interval.max).in}
      </FormHelperText>
    </Box>
  );
}
