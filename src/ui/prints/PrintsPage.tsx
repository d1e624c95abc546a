'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { SummaryView } from '@/core/termination-view';
import { Acts } from '../kit-of-parts/Acts';
import { Caution } from '../kit-of-parts/Caution';
import { Coming } from '../kit-of-parts/Coming';
import { Chips } from '../kit-of-parts/Chips';
import { Place } from '../kit-of-parts/Place';
import { Problems } from '../kit-of-parts/Problems';
import { Progress } from '../kit-of-parts/Progress';
import { Segments } from '../kit-of-parts/Segments';
import { useSummaries } from '../rack/summaries';
import { PickedEnds, tagOf } from './PickedEnds';
import { useWorkPack } from './use-work-pack';

const PAPERS = [
  ['A4', 'A4'],
  ['LETTER', 'Letter'],
] as const;
type Paper = (typeof PAPERS)[number][0];
const ALL = '';
const areaOf = (row: SummaryView): string => row.area ?? 'no entry';

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
  const [area, setArea] = useState(ALL);
  const [dropped, setDropped] = useState<ReadonlySet<string>>(new Set());
  const [paper, setPaper] = useState<Paper>('A4');
  const pack = useWorkPack(job);
  const planned = (rows ?? []).filter((r) => r.size !== null);
  const areas = [...new Set(planned.map(areaOf))].sort((a, b) => a.localeCompare(b));
  const shown = area === ALL ? planned : planned.filter((r) => areaOf(r) === area);
  const picked = shown.map(tagOf).filter((t) => !dropped.has(t));
  const busy = pack.progress !== null;
  const put = (tags: readonly string[], on: boolean) => {
    const next = new Set(dropped);
    for (const t of tags) {
      if (on) next.delete(t);
      else next.add(t);
    }
    setDropped(next);
  };
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
      {pack.progress ? (
        <div role="status">
          <Acts>
            <Progress label="Cards" share={pack.progress.done / Math.max(1, pack.progress.of)} />
            {pack.progress.done} of {pack.progress.of} cards
            <Button variant="outlined" size="small" onClick={pack.cancel}>
              Cancel
            </Button>
          </Acts>
        </div>
      ) : null}
      {pack.said ? (
        <Typography role="status" sx={{ my: 1, fontWeight: 650 }}>
          {pack.said}
        </Typography>
      ) : null}
      <Problems problems={pack.problems} />
      {rows === null && !failed ? <Coming what="the ends" /> : null}
      {planned.length > 0 ? (
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
          <PickedEnds rows={shown} dropped={dropped} onPut={(tag, on) => put([tag], on)} />
        </>
      ) : null}
      <Caution>
        A printed card is as old as its print: the plan’s hash at its foot says whether it still holds.
      </Caution>
    </Place>
  );
}
