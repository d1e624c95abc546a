'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import dynamic from 'next/dynamic';
import { cablePath } from '../cables/cable-path';
import { UndoRedo } from '../changes/UndoRedo';
import { Link } from '../kit-of-parts/Link';
import { useRouter } from 'next/navigation';
import { useMemo, useState, type ComponentType } from 'react';
import type { ArcStation, TerminationRef } from '@/core/record';
import { useShown } from '../data/use-look';
import type { StationProps } from './station-props';
import { JointNote } from '../joint/JointNote';
import { DrawingPanel } from './DrawingPanel';
import { ReviewPanel } from './ReviewPanel';
import { StationStrip } from './StationStrip';
import { useRun } from './use-run';
import { Problems } from '../kit-of-parts/Problems';
import { useShortcuts } from '../shell/shortcuts';

interface Props {
  readonly end: TerminationRef;
  readonly station: ArcStation;
}

/** Each station comes with what it alone needs. */
const STATION: Readonly<Record<ArcStation, ComponentType<StationProps>>> = {
  measure: dynamic(() => import('../measure/MeasureStation').then((m) => m.MeasureStation)),
  choose: dynamic(() => import('../gland-selection/ChooseStation').then((m) => m.ChooseStation)),
  cut: dynamic(() => import('../cut/CutStation').then((m) => m.CutStation)),
  makeOff: dynamic(() => import('../make-off/MakeOffStation').then((m) => m.MakeOffStation)),
  seal: dynamic(() => import('../compound-cure/station/SealStation').then((m) => m.SealStation)),
  tighten: dynamic(() => import('../tighten/TightenStation').then((m) => m.TightenStation)),
  prove: dynamic(() => import('../prove/ProveStation').then((m) => m.ProveStation)),
};

/** One termination at one station: strip on top, the few inputs and the decision in the middle, the drawing at the right. */
export function TerminationPage({ end, station }: Props) {
  const view = useShown(['viewTermination', end]);
  const [lit, setLit] = useState<string | null>(null);
  const router = useRouter();
  const { run, busy, problems } = useRun();
  const Station = STATION[station];
  const base = `/job/${encodeURIComponent(view.job.slug)}`;
  const bench = `${base}/bench/${encodeURIComponent(view.cable)}/${view.end}`;
  useShortcuts({ b: () => router.push(bench) });
  const subtitle = useMemo(() => {
    const to = view.place
      ? `${view.place.enclosure.title}, ${view.place.enclosure.tag}/${view.place.entry.label}`
      : 'no entry yet';
    return `${view.cableType.title} → ${to}`;
  }, [view]);
  return (
    <>
      <Box
        component="main"
        sx={{ flex: 1, minWidth: 0, overflowY: 'auto', p: { xs: '12px 14px 32px', sm: '14px 22px 40px' } }}
      >
        <Stack
          direction="row"
          sx={{ flexWrap: { xs: 'wrap', sm: 'nowrap' }, alignItems: 'baseline', gap: 1.75, mb: 1.25 }}
        >
          <Typography variant="h1" noWrap sx={{ fontSize: 24, flex: 'none' }}>
            {view.tag}
          </Typography>
          <Typography sx={SUBTITLE}>{subtitle}</Typography>
          <Stack direction="row" sx={{ flex: 'none', gap: 0.75, ml: 'auto' }}>
            <UndoRedo job={view.job.slug} running={{ run, busy }} onDone={() => setLit(null)} />
            <Button size="small" variant="text" component={Link} href={cablePath(view.job.slug, view.cable)}>
              Both ends
            </Button>
            <Button size="small" variant="outlined" component={Link} href={bench}>
              Bench
            </Button>
          </Stack>
        </Stack>
        <Problems problems={problems} />
        <StationStrip view={view} station={station} />
        <JointNote view={view} />
        {view.review !== null ? <ReviewPanel view={view} /> : null}
        <Station view={view} lit={lit} onLight={setLit} />
      </Box>
      <DrawingPanel view={view} station={station} lit={lit} onLight={setLit} />
    </>
  );
}

/** One line beside the tag; on a phone below it, as long as it is. */
const SUBTITLE = {
  flex: { xs: '1 0 100%', sm: 1 },
  order: { xs: 1, sm: 0 },
  minWidth: 0,
  overflow: 'hidden',
  textOverflow: 'ellipsis',
  whiteSpace: { xs: 'normal', sm: 'nowrap' },
  color: 'text.secondary',
} as const;
