'use client';
import Box from '@mui/material/Box';
import { Facts } from '../kit-of-parts/Facts';
import { BenchCollar } from './BenchCollar';
import { PHONE } from './parts';
import type { BenchSession } from './use-bench-session';

/** The way about, and how far this end is; on a phone the way about alone. */
export function BenchSide({ session }: { readonly session: BenchSession }) {
  const { view, step, pick } = session;
  const { done, steps, loops, place } = view;
  return (
    <Box
      component="aside"
      sx={{
        overflow: 'hidden auto',
        p: '14px 12px 14px 14px',
        borderRight: '2px solid',
        borderColor: 'divider',
        [PHONE]: { p: 0.5, borderRight: 0, borderBottom: '2px solid', borderColor: 'divider' },
      }}
    >
      <BenchCollar
        arcs={view.collar.arcs}
        active={step?.station ?? null}
        step={Math.min(done.length + 1, steps.length)}
        steps={steps.length}
        onPick={pick}
      />
      <Box sx={{ m: '18px 4px', [PHONE]: { display: 'none' } }}>
        <Facts
          facts={[
            ['Done', `${done.length} of ${steps.length} steps`],
            ...(loops > 0 ? [['Looks that sent back', String(loops)] as const] : []),
            ['Entry', place ? `${place.enclosure.tag}, ${place.entry.label}` : '–'],
          ]}
        />
      </Box>
    </Box>
  );
}
