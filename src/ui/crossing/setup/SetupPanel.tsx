'use client';
import Box from '@mui/material/Box';
import { memo, useMemo } from 'react';
import type { FrameSetup, FrameView } from '@/core/crossing';
import type { Problem } from '@/core/kernel';
import { LeaveGuard } from '../../kit-of-parts/form/LeaveGuard';
import { useFollowingForm } from '../../kit-of-parts/form/use-following-form';
import { ApartFields } from './ApartFields';
import { FrameFields } from './FrameFields';
import { MemberFields } from './MemberFields';
import { PlaceFields } from './PlaceFields';
import { SetupFoot } from './SetupFoot';
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
