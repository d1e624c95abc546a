'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useEffect, useState } from 'react';
import { subjectKey } from '@/core/kept-work';
import type { SummaryView } from '@/core/termination-view';
import { Acts } from '../kit-of-parts/Acts';
import { Caution } from '../kit-of-parts/Caution';
import { Chips } from '../kit-of-parts/Chips';
import { Coming } from '../kit-of-parts/Coming';
import { Empty } from '../kit-of-parts/Empty';
import { Place } from '../kit-of-parts/Place';
import { Problems } from '../kit-of-parts/Problems';
import { Progress } from '../kit-of-parts/Progress';
import { To } from '../kit-of-parts/To';
import { PickedEnds, tagOf } from '../prints/PickedEnds';
import { useSummaries } from '../rack/summaries';
import { keepPages, type Pages } from './keep-pages';
import { useAllAlong } from './use-all-along';
import { useTakeAlong } from './use-take-along';

const ALL = '';
const areaOf = (row: SummaryView): string => row.area ?? 'no entry';

const ends = (n: number): string => `${n} ${n === 1 ? 'end' : 'ends'}`;

/** Ends that go on where there is no network: picked by hand or by area, fetched once, and with the device from then on. */
export function AlongPage({ job }: { readonly job: string }) {
  const { rows, failed } = useSummaries(job);
  const { all, cannot, read } = useAllAlong();
  const taking = useTakeAlong(job, read);
  // An end without a plan has no steps to go on with, but it can be measured.
  const open = (rows ?? []).filter((r) => r.next !== null);
  const pick = usePick(open);
  const here = new Set((all ?? []).map((a) => a.key));
  return (
    <Place
      title="Take along"
      lead="Without a network the bench goes on with what is with this device, keeps what is done, and sends it when the server is back."
    >
      <Able cannot={cannot} />
      <Acts>
        <Button
          variant="contained"
          color="secondary"
          disabled={pick.chosen.length === 0 || taking.progress !== null || cannot}
          onClick={() => void taking.take(pick.chosen)}
        >
          Take {theseWords(pick.chosen.length)} with me
        </Button>
        <To href="/on-this-device">
          {here.size === 0
            ? 'Nothing is with this device'
            : `${ends(countOf(open, here, job))} of this job with it`}
        </To>
      </Acts>
      <Taking taking={taking} />
      {rows === null && !failed ? <Coming what="the ends" /> : null}
      {rows !== null && open.length === 0 ? <Empty>Every end of this job is done.</Empty> : null}
      {open.length > 0 ? <PickEnds pick={pick} /> : null}
      <Caution>
        What is with a device is as old as when it was taken. Two who go on with one end without a network
        meet as a conflict, which a person decides.
      </Caution>
    </Place>
  );
}

const theseWords = (n: number): string => (n === 0 ? 'ends' : n === 1 ? 'this one' : `these ${n}`);

/** Which of the ends are to come along, by area and one by one. */
function usePick(open: readonly SummaryView[]) {
  const [area, setArea] = useState(ALL);
  const [picked, setPicked] = useState<ReadonlySet<string>>(new Set());
  const shown = area === ALL ? open : open.filter((r) => areaOf(r) === area);
  return {
    area,
    setArea,
    shown,
    areas: [...new Set(open.map(areaOf))].sort((a, b) => a.localeCompare(b)),
    chosen: shown.filter((r) => picked.has(tagOf(r))),
    put: (tags: readonly string[], on: boolean) => {
      const next = new Set(picked);
      for (const t of tags) {
        if (on) next.add(t);
        else next.delete(t);
      }
      setPicked(next);
    },
  };
}

function PickEnds({ pick }: { readonly pick: ReturnType<typeof usePick> }) {
  const { area, setArea, areas, shown, chosen, put } = pick;
  const taken = new Set(chosen.map(tagOf));
  return (
    <>
      <Chips
        label="Area"
        value={area}
        onChange={setArea}
        options={[[ALL, 'All areas'], ...areas.map((a) => [a, a] as const)]}
      >
        <Box sx={{ flex: 1 }} />
        <Button size="small" variant="text" onClick={() => put(shown.map(tagOf), true)}>
          Select these
        </Button>
        <Button size="small" variant="text" onClick={() => put(shown.map(tagOf), false)}>
          Select none
        </Button>
      </Chips>
      <PickedEnds
        rows={shown}
        dropped={new Set(shown.map(tagOf).filter((t) => !taken.has(t)))}
        onPut={(tag, on) => put([tag], on)}
      />
    </>
  );
}

/** What this browser cannot do, where it cannot. */
function Able({ cannot }: { readonly cannot: boolean }) {
  const pages = usePages();
  if (cannot) return <Caution>This browser keeps nothing: nothing can be taken along.</Caution>;
  return pages === 'cannot' ? (
    <Caution>
      This browser opens no page without a server: a bench that is open goes on, and must not be closed.
    </Caution>
  ) : null;
}

function Taking({ taking }: { readonly taking: ReturnType<typeof useTakeAlong> }) {
  const { progress, said, problems, cancel } = taking;
  return (
    <>
      {progress ? (
        <div role="status">
          <Acts>
            <Progress label="Ends" share={progress.done / Math.max(1, progress.of)} />
            {progress.done} of {ends(progress.of)}
            <Button variant="outlined" size="small" onClick={cancel}>
              Cancel
            </Button>
          </Acts>
        </div>
      ) : null}
      {said ? (
        <Typography role="status" sx={{ my: 1, fontWeight: 650 }}>
          {said}
        </Typography>
      ) : null}
      <Problems problems={problems} />
    </>
  );
}

const keyOf = (job: string, row: SummaryView): string =>
  subjectKey({ kind: 'termination', job, cable: row.cable, end: row.end });

const countOf = (rows: readonly SummaryView[], here: ReadonlySet<string>, job: string): number =>
  rows.filter((r) => here.has(keyOf(job, r))).length;

/** Whether pages open here without a server; null while the browser is asked. */
function usePages(): Pages | null {
  const [pages, setPages] = useState<Pages | null>(null);
  useEffect(() => {
    void keepPages().then(setPages);
  }, []);
  return pages;
}
