'use client';
import Box from '@mui/material/Box';
import type { LengthUnit } from '@/core/units';
import { useUnit } from './unit';

interface Props {
  readonly texts: Record<LengthUnit, string>;
  readonly stacked?: boolean;
}

/** A length in the unit shown first, the other one quiet beside it. */
export function Both({ texts, stacked = false }: Props) {
  const { unit } = useUnit();
  const other = unit === 'mm' ? 'in' : 'mm';
  return (
    <Box
      component="span"
      sx={
        stacked
          ? { display: 'inline-flex', flexDirection: 'column', alignItems: 'flex-end', lineHeight: 1.2 }
          : { whiteSpace: 'nowrap' }
      }
    >
      <Box component="span" sx={{ fontWeight: 600 }}>
        {texts[unit]}
      </Box>{' '}
      <Box component="span" sx={{ fontSize: '0.86em', color: 'text.secondary' }}>
        {texts[other]}
      </Box>
    </Box>
  );
}
