import Box from '@mui/material/Box';
import { useMemo } from 'react';
import { sealDrawings, type SealView } from '@/core/crossing';
import { DrawingSvg } from '../../drawing/DrawingSvg';
import { Named } from './Named';
import type { SealMade } from './use-seal';

const NOTHING = () => undefined;

/** The seal as it will be, across and along its axis, beside the step. */
export function BuildSeal({ view }: { readonly view: SealView }) {
  const [inForce]: readonly SealMade[] = view.plans;
  const drawings = useMemo(() => (inForce === undefined ? null : sealDrawings(inForce, true)), [inForce]);
  if (drawings === null || inForce === undefined) return null;
  return (
    <Box sx={{ display: 'grid', gap: 2 }}>
      {[drawings.section, drawings.axis].map((drawing) => (
        // Both are seen at once: each has half of the height that the step leaves.
        <Box
          key={drawing.description}
          style={{ maxWidth: `calc(40dvh * ${(drawing.width / drawing.height).toFixed(3)})` }}
        >
          <DrawingSvg drawing={drawing} />
        </Box>
      ))}
      <Named made={inForce} lit={null} onLight={NOTHING} />
    </Box>
  );
}
