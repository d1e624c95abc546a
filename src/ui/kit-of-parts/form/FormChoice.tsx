import { useController, type FieldValues } from 'react-hook-form';
import { Choice } from '../Choice';
import type { Bound } from './FormText';

interface Props<T extends FieldValues> extends Bound<T> {
  /** An empty value stands for "not said". */
  readonly options: readonly (readonly [string, string])[];
}

/** One of a list, in a form. */
export function FormChoice<T extends FieldValues>({ control, name, label, options, width }: Props<T>) {
  const {
    field: { value, onChange },
    fieldState: { error },
  } = useController({ control, name });
  return (
    <Choice
      name={name}
      label={label}
      options={options}
      value={value ?? ''}
      onChange={(next) => onChange(next === '' ? undefined : next)}
      error={error?.message}
      {...(width === undefined ? {} : { width })}
    />
  );
}
