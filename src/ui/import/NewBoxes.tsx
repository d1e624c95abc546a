'use client';
import Typography from '@mui/material/Typography';
import { BOX_TEMPLATES, readHole } from '@/core/boxes';
import { threadName } from '@/core/catalogue';
import type { NewBox } from '@/core/spreadsheet';
import { Acts } from '../kit-of-parts/Acts';
import { Caution } from '../kit-of-parts/Caution';
import { Choice } from '../kit-of-parts/Choice';
import { Facts } from '../kit-of-parts/Facts';
import { Section } from '../kit-of-parts/Section';
import { TextField } from '../kit-of-parts/TextField';
import type { SheetImport } from './use-sheet-import';

const MOST_LISTED = 12;

const holeWords = (hole: NewBox['entries'][number]['hole']): string =>
  hole === null
    ? 'hole not said'
    : hole.thread === null
      ? `hole ${hole.holeMm ?? '?'}`
      : threadName(hole.thread);

/** Boxes and entries that the list speaks of and the job has not: all alike at first, each to be set right on its own page. */
export function NewBoxes({ sheet }: { readonly sheet: SheetImport }) {
  const { boxes, boxDraft, setBoxDraft } = sheet;
  if (boxes.length === 0) return null;
  const fresh = boxes.filter((b) => b.isNew);
  const open = boxes.flatMap((b) => b.entries.filter((e) => e.hole === null));
  const hole = boxDraft.hole.trim() === '' ? null : readHole(boxDraft.hole);
  return (
    <Section
      title={`${fresh.length} new ${fresh.length === 1 ? 'box' : 'boxes'}, ${boxes.reduce((n, b) => n + b.entries.length, 0)} new entries`}
    >
      <Acts top>
        {fresh.length === 0 ? null : (
          <>
            <Choice
              label="They begin as"
              options={BOX_TEMPLATES.map((t) => [t.key, t.title] as const)}
              value={boxDraft.template}
              onChange={(template) => setBoxDraft({ ...boxDraft, template })}
              width={320}
            />
            <TextField
              label="Area"
              value={boxDraft.area}
              onChange={(e) => setBoxDraft({ ...boxDraft, area: e.target.value })}
              slotProps={{ htmlInput: { maxLength: 80 } }}
            />
          </>
        )}
        {open.length === 0 ? null : (
          <TextField
            label={`Hole of the ${open.length} of which none is said`}
            value={boxDraft.hole}
            onChange={(e) => setBoxDraft({ ...boxDraft, hole: e.target.value })}
            placeholder="M25, 3/4 NPT, hole 20.5"
            error={hole !== null && !hole.ok}
            helperText={
              hole === null
                ? 'left empty, they are not made'
                : hole.ok
                  ? undefined
                  : hole.problems[0]?.message
            }
            sx={{ width: 300 }}
          />
        )}
      </Acts>
      <Facts
        facts={boxes
          .slice(0, MOST_LISTED)
          .map((b) => [
            b.isNew ? b.box : `${b.box}, there already`,
            b.entries
              .map((e) => `${e.label} ${e.unread === null ? holeWords(e.hole) : `“${e.unread}” is no hole`}`)
              .join(', '),
          ])}
      />
      {boxes.length > MOST_LISTED ? <Typography>and {boxes.length - MOST_LISTED} more</Typography> : null}
      <Caution>
        Protection, material, volume and wall are those of the beginning until you set them on the page of the
        box; the place is not known yet, and is asked for where a decision hangs on it.
      </Caution>
    </Section>
  );
}
