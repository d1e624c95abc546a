'use client';
import { useController, type Control } from 'react-hook-form';
import type { JobSettings } from '@/core/job';
import { Acts } from '../kit-of-parts/Acts';
import { FormText } from '../kit-of-parts/form/FormText';
import { Segments } from '../kit-of-parts/Segments';
import { Tick } from '../kit-of-parts/Tick';
import { FamiliesField, type FamilyPick } from './FamiliesField';

const UNITS = [
  ['mm', 'millimetres'],
  ['in', 'inches'],
] as const;

interface Props {
  readonly control: Control<JobSettings>;
  readonly families: readonly FamilyPick[];
}

/** What every job says of itself: a new one, and one that is there. */
export function JobBasics({ control, families }: Props) {
  const unit = useController({ control, name: 'unit' }).field;
  const second = useController({ control, name: 'secondPerson' }).field;
  return (
    <>
      <Acts top>
        <FormText control={control} name="name" label="Name of the job" width={320} maxLength={120} />
        <FormText control={control} name="place" label="Place" width={260} maxLength={120} />
      </Acts>
      <Acts>
        <Segments
          label="Unit that is read first"
          options={UNITS}
          value={unit.value}
          onChange={unit.onChange}
        />
      </Acts>
      <Tick
        label="An end is signed by somebody who has not worked at it"
        checked={second.value}
        onChange={second.onChange}
      />
      <FamiliesField control={control} name="families" families={families} />
    </>
  );
}
