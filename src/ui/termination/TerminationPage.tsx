'use client';
import Button from '@mui/material/Button';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import type { ArcStation, TerminationRef } from '@/core/record';
import { useShown } from '../data/use-look';
import { useSend } from '../data/use-send';
import { ChooseStation } from '../gland-selection/ChooseStation';
import { CutStation } from '../cut/CutStation';
import { MakeOffStation } from '../make-off/MakeOffStation';
import { MeasureStation } from '../measure/MeasureStation';
import { ProveStation } from '../prove/ProveStation';
import { SealStation } from '../compound-cure/station/SealStation';
import { TightenStation } from '../tighten/TightenStation';
import type { StationProps } from './station-props';
import { DrawingPanel } from './DrawingPanel';
import { ReviewPanel } from './ReviewPanel';
import { StationStrip } from './StationStrip';
import { useRun } from './use-run';
import styles from './TerminationPage.module.css';
import { Problems } from '../kit-of-parts/Problems';
import { useShortcuts } from '../shell/shortcuts';

interface Props {
  readonly end: TerminationRef;
  readonly station: ArcStation;
}

const STATION: Readonly<Record<ArcStation, (props: StationProps) => React.ReactNode>> = {
  measure: MeasureStation,
  choose: ChooseStation,
  cut: CutStation,
  makeOff: MakeOffStation,
  seal: SealStation,
  tighten: TightenStation,
  prove: ProveStation,
};

/** One termination at one station: strip on top, the few inputs and the decision in the middle, the drawing at the right. */
export function TerminationPage({ end, station }: Props) {
  const view = useShown(['viewTermination', end]);
  const send = useSend();
  const [lit, setLit] = useState<string | null>(null);
  const router = useRouter();
  const { run, busy, problems } = useRun();
  const Station = STATION[station];
  const base = `/job/${encodeURIComponent(view.job.slug)}`;
  const bench = `${base}/bench/${encodeURIComponent(view.cable)}/${view.end}`;
  const undo = () => void run(() => send('undo', view.job.slug), 'Undone.').then((r) => r.ok && setLit(null));
  useShortcuts({ b: () => router.push(bench), z: undo });
  const subtitle = useMemo(() => {
    const to = view.place
      ? `${view.place.enclosure.title}, ${view.place.enclosure.tag}/${view.place.entry.label}`
      : 'no entry yet';
    return `${view.cableType.title} → ${to}`;
  }, [view]);
  return (
    <>
      <main className={styles.main}>
        <div className={styles.title}>
          <h1>{view.tag}</h1>
          <p className={styles.sub}>{subtitle}</p>
          <span className={styles.acts}>
            <Button size="small" variant="text" onClick={undo} disabled={busy}>
              Undo
            </Button>
            <Button size="small" variant="outlined" component={Link} href={bench} prefetch={false}>
              Bench
            </Button>
          </span>
        </div>
        <Problems problems={problems} />
        <StationStrip view={view} station={station} />
        {view.review !== null ? <ReviewPanel view={view} /> : null}
        <Station view={view} lit={lit} onLight={setLit} />
      </main>
      <DrawingPanel view={view} station={station} lit={lit} onLight={setLit} />
    </>
  );
}
