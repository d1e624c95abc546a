'use client';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { CompoundEnd, CompoundView } from '@/core/termination-view';
import { Caution } from '../../kit-of-parts/Caution';
import { Acts } from '../../kit-of-parts/Acts';
import { NumberFields } from '../../kit-of-parts/NumberFields';
import { Place } from '../../kit-of-parts/Place';
import { PlainList } from '../../kit-of-parts/PlainList';
import { Section } from '../../kit-of-parts/Section';
import { To } from '../../kit-of-parts/To';
import { stationPath } from '../../rack/summaries';
import { Batches, type BatchTexts } from './Batches';
import { ClockList } from './ClockList';

const FIELDS = [
  { key: 'temp', name: 'batch-temp', label: 'Work at', unit: '°C' },
  { key: 'perPour', name: 'batch-perPour', label: 'One pour takes', unit: 'min' },
  { key: 'people', name: 'batch-people', label: 'People pouring', unit: '' },
] as const;

interface Props {
  readonly job: string;
  readonly view: CompoundView;
}

/** Many ends in one go: how many per mix, which packs, and what is curing meanwhile. */
export function CompoundPage({ job, view }: Props) {
  const [texts, setTexts] = useState<BatchTexts>({ temp: '20', perPour: '4', people: '1' });
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const ready = view.ends.filter((e) => e.state === 'ready');
  const later = view.ends.filter((e) => e.state === 'later' || e.state === 'stale');
  const running = view.ends.filter((e) => e.state === 'mixed' || e.state === 'curing');
  const products = [...new Set(ready.map((e) => e.seal.product))].sort();
  const toggle = (tag: string) => {
    const next = new Set(left);
    if (!next.delete(tag)) next.add(tag);
    setLeft(next);
  };
  return (
    <Place
      title="Compound"
      lead={
        view.ends.length === 0
          ? 'No planned gland of this job has a chamber: nothing is mixed and nothing cures.'
          : `Ready to be filled: ${ready.length}. Running: ${running.length}. Later: ${later.length}.`
      }
    >
      {running.length > 0 ? (
        <Section title="Running now">
          <ClockList job={job} ends={running} />
        </Section>
      ) : null}
      {ready.length > 0 ? (
        <Acts>
          <NumberFields fields={FIELDS} values={texts} onChange={setTexts} />
        </Acts>
      ) : null}
      {products.map((product) => (
        <Batches
          key={product}
          job={job}
          product={product}
          ends={ready.filter((e) => e.seal.product === product)}
          left={left}
          onToggle={toggle}
          texts={texts}
          view={view}
        />
      ))}
      {later.length > 0 ? <Later job={job} ends={later} /> : null}
      <Caution>
        Gloves, eyes covered, air. A full cup heats by itself. What is past its pot life is waste: it is never
        stretched.
      </Caution>
    </Place>
  );
}

const Later = ({ job, ends }: { readonly job: string; readonly ends: readonly CompoundEnd[] }) => (
  <Section title="Other work comes first" label="Later">
    <PlainList ruled>
      {ends.map((e) => (
        <Box component="li" key={e.tag} sx={{ display: 'flex', flexWrap: 'wrap', gap: '0 10px' }}>
          <To href={stationPath(job, e.cable, e.end, 'seal')}>{e.tag}</To> {e.size} · {e.place}
          <Typography component="span" variant="quiet" sx={{ ml: 'auto' }}>
            {e.state === 'stale' ? 'stale: review what changed' : `next: ${e.next.split(':')[0]}`}
          </Typography>
        </Box>
      ))}
    </PlainList>
  </Section>
);
