'use client';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { CompoundEnd, TerminationView } from '@/core/termination-view';
import { ClockList } from '../compound-cure/job/ClockList';
import { useLook } from '../data/use-look';
import { Facts } from '../kit-of-parts/Facts';
import { BenchCollar } from './BenchCollar';
import { PHONE } from './parts';
import type { BenchSession } from './use-bench-session';

/** The way about, how far this end is, and what runs elsewhere meanwhile; on a phone the way about alone. */
export function BenchSide({ session }: { readonly session: BenchSession }) {
  const { view, step, pick } = session;
  const others = useOthers(view);
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
        {others.length > 0 ? (
          <section aria-label="Running at other ends">
            <Typography variant="h3" sx={{ mt: 2.75, mb: 0.5, fontSize: 15, color: 'text.secondary' }}>
              Running elsewhere
            </Typography>
            <ClockList job={view.job.slug} ends={others} />
          </section>
        ) : null}
      </Box>
    </Box>
  );
}

/** Pot lives and cures that run at other ends of the job. */
function useOthers({ job, tag }: TerminationView): readonly CompoundEnd[] {
  const { view } = useLook(['viewCompound', job.slug]);
  return (view?.ends ?? []).filter((e) => (e.state === 'curing' || e.state === 'mixed') && e.tag !== tag);
}
