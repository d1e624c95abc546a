'use client';
import Button from '@mui/material/Button';
import { formatInchFraction, trimNumber } from '@/core/units';
import { useTyped } from '../common/use-typed';
import { useSend } from '../data/use-send';
import { Problems } from '../kit-of-parts/Problems';
import type { StationProps } from '../termination/station-props';
import { useRun } from '../termination/use-run';
import { SavedField } from './LengthField';

/** Where the terminals differ, core by core, in one line: `L1 220, L2 240; PE 300`. Empty means one length for all. */
export function TerminalsField({ view }: Pick<StationProps, 'view'>) {
  const say = (mm: number) => (view.job.unit === 'mm' ? trimNumber(mm, 1) : formatInchFraction(mm, 16));
  const shown = view.terminals.map((t) => `${t.core} ${say(t.routeMm)}`).join('; ');
  const typed = useTyped(shown, view.versions[view.end]);
  const send = useSend();
  const { run, problems, clear } = useRun();
  const save = () => {
    if (!typed.dirty) {
      clear();
      return;
    }
    void run(() =>
      send(
        'setTerminals',
        { job: view.job.slug, cable: view.cable, end: view.end },
        typed.version,
        typed.text,
      ),
    ).then((r) => r.ok && typed.follow());
  };
  return (
    <SavedField
      what="setTerminals"
      name="Terminals"
      label="Terminals that differ, core by core"
      unit={view.job.unit}
      text={typed.text}
      placeholder="L1 220; L2 240; PE 300"
      width={290}
      wrong={problems.length > 0}
      onType={typed.type}
      onSave={save}
      onLeave={typed.follow}
    >
      <Problems problems={problems} />
      {typed.dirty && typed.version !== view.versions[view.end] ? (
        <Button
          size="small"
          variant="text"
          onClick={() => {
            typed.follow();
            clear();
          }}
        >
          Show what is there now
        </Button>
      ) : null}
    </SavedField>
  );
}
