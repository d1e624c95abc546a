'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useMemo } from 'react';
import type { SealSetup, SealView } from '@/core/crossing';
import type { Problem } from '@/core/kernel';
import { Caution } from '../../../kit-of-parts/Caution';
import { FormText } from '../../../kit-of-parts/form/FormText';
import { LeaveGuard } from '../../../kit-of-parts/form/LeaveGuard';
import { useFollowingForm } from '../../../kit-of-parts/form/use-following-form';
import { SetupFoot } from '../../setup/SetupFoot';
import { asSleeve, formOf, SEAL_FORMS, saidIn, type SealForm } from './seal-form';
import { SealMembers } from './SealMembers';
import { SealSheetField } from './SealSheetField';
import { PlugFields, SleeveFields, WrapFields } from './KindFields';

interface Props {
  readonly view: SealView;
  readonly busy: boolean;
  readonly problems: readonly Problem[];
  /** With the version that was seen when the first field was touched. */
  readonly onSave: (setup: SealSetup, version: number) => void;
}

const FIELDS = { sleeve: SleeveFields, plug: PlugFields, wrap: WrapFields } as const;

/** What is known of a soft seal, in the order of the work: the wall, the opening, what goes through, how it is built. */
export function SealSetupPanel({ view, busy, problems, onSave }: Props) {
  const shown = useMemo(() => formOf(view.setup), [view.setup]);
  const { form, version, overtaken, follow } = useFollowingForm<SealForm>(
    SEAL_FORMS[view.kind],
    shown,
    view.version,
    saidIn,
  );
  const { control, handleSubmit, formState } = form;
  // Judged by the schema of its kind just before.
  const save = handleSubmit((said) => onSave(saidIn(said) as unknown as SealSetup, version));
  const Own = FIELDS[view.kind];
  return (
    <Box component="form" noValidate onSubmit={(e) => void save(e)} sx={{ mt: 2 }}>
      <LeaveGuard dirty={formState.isDirty} />
      <Box sx={{ display: 'grid', gap: 2 }}>
        <FormText control={control} name="place" label="Where" maxLength={80} />
        <FormText
          control={control}
          name="rating"
          label="Fire, gas and water rating of the wall"
          placeholder="not known yet: ask"
          maxLength={120}
        />
      </Box>
      <SealSheetField form={form} view={view} />
      <Own form={form} />
      <SealMembers form={form} view={view} />
      {view.kind === 'plug' ? (
        <Caution tone="hold">
          Askew, out of the middle, or more than one cable: the same opening as a packed sleeve.{' '}
          <Button
            size="small"
            disabled={busy || formState.isDirty || view.events.length > 0}
            onClick={() => view.kind === 'plug' && onSave(asSleeve(view.setup), version)}
          >
            Make it a packed sleeve
          </Button>
        </Caution>
      ) : null}
      <SetupFoot
        problems={problems}
        busy={busy}
        dirty={formState.isDirty}
        overtaken={overtaken}
        onFollow={follow}
      />
    </Box>
  );
}
