'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { Link } from '../kit-of-parts/Link';
import { useDeferredValue, useState } from 'react';
import type { JobCard } from '@/core/job';
import { useLook } from '../data/use-look';
import { Acts } from '../kit-of-parts/Acts';
import { Chips } from '../kit-of-parts/Chips';
import { Empty } from '../kit-of-parts/Empty';
import { Filter } from '../kit-of-parts/Filter';
import { Place } from '../kit-of-parts/Place';
import { useActor } from '../shell/actor';
import { JobCardLink } from './JobCardLink';
import { TakeJobFile } from './TakeJobFile';

type Shown = 'open' | 'mine' | 'archived';

const shows: Readonly<Record<Shown, (card: JobCard) => boolean>> = {
  open: (c) => !c.archived,
  mine: (c) => !c.archived && c.mine.length > 0,
  archived: (c) => c.archived,
};

const found = (card: JobCard, filter: string): boolean => {
  const text = [card.name, card.place, card.profileTitle, card.slug].join(' ').toLowerCase();
  return filter
    .toLowerCase()
    .split(/\s+/)
    .every((word) => text.includes(word));
};

/** The first page: every job with what one wants to know of it before opening it. */
export function JobsPage({ first }: { readonly first: readonly JobCard[] }) {
  const cards = useLook(['viewJobCards']).view ?? first;
  const administrator = useActor()?.administrator ?? false;
  const [shown, setShown] = useState<Shown>('open');
  const [filter, setFilter] = useState('');
  const deferred = useDeferredValue(filter);
  const count = (what: Shown) => cards.filter(shows[what]).length;
  const list = cards.filter((c) => shows[shown](c) && found(c, deferred));
  return (
    <Place
      title="Jobs"
      acts={
        administrator ? (
          <Acts tight>
            <Button variant="contained" color="secondary" component={Link} href="/new-job" data-shortcut="n">
              New job
            </Button>
            <TakeJobFile />
          </Acts>
        ) : undefined
      }
    >
      {cards.length === 0 ? (
        <Nothing administrator={administrator} />
      ) : (
        <>
          <Stack direction="row" sx={{ flexWrap: 'wrap', alignItems: 'center', gap: '0 16px' }}>
            <Chips<Shown>
              label="Show"
              value={shown}
              onChange={setShown}
              options={(['open', 'mine', 'archived'] as const).map((what) => [
                what,
                <>
                  {what === 'open' ? 'Open' : what === 'mine' ? 'I work in' : 'Put away'}&nbsp;
                  <b>{count(what)}</b>
                </>,
              ])}
            />
            <Box sx={{ ml: { md: 'auto' }, mb: 1.5 }}>
              <Filter
                name="jobs"
                label="Find a job"
                placeholder="Name, place, code  /"
                value={filter}
                onChange={setFilter}
              />
            </Box>
          </Stack>
          {list.length === 0 ? <Typography color="text.secondary">No job like that here.</Typography> : null}
          <Box
            component="ul"
            aria-label="Jobs"
            sx={{
              display: 'grid',
              gridTemplateColumns: 'repeat(auto-fill, minmax(min(380px, 100%), 1fr))',
              gap: 1.5,
              p: 0,
              m: 0,
              listStyle: 'none',
            }}
          >
            {list.map((card) => (
              <li key={card.slug}>
                <JobCardLink card={card} />
              </li>
            ))}
          </Box>
        </>
      )}
    </Place>
  );
}

const Nothing = ({ administrator }: { readonly administrator: boolean }) => (
  <Empty>
    {administrator ? (
      <>
        No job yet. Make one: a name is enough to begin with, and the spreadsheet of the design office brings
        cables, types and boxes.
      </>
    ) : (
      'You are in no job yet. Whoever sets one up adds you under People there.'
    )}
  </Empty>
);
