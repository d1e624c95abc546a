'use client';
import Button from '@mui/material/Button';
import Box from '@mui/material/Box';
import { useState } from 'react';

/** What is typed: a length with its fraction, a temperature with its sign, or a code of letters and digits. */
export type PadKind = 'length' | 'temperature' | 'code';

const DIGITS = ['7', '8', '9', '4', '5', '6', '1', '2', '3'];
const LETTERS = Array.from('ABCDEFGHIJKLMNOPQRSTUVWXYZ');
const LAST_ROW: Readonly<Record<PadKind, readonly string[]>> = {
  length: ['.', '0', '/', ' '],
  temperature: ['.', '0', '−'],
  code: ['-', '0', '/'],
};
const WORDS: Readonly<Record<string, string>> = { ' ': 'space' };
const SIGNS: Readonly<Record<string, string>> = { ' ': '␣' };

interface Props {
  readonly kind?: PadKind;
  readonly value: string;
  readonly onChange: (value: string) => void;
}

/** Keys large enough for a glove; of a length, the space parts whole inches from their fraction. */
export function Keypad({ kind = 'length', value, onChange }: Props) {
  const [letters, setLetters] = useState(false);
  const keys = letters ? LETTERS : [...DIGITS, ...LAST_ROW[kind]];
  const columns = letters ? 6 : 3;
  // Larger than the bench's other buttons, whatever those are.
  const keyOf = (fontSize: number) => ({
    '&&&': { minHeight: 58, minWidth: 0, padding: 0, borderColor: 'var(--ac-rule)', fontSize },
  });
  return (
    <Box
      role="group"
      aria-label="Keypad"
      // The field keeps its cursor while its keys are pressed.
      onPointerDown={(e) => e.preventDefault()}
      sx={{
        display: 'grid',
        gridTemplateColumns: `repeat(${columns}, minmax(40px, 88px))`,
        alignSelf: 'start',
        gap: 1,
      }}
    >
      {keys.map((k) => (
        <Button
          key={k}
          variant="outlined"
          sx={keyOf(letters ? 18 : 24)}
          aria-label={WORDS[k]}
          onClick={() => onChange(value + (k === '−' ? '-' : k))}
        >
          {SIGNS[k] ?? k}
        </Button>
      ))}
      {kind === 'code' ? (
        <Button variant="outlined" sx={keyOf(17)} onClick={() => setLetters(!letters)}>
          {letters ? '123' : 'ABC'}
        </Button>
      ) : null}
      <Button
        variant="outlined"
        sx={{ ...keyOf(17), gridColumn: 'span 2' }}
        onClick={() => onChange(value.slice(0, -1))}
      >
        Delete
      </Button>
    </Box>
  );
}
