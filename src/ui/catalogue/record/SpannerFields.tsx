'use client';
import { useController, useWatch, type Control } from 'react-hook-form';
import { Acts } from '../../kit-of-parts/Acts';
import { Group } from '../../kit-of-parts/Group';
import { TextField } from '../../kit-of-parts/TextField';
import type { AnyRecord } from './any-record';

interface Props {
  readonly control: Control<AnyRecord>;
  readonly name: string;
}

interface NamedPart {
  readonly id?: string;
  readonly name?: string;
}

const shown = (value: unknown): string =>
  typeof value === 'string' || typeof value === 'number' ? String(value) : '';

/** Spanner across flats for each part of the family that is turned or held, mm. */
export function SpannerFields({ control, name }: Props) {
  const parts = (useWatch({ control, name: 'parts' }) ?? []) as readonly NamedPart[];
  const { field } = useController({ control, name });
  const sizes = (field.value ?? {}) as Readonly<Record<string, unknown>>;
  const put = (id: string, text: string) => {
    const { [id]: _, ...others } = sizes;
    const plain = text.trim().replace(',', '.');
    // What is no number stays as it is typed: no schema takes that.
    const value =
      plain !== '' && Number.isFinite(Number(plain)) && !/[.,]$/.test(plain) ? Number(plain) : text;
    field.onChange(text.trim() === '' ? others : { ...others, [id]: value });
  };
  return (
    <Group title="Spanners, mm across flats">
      <Acts top>
        {parts
          .filter((p) => (p.id ?? '') !== '')
          .map(({ id = '', name: words }) => (
            <TextField
              key={id}
              label={words || id}
              value={shown(sizes[id])}
              onChange={(e) => put(id, e.target.value)}
              sx={{ width: 150 }}
            />
          ))}
      </Acts>
    </Group>
  );
}
