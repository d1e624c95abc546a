'use client';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { useController, useWatch, type Control } from 'react-hook-form';
import { QUANTITIES, QUANTITY_WORDS, type Quantity } from '@/core/cable-measurement';
import { readNominal, writeNominal, type CableType, type Nominal } from '@/core/schedule';
import { Acts } from '../kit-of-parts/Acts';
import { TextField } from '../kit-of-parts/TextField';

interface Props {
  readonly control: Control<CableType>;
}

/** Layers that a construction has not are not asked for. */
const has = (type: Partial<CableType>, quantity: Quantity): boolean => {
  if (quantity === 'innerSheath') return type.innerSheath === true;
  if (quantity === 'armourWire' || quantity === 'overArmour') return type.armour !== 'none';
  return true;
};

/** Diameters by the datasheet, each with what it may vary: `28.4 ± 0.6`, or from–to. */
export function NominalFields({ control }: Props) {
  const type = useWatch({ control }) as Partial<CableType>;
  const { field, fieldState } = useController({ control, name: 'nominal' });
  const nominal = field.value;
  const [texts, setTexts] = useState<Partial<Record<Quantity, string>>>({});
  const put = (quantity: Quantity, text: string) => {
    setTexts({ ...texts, [quantity]: text });
    const { [quantity]: _, ...others } = nominal ?? {};
    const read = readNominal(text);
    // What cannot be read is no number: the form does not go off with it.
    const next: Nominal =
      text.trim() === '' ? others : { ...others, [quantity]: read.ok ? read.value : { mm: NaN } };
    field.onChange(Object.keys(next).length === 0 ? undefined : next);
  };
  return (
    <>
      <Typography variant="quiet" component="div" color="text.secondary" sx={{ mt: 1 }}>
        Diameters by the datasheet, with half of what they may vary. Until a cable is measured, all that is
        planned on them is provisional.
      </Typography>
      <Acts top label="Diameters by the datasheet">
        {QUANTITIES.filter((q) => has(type, q) || nominal?.[q] !== undefined).map((quantity) => {
          const text = texts[quantity] ?? (nominal?.[quantity] ? writeNominal(nominal[quantity]) : '');
          const read = text.trim() === '' ? null : readNominal(text);
          return (
            <TextField
              key={quantity}
              name={`nominal-${quantity}`}
              label={QUANTITY_WORDS[quantity]}
              value={text}
              onChange={(e) => put(quantity, e.target.value)}
              placeholder="28.4 ± 0.6"
              error={read !== null && !read.ok}
              helperText={read !== null && !read.ok ? read.problems[0]?.message : undefined}
              sx={{ width: 150 }}
            />
          );
        })}
        {fieldState.error?.message ? (
          <Box role="alert" sx={{ color: 'error.main' }}>
            {fieldState.error.message}
          </Box>
        ) : null}
      </Acts>
    </>
  );
}
