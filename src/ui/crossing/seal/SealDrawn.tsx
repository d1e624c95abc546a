'use client';
import Box from '@mui/material/Box';
import { useMemo, useState } from 'react';
import { sealDrawings } from '@/core/crossing';
import type { Drawing } from '@/core/kernel';
import { DrawingSvg } from '../../drawing/DrawingSvg';
import { Named } from './Named';
import { SleeveHandles } from './SleeveHandles';
import type { SealMade, SealSession } from './use-seal';
import { WrapHandles } from './WrapHandles';

interface Props {
  readonly session: SealSession;
  readonly made: SealMade;
}

/** A soft seal across and along its axis, to scale. In a sleeve a cable is laid elsewhere by hand, in a wrap into another bundle. */
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
            <Hands session={session} made={made} drawing={section} lit={lit} onLight={setLit} />
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
        {words?.text ?? handWords(made)}
      </Box>
      <Named made={made} lit={lit} onLight={setLit} />
    </>
  );
}

/** The cables of a section that can be taken by hand, where there are any. */
function Hands({
  session,
  made,
  ...rest
}: Props & {
  readonly drawing: Drawing;
  readonly lit: string | null;
  readonly onLight: (tag: string | null) => void;
}) {
  const hand = { ...rest, busy: session.work.working || session.busy };
  if (made.of === 'sleeve' && made.plan.circles.length > 0)
    return (
      <SleeveHandles
        {...hand}
        made={made}
        onMove={(tag, to) => session.move(made.request, made.plan, tag, to)}
      />
    );
  return made.of === 'wrap' ? <WrapHandles {...hand} made={made} onBundle={session.bundle} /> : null;
}

/** What can be done with the section by hand, or how it is drawn. */
function handWords(made: SealMade): string {
  if (made.of === 'sleeve' && made.plan.circles.length > 0)
    return 'Drag a cable to another place, or choose it and move it with the arrow keys: the rest is laid round it.';
  if (made.of === 'sleeve' && made.plan.wouldFit !== null)
    return 'Drawn as they lie closest; dashed: the opening, that they reach over.';
  if (made.of === 'wrap' && made.request.bundles.length > 0)
    return 'Drag a cable into another bundle, or beside them into one of its own; with the arrow keys it goes to the next.';
  return 'To scale; cables at the largest that they may be.';
}

const DRAWINGS = {
  display: 'grid',
  gridTemplateColumns: { xs: 'minmax(0, 1fr)', sm: 'minmax(0, 1fr) minmax(0, 1.1fr)' },
  alignItems: 'start',
  gap: '12px 28px',
} as const;
const CAPTION = { fontSize: 13.5, color: 'text.secondary' } as const;
