import { useState } from 'react';
import { numberText, typedNumber, type EmptyAs } from './typed';

/**
 * A number of a form beside the text that stands for it: “5,” and “5.0” are 5 already, and stay as they are typed. Whoever sets the number
 * elsewhere sets the text.
 */
export function useNumberText(value: unknown, onChange: (value: unknown) => void, empty: EmptyAs, scale = 1) {
  const [typed, setTyped] = useState<string | null>(null);
  const stands = typed !== null && Object.is(typedNumber(typed, empty, scale), value);
  return {
    text: stands ? typed : numberText(value, scale),
    type: (next: string) => {
      setTyped(next);
      onChange(typedNumber(next, empty, scale));
    },
  };
}
