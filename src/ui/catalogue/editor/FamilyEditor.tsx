'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { TextField } from '../../kit-of-parts/TextField';
import Typography from '@mui/material/Typography';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import { CATALOGUE_FIELDS, diffFamilies, missingForProcedure, type Family } from '@/core/catalogue';
import { pathWords, type Problem } from '@/core/kernel';
import { useSend } from '../../data/use-send';
import { LeaveGuard } from '../../kit-of-parts/form/LeaveGuard';
import { Place } from '../../kit-of-parts/Place';
import { Problems } from '../../kit-of-parts/Problems';
import { To } from '../../kit-of-parts/To';
import { useRun } from '../../termination/use-run';
import { pathName, type Path } from './editor-columns';
import { SizesTable } from './SizesTable';
import { StageFields } from './StageFields';
import { fileOf, useFamilyDraft, type FamilyDraft } from './use-family-draft';

interface Props {
  readonly family: Family;
  readonly today: string;
}

/** The sheet in hand typed over the one in force: every figure judged while it is typed, nothing stored before it all holds. */
export function FamilyEditor({ family, today }: Props) {
  const editor = useFamilyDraft(family, today);
  const [saved, setSaved] = useState(false);
  const { draft } = editor;
  return (
    <Place
      title={`${family.code}: type in the sheet in hand`}
      acts={
        <>
          <Button
            size="small"
            variant="text"
            onClick={editor.undo}
            disabled={!editor.touched}
            data-shortcut="z"
          >
            Undo
          </Button>
          <To href={`/catalogue?family=${family.code}`}>Back without saving</To>
        </>
      }
      lead={`It begins with the figures of revision ${family.sheet.revision} in force. Change what the paper in your hand says otherwise; lengths in mm, inches exactly as printed. It is saved as a revision of its own.`}
    >
      <LeaveGuard dirty={editor.touched && !saved} />
      <SheetFields editor={editor} />
      <Typography variant="h2" sx={{ fontSize: 17, mt: 2.25, mb: 0.75 }}>
        Sizes
      </Typography>
      <SizesTable editor={editor} />
      <Button size="small" variant="outlined" onClick={editor.addSize}>
        Add a size
      </Button>
      <Typography variant="h2" sx={{ fontSize: 17, mt: 2.25, mb: 0.75 }}>
        Stages
      </Typography>
      <StageFields editor={editor} />
      <Foot family={family} today={today} draft={draft} editor={editor} onSaved={() => setSaved(true)} />
    </Place>
  );
}

const FIELDS: readonly (readonly [path: Path, label: string, kind: 'text' | 'number' | 'wide'])[] = [
  [['sheet', 'revision'], 'Revision on the sheet', 'text'],
  [['sheet', 'issued'], 'Issued, such as 2026-11', 'text'],
  [['sheet', 'title'], 'Title of the sheet', 'wide'],
  [['title'], 'Family', 'wide'],
  [['emergenceMm'], 'Inner sheath inside the box, mm', 'number'],
  [['maxOvality'], 'Largest ovality, share', 'number'],
  [['certificate', 'serviceMinC'], 'Coldest, °C', 'number'],
  [['certificate', 'serviceMaxC'], 'Hottest, °C', 'number'],
];

function SheetFields({ editor }: { readonly editor: FamilyDraft }) {
  const { draft } = editor;
  return (
    <Box
      sx={{
        display: 'grid',
        gridTemplateColumns: 'repeat(auto-fill, minmax(180px, 1fr))',
        alignItems: 'end',
        gap: '16px 18px',
        mt: 1,
      }}
    >
      <TextField
        name="code"
        label="Family code"
        value={draft.code}
        error={editor.isWrong(['code'])}
        onChange={(e) => editor.rename(e.target.value.toUpperCase())}
      />
      {FIELDS.map(([path, label, kind]) => (
        <TextField
          key={pathName(path)}
          name={pathName(path)}
          label={label}
          value={editor.textAt(path)}
          error={editor.isWrong(path)}
          onChange={(e) => editor.type(path, e.target.value, kind !== 'number')}
          slotProps={{ htmlInput: { inputMode: kind === 'number' ? 'decimal' : 'text' } }}
          sx={kind === 'wide' ? { gridColumn: { sm: 'span 2' } } : {}}
        />
      ))}
    </Box>
  );
}

/** A problem with its place in front, as a person would call it: sizes and stages by their names. */
const placed = (p: Problem, draft: Family): Problem => {
  const path = p.path.replace('families[0].', '');
  const where = pathWords(path, CATALOGUE_FIELDS, (at) => {
    const [, list, index] = /^(sizes|stages)\[(\d+)\]$/.exec(at) ?? [];
    return list === 'sizes' ? draft.sizes[Number(index)]?.code : draft.stages[Number(index)]?.title;
  });
  return {
    ...p,
    path,
    message: `${where}: ${p.message}${p.value === undefined ? '' : `, got ${JSON.stringify(p.value)}`}`,
  };
};

function standing(draft: Family, family: Family, changes: number): string {
  if (draft.code !== family.code) return `A family of its own, ${draft.code}, begun from ${family.code}.`;
  if (changes === 0) return 'No figure differs from the revision in force yet.';
  return `${changes} ${changes === 1 ? 'difference' : 'differences'} from revision ${family.sheet.revision}.`;
}

interface FootProps extends Props {
  readonly draft: Family;
  readonly editor: FamilyDraft;
  readonly onSaved: () => void;
}

/** How far the typed sheet is from the one in force, what does not hold, and the way in. */
function Foot({ family, today, draft, editor, onSaved }: FootProps) {
  const send = useSend();
  const router = useRouter();
  const { run, busy, problems: refused } = useRun();
  const { problems } = editor;
  const diff = useMemo(() => diffFamilies(family, draft), [family, draft]);
  const changes = diff.changes.length + diff.sizesAdded.length + diff.sizesRemoved.length;
  const missing = problems.length > 0 ? [] : missingForProcedure(draft);
  const save = () =>
    void run(
      () => send('importCatalogue', JSON.stringify(fileOf(draft, today))),
      `${draft.code} revision ${draft.sheet.revision} is in the catalogue.`,
    ).then((r) => {
      if (!r.ok) return;
      onSaved();
      router.push(`/catalogue?family=${draft.code}`);
    });
  return (
    <Box component="section" aria-label="What would be saved" aria-live="polite" sx={FOOT}>
      <div>
        <b>{standing(draft, family, changes)}</b>{' '}
        {missing.length > 0 ? `Plan only: ${missing.map((m) => m.message).join('; ')}.` : ''}
        <Problems problems={[...problems.slice(0, 12).map((p) => placed(p, draft)), ...refused]} />
      </div>
      <Button
        variant="contained"
        color="secondary"
        disabled={busy || problems.length > 0 || changes === 0}
        onClick={save}
        sx={{ flex: 'none' }}
      >
        Save {draft.code === family.code ? '' : `${draft.code} `}as revision {draft.sheet.revision}
      </Button>
    </Box>
  );
}

const FOOT = {
  position: 'sticky',
  zIndex: 2,
  bottom: { xs: -40, md: -48 },
  display: 'flex',
  flexWrap: { xs: 'wrap', sm: 'nowrap' },
  alignItems: 'flex-end',
  justifyContent: 'space-between',
  gap: 2.5,
  mt: 2.25,
  p: '10px 0 14px',
  bgcolor: 'background.default',
  borderTop: '2px solid',
  borderColor: 'text.primary',
} as const;
