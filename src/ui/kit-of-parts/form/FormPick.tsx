import { useController, type FieldValues } from 'react-hook-form';
import { Choice } from '../Choice';
import type { Bound } from './FormText';

interface Props<T extends FieldValues> extends Bound<T> {
  /** Values of any kind with their words; what is not said yet comes first by itself. */
  readonly options: readonly (readonly [value: unknown, words: string])[];
  /** What stands for nothing said. */
  readonly unsaid?: string;
}

/** One of a few answers, or none yet: yes, no, one, two. */
export function FormPick<T extends FieldValues>({
  control,
  name,
  label,
  options,
  width,
  unsaid = 'not known yet',
}: Props<T>) {
  const {
    field: { value, onChange },
    fieldState: { error },
  } = useController({ control, name });
  const at = options.findIndex(([v]) => v === value);
  return (
    <Choice
      name={name}
      label={label}
      options={[['', unsaid], ...options.map(([, words], i) => [String(i), words] as const)]}
      value={at < 0 ? '' : String(at)}
      onChange={(next) => onChange(next === '' ? undefined : options[Number(next)]?.[0])}
      error={error?.message}
      {...(width === undefined ? {} : { width })}
    />
  );
}
