import Button from '@mui/material/Button';
import { useState } from 'react';
import type { FrameCable } from '@/core/frame-packing';
import { refuse, type Problem } from '@/core/kernel';
import { Acts } from '../kit-of-parts/Acts';
import { Choice } from '../kit-of-parts/Choice';
import { IntervalField, intervalOf, NO_INTERVAL } from '../kit-of-parts/IntervalField';
import { TextField } from '../kit-of-parts/TextField';

interface Props {
  /** Of the cables that go through already. */
  readonly circuits: readonly (string | undefined)[];
  readonly onAdd: (cable: FrameCable) => void;
  readonly onProblem: (problems: readonly Problem[]) => void;
}

/** A cable for a crossing that is closed: by its tag, its diameter and its circuit. */
export function NewCable({ circuits, onAdd, onProblem }: Props) {
  const [tag, setTag] = useState('');
  const [texts, setTexts] = useState(NO_INTERVAL);
  const [circuit, setCircuit] = useState('');
  const known = [...new Set(circuits.flatMap((c) => c ?? []))].sort();
  const add = () => {
    const diameter = intervalOf(texts);
    if (tag.trim() === '' || diameter === null) {
      onProblem(refuse('', 'A tag, and the smallest and largest diameter in mm, are needed.').problems);
      return;
    }
    onAdd({ tag: tag.trim(), diameter, ...(circuit === '' ? {} : { circuit }) });
    setTag('');
  };
  return (
    <Acts label="New cable" top>
      <TextField
        label="New cable"
        placeholder="tag"
        value={tag}
        onChange={(e) => setTag(e.target.value)}
        slotProps={{ htmlInput: { maxLength: 40, 'aria-label': 'tag of the new cable' } }}
        sx={{ width: 130 }}
      />
      <IntervalField label="Diameter of the new cable" value={texts} onChange={setTexts} />
      <Choice
        label="Circuit"
        value={circuit}
        options={[['', 'no circuit'], ...known.map((c) => [c, c] as const)]}
        onChange={setCircuit}
      />
      <Button variant="contained" color="secondary" onClick={add}>
        Find a place
      </Button>
    </Acts>
  );
}
