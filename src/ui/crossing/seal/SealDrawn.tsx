'use client';
import Box from '@mui/material/Box';
import { useMemo, useState } from 'react';
import { circuitsIn, cableNumbers, lookOf, sealDrawings } from '@/core/crossing';
import { DrawingSvg } from '../../drawing/DrawingSvg';
import styles from '../Face.module.css';
import { SleeveHandles } from './SleeveHandles';
import { throughOf } from './through';
import type { SealMade, SealSession } from './use-seal';

interface Props {
  readonly session: SealSession;
  readonly made: SealMade;
}

/** A soft seal across and along its axis, to scale. In a sleeve a cable is laid elsewhere by hand. */
export function SealDrawn({ session, made }: Props) {
  const { section, axis } = useMemo(() => sealDrawings(made), [made]);
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

interface NamedProps {
  readonly made: SealMade;
  readonly lit: string | null;
  readonly onLight: (tag: string | null) => void;
}

/** Circuits by their look, and the number that stands for a tag where a drawing has no room for it. */
function Named({ made, lit, onLight }: NamedProps) {
  const cables = throughOf(made);
  const circuits = circuitsIn(cables);
  const numbers = cableNumbers(cables.map((c) => c.tag));
  return (
    <Box component="ul" aria-label="Cables" sx={NAMES}>
      {cables.map((c) => {
        const { role, pattern } = lookOf(circuits, c.circuit ?? '');
        return (
          <Box
            component="li"
            key={c.tag}
            onPointerEnter={() => onLight(c.tag)}
            onPointerLeave={() => onLight(null)}
            sx={lit === c.tag ? { bgcolor: 'var(--ac-amber-wash)' } : undefined}
          >
            <i className={styles.swatch} data-role={role} data-pattern={pattern} aria-hidden />
            <span>
              <b>{numbers.get(c.tag)}</b> {c.tag}{' '}
              <small>{c.circuit === undefined || c.circuit === '' ? 'no circuit' : c.circuit}</small>
            </span>
          </Box>
        );
      })}
    </Box>
  );
}

const DRAWINGS = {
  display: 'grid',
  gridTemplateColumns: { xs: 'minmax(0, 1fr)', sm: 'minmax(0, 1fr) minmax(0, 1.1fr)' },
  alignItems: 'start',
  gap: '12px 28px',
} as const;
const CAPTION = { fontSize: 13.5, color: 'text.secondary' } as const;
const NAMES = {
  columns: '150px',
  m: '4px 0 10px',
  p: 0,
  fontSize: 13.5,
  listStyle: 'none',
  '& li': { display: 'flex', alignItems: 'center', gap: 0.75, py: '2px', breakInside: 'avoid' },
  '& small': { color: 'text.secondary' },
} as const;
