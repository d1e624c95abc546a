import { useState } from 'react';
import { readNumber } from '../../common/read-number';

const plain = (value: number | null | undefined, scale: number): string =>
  value === null || value === undefined || Number.isNaN(value)
    ? ''
    : String(Number((value * scale).toFixed(9)));

/**
 * A number beside the text that stands for it: the text stays as it is typed (both decimal signs), the number goes to the form; NaN where the
 * text is none, `empty` where nothing is typed. Whoever sets the number elsewhere sets the text. `scale`: 100 for a share shown in per cent.
 */
export function useNumberText<E extends null | undefined>(
  value: number | E,
  onChange: (value: number | E) => void,
  empty: E,
  scale = 1,
) {
  const [typed, setTyped] = useState<string | null>(null);
  const read = (text: string): number | E => (text.trim() === '' ? empty : readNumber(text) / scale);
  const text = typed !== null && Object.is(read(typed), value) ? typed : plain(value, scale);
  return {
    text,
    type: (next: string) => {
      setTyped(next);
      onChange(read(next));
    },
  };
}
