'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { Link } from '../kit-of-parts/Link';
import { useDeferredValue, useState } from 'react';
import { MATERIAL_WORDS } from '@/core/catalogue';
import { placeWords } from '@/core/schedule';
import type { BoxView } from '@/core/termination-view';
import { useLook } from '../data/use-look';
import { Acts } from '../kit-of-parts/Acts';
import { Empty } from '../kit-of-parts/Empty';
import { Filter } from '../kit-of-parts/Filter';
import { Place } from '../kit-of-parts/Place';
import { Problems } from '../kit-of-parts/Problems';
import { TableActs } from '../setup-table/TableActs';
import { TakeInBoxes } from '../setup-table/TakeInBoxes';
import { useRun } from '../termination/use-run';
import { AddBox } from './AddBox';
import { boxPath } from './box-path';
import { Plate } from './Plate';
import { For } from '../shell/may';

interface Props {
  readonly job: string;
  readonly first: readonly BoxView[];
}

/** Every box of the job with its holes, who has them, and which are free. */
export function BoxesPage({ job, first }: Props) {
  const boxes = useLook(['viewBoxes', job]).view ?? first;
  const [adding, setAdding] = useState<BoxView | 'new' | null>(null);
  const [taking, setTaking] = useState(false);
  const { run, busy, problems } = useRun();
  const [filter, setFilter] = useState('');
  const deferred = useDeferredValue(filter);
  const words = deferred.toLowerCase().split(/\s+/).filter(Boolean);
  const list = boxes.filter((b) => {
    const text = [b.box.tag, b.box.title, b.area].join(' ').toLowerCase();
    return words.every((w) => text.includes(w));
  });
  const free = boxes.reduce((n, b) => n + b.entries.filter((e) => e.holder === null).length, 0);
  return (
    <Place
      title="Boxes"
      acts={
        <TableActs
          job={job}
          what="boxes"
          make={{ command: 'addBox', words: 'New box', onPress: () => setAdding('new') }}
          onTake={() => setTaking(true)}
          running={{ run, busy }}
        />
      }
      lead={
        boxes.length === 0
          ? undefined
          : `${boxes.length} ${boxes.length === 1 ? 'box' : 'boxes'}, ${free} ${free === 1 ? 'entry' : 'entries'} free.`
      }
    >
      <Problems problems={problems} />
      {taking ? <TakeInBoxes job={job} boxes={boxes} onClose={() => setTaking(false)} /> : null}
      {adding === null ? null : (
        <AddBox job={job} like={adding === 'new' ? null : adding} onClose={() => setAdding(null)} />
      )}
      {boxes.length === 0 ? (
        <Empty>No box yet. Make one here, or take in a cable list that speaks of boxes.</Empty>
      ) : (
        <Acts>
          <Filter
            name="boxes"
            label="Find a box"
            placeholder="Tag, name, area  /"
            value={filter}
            onChange={setFilter}
          />
        </Acts>
      )}
      <Box component="ul" aria-label="Boxes" sx={{ p: 0, m: 0, listStyle: 'none' }}>
        {list.map((b) => (
          <Box
            component="li"
            key={b.id}
            sx={{
              display: 'flex',
              flexWrap: 'wrap',
              alignItems: 'center',
              gap: '8px 20px',
              py: 1.25,
              borderTop: '2px solid',
              borderColor: 'divider',
            }}
          >
            <Box sx={{ flex: '1 1 260px', minWidth: 0 }}>
              <Typography
                variant="h3"
                component={Link}
                href={boxPath(job, b.box.tag)}
                sx={{ color: 'inherit' }}
              >
                {b.box.tag}
              </Typography>
              <Typography>{b.box.title}</Typography>
              <Typography variant="quiet" color="text.secondary" component="div">
                {[
                  b.area,
                  b.box.concept === 'none' ? 'no protection concept' : b.box.concept,
                  placeWords(b.box),
                  MATERIAL_WORDS[b.box.material],
                  `IP${b.box.ip}`,
                ]
                  .filter(Boolean)
                  .join(' · ')}
              </Typography>
            </Box>
            <Plate box={b} />
            <For what="addBox">
              <Button
                variant="outlined"
                size="small"
                aria-label={`Another like it, after ${b.box.tag}`}
                onClick={() => setAdding(b)}
              >
                Another like it
              </Button>
            </For>
          </Box>
        ))}
      </Box>
    </Place>
  );
}
