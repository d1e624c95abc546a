import Button from '@mui/material/Button';
import { TextField } from '../../kit-of-parts/TextField';
import { useState } from 'react';
import type { FrameMember } from '@/core/crossing';
import { Acts } from '../../kit-of-parts/Acts';
import { IntervalField, intervalOf, NO_INTERVAL } from '../../kit-of-parts/IntervalField';

interface Props {
  readonly taken: ReadonlySet<string>;
  readonly onAdd: (member: FrameMember) => void;
}

/** A cable that is not in the schedule and only passes through. */
export function PassingCable({ taken, onAdd }: Props) {
  const [tag, setTag] = useState('');
  const [texts, setTexts] = useState(NO_INTERVAL);
  const name = tag.trim();
  const diameter = intervalOf(texts);
  const why = whyNot(name, texts.min !== '', taken.has(name));
  return (
    <Acts label="Passing through" top>
      <TextField
        label="Passing through"
        placeholder="tag"
        value={tag}
        onChange={(e) => setTag(e.target.value)}
        slotProps={{ htmlInput: { maxLength: 40, 'aria-label': 'tag of a passing cable' } }}
        sx={{ width: 140 }}
      />
      <IntervalField label="Diameter of the passing cable" value={texts} onChange={setTexts} />
      <Button
        variant="outlined"
        disabled={name === '' || why !== '' || diameter === null}
        onClick={() => {
          if (diameter === null) return;
          onAdd({ tag: name, diameter });
          setTag('');
          setTexts(NO_INTERVAL);
        }}
      >
        Add
      </Button>
      {why ? <small role="status">{why}</small> : null}
    </Acts>
  );
}

/** Why it cannot be added yet, where its diameter is not the reason: that is said at its fields. */
function whyNot(name: string, measured: boolean, taken: boolean): string {
  if (taken) return `${name} is in the list already`;
  return name === '' && measured ? 'a tag is needed' : '';
}
