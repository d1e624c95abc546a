import { TextField } from '../../kit-of-parts/TextField';
import ToggleButton from '@mui/material/ToggleButton';
import { useState } from 'react';
import type { CrossingView } from '@/core/crossing';
import { trimNumber } from '@/core/units';
import { Acts } from '../../kit-of-parts/Acts';

/** More of the schedule than these is found by typing. */
const MOST_OFFERED = 40;

interface WaitingProps {
  readonly waiting: CrossingView['schedule'];
  readonly onAdd: (tag: string) => void;
  /** So many are offered before a tag is typed. */
  readonly most?: number;
}

/** Cables of the schedule that do not go through yet. */
export function Waiting({ waiting, onAdd, most = MOST_OFFERED }: WaitingProps) {
  const [filter, setFilter] = useState('');
  const asked = filter.trim().toLowerCase();
  const found = waiting.filter((s) => s.tag.toLowerCase().includes(asked));
  return (
    <>
      <TextField
        label="From the schedule"
        placeholder="tag"
        value={filter}
        onChange={(e) => setFilter(e.target.value)}
        sx={{ mt: 2, width: 180 }}
      />
      <Acts label="Cables of the schedule">
        {found.slice(0, most).map((s) => (
          <ToggleButton key={s.tag} value={s.tag} onClick={() => onAdd(s.tag)}>
            + {s.tag} {s.diameter ? trimNumber(s.diameter.interval.max, 1) : 'not measured'}
          </ToggleButton>
        ))}
        {found.length > most ? <span>and {found.length - most} more: type a tag</span> : null}
      </Acts>
    </>
  );
}
