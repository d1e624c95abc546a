'use client';
import Button from '@mui/material/Button';
import { useEffect, useState } from 'react';
import { subjectKey } from '@/core/kept-work';
import type { SummaryView } from '@/core/termination-view';
import { Acts } from '../kit-of-parts/Acts';
import { Caution } from '../kit-of-parts/Caution';
import { Coming } from '../kit-of-parts/Coming';
import { Empty } from '../kit-of-parts/Empty';
import { Making } from '../kit-of-parts/Making';
import { Place } from '../kit-of-parts/Place';
import { To } from '../kit-of-parts/To';
import { PickEnds } from '../prints/PickEnds';
import { usePick } from '../prints/use-pick';
import { useSummaries } from '../rack/summaries';
import { keepPages, type Pages } from './keep-pages';
import { useAllAlong } from './use-all-along';
import { useTakeAlong } from './use-take-along';

const ends = (n: number): string => `${n} ${n === 1 ? 'end' : 'ends'}`;

/** Ends that go on where there is no network: picked by hand or by area, fetched once, and with the device from then on. */
export function AlongPage({ job }: { readonly job: string }) {
  const { rows, failed } = useSummaries(job);
  const { all, cannot, read } = useAllAlong();
  const taking = useTakeAlong(job, read);
  // An end without a plan has no steps to go on with, but it can be measured.
  const open = (rows ?? []).filter((r) => r.next !== null);
  const pick = usePick(open, 'none');
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
          disabled={pick.picked.length === 0 || taking.progress !== null || cannot}
          onClick={() => void taking.take(pick.picked)}
        >
          Take {theseWords(pick.picked.length)} with me
        </Button>
        <To href="/on-this-device">
          {here.size === 0
            ? 'Nothing is with this device'
            : `${ends(countOf(open, here, job))} of this job with it`}
        </To>
      </Acts>
      <Making label="Ends" unit="ends" work={taking} />
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
