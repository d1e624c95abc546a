'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { memo, useMemo } from 'react';
import { CROSSING_SETUP_FIELDS, type FrameSetup, type FrameView } from '@/core/crossing';
import { placedProblem, type Problem } from '@/core/kernel';
import { LeaveGuard } from '../../kit-of-parts/form/LeaveGuard';
import { useFollowingForm } from '../../kit-of-parts/form/use-following-form';
import { Problems } from '../../kit-of-parts/Problems';
import { ApartFields } from './ApartFields';
import { FrameFields } from './FrameFields';
import { MemberFields } from './MemberFields';
import { PlaceFields } from './PlaceFields';
import { SAVE_BAR } from './save-bar';
import { formOf, setupFormSchema, type SetupForm } from './setup-form';

interface Props {
  readonly view: FrameView;
  readonly busy: boolean;
  readonly problems: readonly Problem[];
  /** With the version that was seen when the first field was touched. */
  readonly onSave: (setup: FrameSetup, version: number) => void;
}

/** Drawn anew only when what it shows has changed: a plan that runs beside it reports often. */
export const SetupPanel = memo(Setup);

/** What goes through, which circuits are kept apart, how much stays free, which frames may be used. */
function Setup({ view, busy, problems, onSave }: Props) {
  const shown = useMemo(() => formOf(view.setup), [view.setup]);
  const { form, version, overtaken, follow } = useFollowingForm<SetupForm>(
    setupFormSchema,
    shown,
    view.version,
  );
  const { control, handleSubmit, formState } = form;
  const save = handleSubmit((setup) => onSave({ ...setup, locked: view.setup.locked }, version));
  return (
    <Box component="form" noValidate onSubmit={(e) => void save(e)} sx={{ mt: 2.75 }}>
      <LeaveGuard dirty={formState.isDirty} />
      <PlaceFields control={control} />
      <FrameFields form={form} view={view} />
      <ApartFields control={control} />
      <MemberFields form={form} schedule={view.schedule} />
      <Box sx={SAVE_BAR}>
        <Problems problems={problems.map((p) => placedProblem(p, CROSSING_SETUP_FIELDS))} />
        <Button type="submit" variant="contained" color="secondary" disabled={busy || !formState.isDirty}>
          Save
        </Button>
        {formState.isDirty ? <Box sx={{ color: 'text.secondary' }}>not saved yet</Box> : null}
        {overtaken ? (
          <Button variant="text" onClick={follow}>
            Show what somebody else has set
          </Button>
        ) : null}
      </Box>
    </Box>
  );
}
