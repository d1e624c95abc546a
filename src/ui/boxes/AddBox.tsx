'use client';
import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { BOX_TEMPLATES, boxTemplate, readEntries, type Wall } from '@/core/boxes';
import type { Problem } from '@/core/kernel';
import type { BoxView } from '@/core/termination-view';
import { useSend } from '../data/use-send';
import { Acts } from '../kit-of-parts/Acts';
import { Choice } from '../kit-of-parts/Choice';
import { Panel } from '../kit-of-parts/Panel';
import { Problems } from '../kit-of-parts/Problems';
import { TextField } from '../kit-of-parts/TextField';
import { useRun } from '../termination/use-run';
import { BoxFields, type BoxForm } from './BoxFields';
import { boxPath } from './box-path';
import { said, useNewBoxForm } from './use-box-form';

interface Props {
  readonly job: string;
  /** A box that it is made after, with its holes; null for one from a template. */
  readonly like: BoxView | null;
  readonly onClose: () => void;
}

const fromTemplate = (key: string): BoxForm => {
  const template = boxTemplate(key) ?? BOX_TEMPLATES[0];
  if (template === undefined) throw new Error('there is a template');
  return { area: '', box: { tag: '', title: template.title, ...template.facts } };
};

/** A new box: from a template or after one that is there, with all its holes in a line. */
export function AddBox({ job, like, onClose }: Props) {
  const router = useRouter();
  const send = useSend();
  const { run, busy, problems } = useRun();
  const [template, setTemplate] = useState(BOX_TEMPLATES[0]?.key ?? '');
  const [holes, setHoles] = useState('');
  const [unread, setUnread] = useState<readonly Problem[]>([]);
  const { control, handleSubmit, reset } = useNewBoxForm(
    like === null ? fromTemplate(template) : { area: like.area, box: { ...like.box, tag: '' } },
  );
  const wall: Wall = boxTemplate(template)?.wall ?? { wallMm: 2, chamferMm: 0 };
  const make = handleSubmit(async ({ area, box }) => {
    const entries =
      like !== null
        ? { ok: true as const, value: like.entries.map((e) => e.entry) }
        : holes.trim() === ''
          ? { ok: true as const, value: [] }
          : readEntries(holes, wall, new Set());
    setUnread(entries.ok ? [] : entries.problems);
    if (!entries.ok) return;
    const done = await run(
      () => send('addBox', job, { area, box: said(box) }, entries.value),
      `${box.tag} is there.`,
    );
    if (done.ok) router.push(boxPath(job, box.tag));
  });
  return (
    <Panel label={like === null ? 'New box' : `Another like ${like.box.tag}`}>
      <form
        noValidate
        onSubmit={(e) => {
          void make(e);
        }}
      >
        {like === null ? (
          <Acts>
            <Choice
              label="It begins as"
              options={BOX_TEMPLATES.map((t) => [t.key, t.title] as const)}
              value={template}
              onChange={(key) => {
                setTemplate(key);
                reset(fromTemplate(key));
              }}
              width={320}
            />
          </Acts>
        ) : null}
        <BoxFields control={control} fixedTag={false} />
        {like === null ? (
          <TextField
            label="Entries, several at once"
            value={holes}
            onChange={(e) => setHoles(e.target.value)}
            placeholder="E1–E12 M20; E13, E14 M32; C1 hole 20.5"
            helperText={`wall ${wall.wallMm} mm for all of them; each can be set otherwise later`}
            fullWidth
            sx={{ mb: 1 }}
          />
        ) : null}
        <Problems problems={[...unread, ...problems]} />
        <Acts>
          <Button type="submit" variant="contained" color="secondary" disabled={busy}>
            Make the box
          </Button>
          <Button variant="outlined" onClick={onClose}>
            Leave it
          </Button>
        </Acts>
      </form>
    </Panel>
  );
}
