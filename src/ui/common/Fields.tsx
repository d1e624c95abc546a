import styles from './Fields.module.css';

export interface NumberField<K extends string> {
  readonly key: K;
  readonly name: string;
  readonly label: string;
  readonly unit: string;
}

/** A few numbers side by side, each with its label above and its unit behind. Text is kept as typed; the owner reads it. */
export function NumberFields<K extends string>({
  fields,
  values,
  onChange,
}: {
  readonly fields: readonly NumberField<K>[];
  readonly values: Readonly<Record<K, string>>;
  readonly onChange: (values: Readonly<Record<K, string>>) => void;
}) {
  return (
    <>
      {fields.map(({ key, name, label, unit }) => (
        <label key={key} className={styles.field}>
          {label}
          <span>
            <input
              className={styles.input}
              name={name}
              inputMode="decimal"
              autoComplete="off"
              value={values[key]}
              onChange={(e) => onChange({ ...values, [key]: e.target.value })}
            />{' '}
            {unit}
          </span>
        </label>
      ))}
    </>
  );
}

/** A number as typed, with a decimal comma or point; NaN when it is none. */
export const readNumber = (text: string): number =>
  text.trim() === '' ? NaN : Number(text.trim().replace(',', '.'));
