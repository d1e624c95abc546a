'use client';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { Acts } from '../kit-of-parts/Acts';
import { Caution } from '../kit-of-parts/Caution';
import { Coming } from '../kit-of-parts/Coming';
import { Making } from '../kit-of-parts/Making';
import { Place } from '../kit-of-parts/Place';
import { Segments } from '../kit-of-parts/Segments';
import { useSummaries } from '../rack/summaries';
import { PickEnds } from './PickEnds';
import { tagOf } from './PickedEnds';
import { usePick } from './use-pick';
import { useWorkPack } from './use-work-pack';

const PAPERS = [
  ['A4', 'A4'],
  ['LETTER', 'Letter'],
] as const;
type Paper = (typeof PAPERS)[number][0];

const LEAD = 'Cut cards with their marks, steps, stages and 1:1 strip, and labels that lead to each record.';

function leadOf(planned: number, loaded: boolean, failed: boolean): string {
  if (!loaded) return failed ? 'The server cannot be reached; trying again.' : LEAD;
  return planned === 0
    ? 'Nothing is planned yet: choose glands first, then their cards are printed here.'
    : `${LEAD} ${planned} ends are planned.`;
}

/** Cut cards and labels for a selection of ends. */
export function PrintsPage({ job }: { readonly job: string }) {
  const { rows, failed } = useSummaries(job);
  const [paper, setPaper] = useState<Paper>('A4');
  const pack = useWorkPack(job);
  const planned = (rows ?? []).filter((r) => r.size !== null);
  const pick = usePick(planned, 'all');
  const picked = pick.picked.map(tagOf);
  const busy = pack.progress !== null;
  return (
    <Place title="Prints" lead={leadOf(planned.length, rows !== null, failed)}>
      <Acts>
        <Button
          variant="contained"
          color="secondary"
          onClick={() => void pack.print({ tags: picked, paper })}
          disabled={busy || picked.length === 0}
        >
          Print {picked.length} cut card{picked.length === 1 ? '' : 's'}
        </Button>
        <Button
          variant="outlined"
          onClick={() => void pack.labels({ tags: picked, paper })}
          disabled={busy || picked.length === 0}
        >
          Labels with codes
        </Button>
        <Segments label="Paper" options={PAPERS} value={paper} onChange={setPaper} />
        <Button variant="text" href={`/api/job/${encodeURIComponent(job)}/record`}>
          Record of the job as a file
        </Button>
      </Acts>
      <Making label="Cards" unit="cards" work={pack} />
      {rows === null && !failed ? <Coming what="the ends" /> : null}
      {planned.length > 0 ? <PickEnds pick={pick} /> : null}
      <Caution>
        A printed card is as old as its print: the plan’s hash at its foot says whether it still holds.
      </Caution>
    </Place>
  );
}
