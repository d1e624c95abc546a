'use client';
import Button from '@mui/material/Button';
import { UndoRedo } from '../changes/UndoRedo';
import type { CommandName } from '../data/contract';
import { Acts } from '../kit-of-parts/Acts';
import { For } from '../shell/may';
import type { useRun } from '../termination/use-run';
import { SaveTable } from './SaveTable';

interface Props {
  readonly job: string;
  readonly what: 'types' | 'boxes';
  readonly make: { readonly command: CommandName; readonly words: string; readonly onPress: () => void };
  readonly onTake: () => void;
  readonly running: Pick<ReturnType<typeof useRun>, 'run' | 'busy'>;
}

/** What can be done with the types or the boxes of a job as a whole. */
export const TableActs = ({ job, what, make, onTake, running }: Props) => (
  <Acts tight>
    <For what={make.command}>
      <Button variant="contained" color="secondary" data-shortcut="n" onClick={make.onPress}>
        {make.words}
      </Button>
    </For>
    <For what="importSetup">
      <Button variant="outlined" onClick={onTake}>
        Take in a table
      </Button>
    </For>
    <SaveTable job={job} what={what} />
    <UndoRedo job={job} running={running} />
  </Acts>
);
