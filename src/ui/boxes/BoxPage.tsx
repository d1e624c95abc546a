'use client';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { UndoRedo } from '../changes/UndoRedo';
import { useRouter } from 'next/navigation';
import { useWatch } from 'react-hook-form';
import type { BoxView } from '@/core/termination-view';
import { useLook } from '../data/use-look';
import { useSend } from '../data/use-send';
import { useSettled } from '../common/use-settled';
import { Acts } from '../kit-of-parts/Acts';
import { Caution } from '../kit-of-parts/Caution';
import { formText } from '../kit-of-parts/form/form-text';
import { LeaveGuard } from '../kit-of-parts/form/LeaveGuard';
import { useFollowingForm } from '../kit-of-parts/form/use-following-form';
import { Place } from '../kit-of-parts/Place';
import { Problems } from '../kit-of-parts/Problems';
import { Section } from '../kit-of-parts/Section';
import { Way } from '../kit-of-parts/Way';
import { useRun } from '../termination/use-run';
import { DossierActs } from '../records/DossierActs';
import { BoxFields, type BoxForm } from './BoxFields';
import { Entries } from './Entries';
import { Plate } from './Plate';
import { boxFormSchema, said } from './use-box-form';
import { For } from '../shell/may';

interface Props {
  readonly job: string;
  readonly first: BoxView;
}

/** One box: its plate, its holes, and what is said of it. What a change would make stale is told before it is kept. */
export function BoxPage({ job, first }: Props) {
  const { view } = useLook(['viewBoxes', job]);
  const box = view?.find((b) => b.id === first.id) ?? first;
  const { tag } = box.box;
  const send = useSend();
  const router = useRouter();
  const { run, busy, problems } = useRun();
  const base = `/job/${encodeURIComponent(job)}`;
  const takeOut = async () => {
    const done = await run(() => send('takeOutBox', job, tag, box.version, null), `${tag} is taken out.`);
    if (done.ok) router.push(`${base}/boxes`);
  };
  return (
    <Place
      title={tag}
      way={<Way from={[['Boxes', `${base}/boxes`]]} here={tag} />}
      lead={box.box.title}
      acts={
        <Acts tight>
          <UndoRedo job={job} running={{ run, busy }} />
          <For what="takeOutBox">
            <Button size="small" variant="outlined" disabled={busy} onClick={() => void takeOut()}>
              Take the box out
            </Button>
          </For>
        </Acts>
      }
    >
      <Problems problems={problems} />
      <Plate box={box} width={760} />
      <Typography variant="quiet" color="text.secondary" component="p" sx={{ mb: 2 }}>
        Holes in rows at one scale, not where they were drilled. Filled: a cable goes in. Dashed: a clearance
        hole.
      </Typography>
      <Entries job={job} box={box} />
      <DossierActs job={job} of="box" name={tag} />
      <BoxEditor key={tag} job={job} box={box} />
    </Place>
  );
}

function BoxEditor({ job, box }: { readonly job: string; readonly box: BoxView }) {
  const send = useSend();
  const { run, busy, problems } = useRun();
  const { form, version, overtaken, follow } = useFollowingForm<BoxForm>(
    boxFormSchema,
    { area: box.area, box: box.box },
    box.version,
  );
  const { control, handleSubmit, formState } = form;
  const draft = useWatch({ control }) as BoxForm;
  // By what stands there: a fact that is not known is no field that was touched.
  const edited = formText(draft) !== formText({ area: box.area, box: box.box });
  const holds = Object.keys(formState.errors).length === 0;
  const asked = useSettled(edited && holds ? { area: draft.area, box: said(draft.box) } : null, 400);
  const keep = handleSubmit(async ({ area, box: facts }) => {
    await run(
      () => send('setBox', job, box.box.tag, version, { area, box: said(facts) }),
      'Kept. Its ends are judged by it.',
    );
  });
  return (
    <form
      noValidate
      onSubmit={(e) => {
        void keep(e);
      }}
    >
      <LeaveGuard dirty={edited} />
      <BoxFields control={control} fixedTag />
      <Problems problems={problems} />
      {asked === null ? null : <WouldChange job={job} tag={box.box.tag} facts={asked} />}
      <Acts>
        <For what="setBox" said>
          <Button type="submit" variant="contained" color="secondary" disabled={busy || !edited || overtaken}>
            {edited ? 'Keep' : 'As it is said'}
          </Button>
        </For>
        {overtaken ? (
          <Button variant="outlined" onClick={follow}>
            Somebody else has changed it: show theirs
          </Button>
        ) : null}
      </Acts>
    </form>
  );
}

/** Which plans would no longer stand, before anything is kept. */
function WouldChange({
  job,
  tag,
  facts,
}: {
  readonly job: string;
  readonly tag: string;
  readonly facts: BoxForm;
}) {
  const { view, problems } = useLook(['previewBox', job, tag, facts]);
  if (problems.length > 0) return <Problems problems={problems} />;
  if (view === null) return <p role="status">Looking which plans hang on it…</p>;
  return (
    <Section title="What it would change">
      {view.length === 0 ? (
        <Typography>No plan becomes stale by it.</Typography>
      ) : (
        <Caution tone="hold">
          {view.length} {view.length === 1 ? 'plan becomes' : 'plans become'} stale: {view.join(', ')}.
        </Caution>
      )}
    </Section>
  );
}
