'use client';
import Box from '@mui/material/Box';
import { UndoRedo } from '../changes/UndoRedo';
import { useWatch } from 'react-hook-form';
import { formText } from '../kit-of-parts/form/form-text';
import { placedProblem } from '@/core/kernel';
import { CODE_PROFILE_FIELDS, codeProfileSchema, type CodeProfile } from '@/core/schedule';
import type { ProfileView } from '@/core/termination-view';
import { useSend } from '../data/use-send';
import { Caution } from '../kit-of-parts/Caution';
import { LeaveGuard } from '../kit-of-parts/form/LeaveGuard';
import { useFollowingForm } from '../kit-of-parts/form/use-following-form';
import { Place } from '../kit-of-parts/Place';
import { Problems } from '../kit-of-parts/Problems';
import { Tile } from '../kit-of-parts/Tile';
import { useRun } from '../termination/use-run';
import { ProfileChanges } from './ProfileChanges';
import { ProfileFigures } from './ProfileFigures';
import { useProfilePreview } from './use-profile-preview';

interface Props {
  readonly job: string;
  readonly view: ProfileView;
}

const SYSTEM_WORDS = {
  zones: 'zones',
  divisions: 'classes and divisions',
  industrial: 'no hazardous area',
} as const;

/** The rules a job works to: pick another, edit a figure of the job's own copy, and see what that would change before it is saved. */
export function ProfilePage({ job, view }: Props) {
  const { form, version } = useFollowingForm<CodeProfile>(codeProfileSchema, view.profile, view.version);
  const { control, reset, formState, handleSubmit } = form;
  const draft = useWatch({ control }) as CodeProfile;
  const send = useSend();
  const { run, busy, problems: refused } = useRun();
  const problems = refused.map((p) => placedProblem(p, CODE_PROFILE_FIELDS));
  const edited = formText(draft) !== formText(view.profile);
  const holds = Object.keys(formState.errors).length === 0;
  const preview = useProfilePreview(job, draft, edited && holds);
  const take = (profile: CodeProfile) => reset(profile, { keepDefaultValues: true });
  const keep = handleSubmit(async (profile) => {
    await run(() => send('setProfile', job, version, profile), `Judged again by ${profile.title}.`);
  });
  return (
    <Place
      title="Code profile"
      acts={<UndoRedo job={job} running={{ run, busy }} />}
      lead={<Standing view={view} />}
    >
      <LeaveGuard dirty={edited} />
      <Box
        role="group"
        aria-label="Shipped profiles"
        sx={{
          display: 'grid',
          gridTemplateColumns: 'repeat(auto-fit, minmax(240px, 1fr))',
          gap: 1.25,
          mb: 1.75,
        }}
      >
        {view.shipped.map((p) => (
          <Tile
            key={p.key}
            title={p.title}
            note={`${p.edition} · ${SYSTEM_WORDS[p.system]}`}
            picked={draft.key === p.key}
            onPick={() => take(p.key === view.profile.key ? view.profile : p)}
          />
        ))}
      </Box>
      <Caution tone="hold">{draft.caution}</Caution>
      {edited ? (
        <ProfileChanges
          job={job}
          changes={preview.changes}
          holds={holds}
          problems={[...preview.problems, ...problems]}
          busy={busy}
          onKeep={() => void keep()}
          onLeave={() => take(view.profile)}
        />
      ) : (
        <Problems problems={problems} />
      )}
      <ProfileFigures control={control} profile={draft} />
    </Place>
  );
}

const Standing = ({ view: { profile, edited, originTitle } }: { readonly view: ProfileView }) => (
  <>
    This job works to <b>{profile.title}</b> ({profile.edition})
    {edited && originTitle !== null ? `, its own copy of “${originTitle}” with edited figures` : ''}.
  </>
);
