'use client';
import Box from '@mui/material/Box';
import { useMemo, useState } from 'react';
import { sealDrawings } from '@/core/crossing';
import { DrawingSvg } from '../../drawing/DrawingSvg';
import { Named } from './Named';
import { SleeveHandles } from './SleeveHandles';
import type { SealMade, SealSession } from './use-seal';

interface Props {
  readonly session: SealSession;
  readonly made: SealMade;
}

/** A soft seal across and along its axis, to scale. In a sleeve a cable is laid elsewhere by hand. */
export function SealDrawn({ session, made }: Props) {
  const { section, axis } = useMemo(() => sealDrawings(made, true), [made]);
  const [lit, setLit] = useState<string | null>(null);
  const { words } = session;
  return (
    <>
      <Box sx={DRAWINGS}>
        <Box component="figure" sx={{ m: 0, position: 'relative', maxWidth: 420 }}>
          <Box sx={{ position: 'relative' }}>
            <DrawingSvg drawing={section} lit={lit} onLight={setLit} />
            {made.of === 'sleeve' && made.plan.circles.length > 0 ? (
              <SleeveHandles
                made={made}
                drawing={section}
                busy={session.work.working}
                lit={lit}
                onLight={setLit}
                onMove={(tag, to) => session.move(made.request, made.plan, tag, to)}
              />
            ) : null}
          </Box>
          <Box component="figcaption" sx={CAPTION}>
            Across the axis
          </Box>
        </Box>
        <Box component="figure" sx={{ m: 0, maxWidth: 620 }}>
          <DrawingSvg drawing={axis} lit={lit} onLight={setLit} />
          <Box component="figcaption" sx={CAPTION}>
            Along the axis
          </Box>
        </Box>
      </Box>
      <Box
        component="p"
        role="status"
        sx={{
          minHeight: 34,
          m: '6px 0',
          p: '4px 12px',
          borderLeft: '6px solid',
          borderColor: words === null ? 'divider' : words.good ? 'success.main' : 'error.main',
          ...(words?.good === false ? { color: 'error.main', fontWeight: 600 } : {}),
        }}
      >
        {words?.text ??
          (made.of === 'sleeve' && made.plan.circles.length > 0
            ? 'Drag a cable to another place, or choose it and move it with the arrow keys: the rest is laid round it.'
            : made.of === 'sleeve' && made.plan.wouldFit !== null
              ? 'Drawn as they lie closest; dashed: the opening, that they reach over.'
              : 'To scale; cables at the largest that they may be.')}
      </Box>
      <Named made={made} lit={lit} onLight={setLit} />
    </>
  );
}

const DRAWINGS = {
  display: 'grid',
  gridTemplateColumns: { xs: 'minmax(0, 1fr)', sm: 'minmax(0, 1fr) minmax(0, 1.1fr)' },
  alignItems: 'start',
  gap: '12px 28px',
} as const;
const CAPTION = { fontSize: 13.5, color: 'text.secondary' } as const;
