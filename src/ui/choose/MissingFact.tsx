'use client';
import Button from '@mui/material/Button';
import Link from 'next/link';
import { useState } from 'react';
import type { BarrierTrail, MissingField } from '@/core/gland-selection';
import { parseLength } from '@/core/units';
import type { TerminationView } from '@/core/termination-view';
import styles from './BarrierPath.module.css';

type Missing = NonNullable<BarrierTrail['missing']>;

/** Answers that are picked, by the fact that is missing. The first of each pair is what is stored. */
const PICKS: Readonly<Partial<Record<MissingField, readonly (readonly [unknown, string])[]>>> = {
  compact: [
    [true, 'Compact and round'],
    [false, 'Not compact'],
  ],
  ignitionSource: [
    [true, 'Something inside may ignite'],
    [false, 'Nothing inside ignites'],
  ],
  gasGroup: [
    ['IIA', 'IIA'],
    ['IIB', 'IIB'],
    ['IIC', 'IIC'],
  ],
  zone: [
    [1, 'Zone 1'],
    [2, 'Zone 2'],
  ],
  place: [
    [{ hazardClass: 'I', division: 1, classGroup: 'D' }, 'Class I, division 1, group D'],
    [{ hazardClass: 'I', division: 2, classGroup: 'D' }, 'Class I, division 2, group D'],
    [{ hazardClass: 'II', division: 1, classGroup: 'G' }, 'Class II, division 1, group G'],
    [{ hazardClass: 'II', division: 2, classGroup: 'G' }, 'Class II, division 2, group G'],
  ],
  listings: [
    [['I/1', 'I/2', 'II/1', 'II/2'], 'Divisions 1 and 2'],
    [['I/2', 'II/2', 'tray'], 'Division 2 and tray use'],
    [['tray'], 'Tray use only'],
    [[], 'No listing'],
  ],
};

interface Props {
  readonly missing: Missing;
  readonly view: TerminationView;
  readonly busy: boolean;
  readonly onAnswer: (field: MissingField, value: unknown) => void;
}

/** The question that a decision waits for, with its answers under the hand. */
export function MissingFact({ missing, view, busy, onAnswer }: Props) {
  const { field } = missing;
  if (field === 'profile')
    return (
      <div className={styles.ask}>
        <Button
          component={Link}
          href={`/job/${encodeURIComponent(view.job.slug)}/profile`}
          variant="outlined"
          size="small"
        >
          Open the code profile
        </Button>
      </div>
    );
  return (
    <div className={styles.ask}>
      {field === 'length' ? (
        <LengthAnswer busy={busy} onAnswer={(metres) => onAnswer('length', metres)} />
      ) : (
        (PICKS[field] ?? []).map(([value, words]) => (
          <Button
            key={words}
            variant="outlined"
            size="small"
            disabled={busy}
            onClick={() => onAnswer(field, value)}
          >
            {words}
          </Button>
        ))
      )}
      <p className={styles.hint}>{REACH[field](view)}</p>
    </div>
  );
}

const type = (view: TerminationView) =>
  `Holds for every cable of type ${view.cableType.code}. Undo takes it back.`;
const box = (view: TerminationView) =>
  `Holds for every entry of ${view.place?.enclosure.tag ?? 'this box'}; it stands on its nameplate or in the area drawing. Undo takes it back.`;

/** How far an answer reaches. */
const REACH: Readonly<Record<MissingField, (view: TerminationView) => string>> = {
  compact: type,
  listings: type,
  ignitionSource: box,
  gasGroup: box,
  zone: box,
  place: box,
  length: (view) => `Route length of ${view.cable}, as in the schedule.`,
  profile: () => '',
};

function LengthAnswer({
  busy,
  onAnswer,
}: {
  readonly busy: boolean;
  readonly onAnswer: (metres: number) => void;
}) {
  const [text, setText] = useState('');
  const read = parseLength(/[a-z]/i.test(text) ? text : `${text} m`);
  const metres = read.ok && text.trim() !== '' ? read.value.mm / 1000 : null;
  return (
    <form
      className={styles.ask}
      onSubmit={(event) => {
        event.preventDefault();
        if (metres !== null && metres > 0) onAnswer(metres);
      }}
    >
      <label>
        Route length{' '}
        <input
          className={styles.number}
          inputMode="decimal"
          value={text}
          onChange={(e) => setText(e.target.value)}
        />{' '}
        m
      </label>
      <Button type="submit" variant="outlined" size="small" disabled={busy || metres === null || metres <= 0}>
        Keep
      </Button>
    </form>
  );
}
