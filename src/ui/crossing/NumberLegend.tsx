import Box from '@mui/material/Box';
import { useMemo } from 'react';
import { placeNumbers } from '@/core/crossing';
import type { FramePlan } from '@/core/frame-packing';

interface Props {
  readonly plan: FramePlan;
  readonly lit: string | null;
  readonly onLight: (tag: string | null) => void;
}

/** Which cable each number in the face stands for. */
export function NumberLegend({ plan, lit, onLight }: Props) {
  const numbers = useMemo(() => [...placeNumbers(plan)], [plan]);
  return (
    <Box component="details" sx={{ my: 1, fontSize: 13.5 }}>
      <summary>Cables by the number in the face</summary>
      <Box component="ol" sx={{ columns: '104px', m: '6px 0', p: 0, listStyle: 'none' }}>
        {numbers.map(([tag, number]) => (
          <Box
            component="li"
            key={tag}
            onPointerEnter={() => onLight(tag)}
            onPointerLeave={() => onLight(null)}
            sx={lit === tag ? { bgcolor: 'var(--ac-amber-wash)' } : undefined}
          >
            <b>{number}</b> {tag}
          </Box>
        ))}
      </Box>
    </Box>
  );
}
