'use client';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { jobSettingsSchema, type JobSettings } from '@/core/job';
import type { Role } from '@/core/people';
import { useSend } from '../data/use-send';
import { Acts } from '../kit-of-parts/Acts';
import { Choice } from '../kit-of-parts/Choice';
import { schemaResolver } from '../kit-of-parts/form/schema-resolver';
import { Place } from '../kit-of-parts/Place';
import { Problems } from '../kit-of-parts/Problems';
import { Section } from '../kit-of-parts/Section';
import { Way } from '../kit-of-parts/Way';
import { RoleChips } from '../people/RoleChips';
import { useRun } from '../termination/use-run';
import type { FamilyPick } from './FamiliesField';
import { JobBasics } from './JobBasics';

interface Props {
  readonly profiles: readonly { readonly key: string; readonly title: string; readonly edition: string }[];
  readonly families: readonly FamilyPick[];
  readonly jobs: readonly { readonly slug: string; readonly name: string }[];
}

/** What a job needs to begin: a name. All the rest has a usual answer, and can be set otherwise later. */
export function NewJobPage({ profiles, families, jobs }: Props) {
  const router = useRouter();
  const send = useSend();
  const { run, busy, problems } = useRun();
  const { control, handleSubmit } = useForm<JobSettings, unknown, JobSettings>({
    resolver: schemaResolver(jobSettingsSchema),
    defaultValues: { name: '', place: '', unit: 'mm', secondPerson: false, families: null },
  });
  const [profile, setProfile] = useState(profiles[0]?.key ?? '');
  const [copyFrom, setCopyFrom] = useState('');
  const [roles, setRoles] = useState<Role[]>(['planner', 'fitter', 'inspector']);
  const make = handleSubmit(async (settings) => {
    const done = await run(
      () => send('createJob', { ...settings, profile, copyFrom, roles }),
      'The job is there. Next: its cables.',
    );
    if (done.ok) router.push(`/job/${encodeURIComponent(done.value.slug)}/schedule`);
  });
  return (
    <Place title="New job" way={<Way from={[['Jobs', '/']]} here="New job" />}>
      <form
        noValidate
        onSubmit={(e) => {
          void make(e);
        }}
      >
        <Section title="The job">
          <JobBasics control={control} families={families} />
        </Section>
        <Section title="Its rules">
          <Acts top>
            {jobs.length === 0 ? null : (
              <Choice
                label="Take types, boxes and profile from"
                options={[['', 'no other job'], ...jobs.map((j) => [j.slug, j.name] as const)]}
                value={copyFrom}
                onChange={setCopyFrom}
                width={280}
              />
            )}
            {copyFrom === '' ? (
              <Choice
                label="Code profile"
                options={profiles.map((p) => [p.key, `${p.title}, ${p.edition}`] as const)}
                value={profile}
                onChange={setProfile}
                width={470}
              />
            ) : null}
          </Acts>
          <Typography variant="quiet" color="text.secondary">
            Check the edition in force where you work. All of this can be set otherwise later.
          </Typography>
        </Section>
        <Section title="What I am in it, besides setting it up">
          <RoleChips label="My roles" roles={roles} onChange={setRoles} />
        </Section>
        <Problems problems={problems} />
        <Acts>
          <Button type="submit" variant="contained" color="secondary" disabled={busy}>
            Make the job
          </Button>
        </Acts>
      </form>
    </Place>
  );
}
