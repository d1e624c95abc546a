'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import { useWatch } from 'react-hook-form';
import { diffFamilies, missingForProcedure, type Family } from '@/core/catalogue';
import { useSend } from '../../data/use-send';
import { Foot } from '../../kit-of-parts/Foot';
import { FormNumber } from '../../kit-of-parts/form/FormNumber';
import { FormText } from '../../kit-of-parts/form/FormText';
import { LeaveGuard } from '../../kit-of-parts/form/LeaveGuard';
import { Place } from '../../kit-of-parts/Place';
import { Problems } from '../../kit-of-parts/Problems';
import { TextField } from '../../kit-of-parts/TextField';
import { To } from '../../kit-of-parts/To';
import { Way } from '../../kit-of-parts/Way';
import { useRun } from '../../termination/use-run';
import { fileOf, placed } from './family-draft';
import { SizesTable } from './SizesTable';
import { StageFields } from './StageFields';
import { useFamilyForm, type FamilyForm } from './use-family-form';

interface Props {
  readonly family: Family;
  readonly today: string;
}

/** The sheet in hand typed over the one in force: every figure judged while it is typed, nothing stored before it all holds. */
export function FamilyEditor({ family, today }: Props) {
  const editor = useFamilyForm(family, today);
  const [saved, setSaved] = useState(false);
  return (
    <Place
      way={
        <Way
          from={[
            ['Catalogue', '/catalogue'],
            [family.code, `/catalogue?family=${family.code}`],
          ]}
          here="Sheet in hand"
        />
      }
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
      <SizesTable editor={editor} family={family} />
      <Button size="small" variant="outlined" onClick={editor.addSize}>
        Add a size
      </Button>
      <Typography variant="h2" sx={{ fontSize: 17, mt: 2.25, mb: 0.75 }}>
        Stages
      </Typography>
      <StageFields editor={editor} />
      <SaveFoot family={family} today={today} editor={editor} onSaved={() => setSaved(true)} />
    </Place>
  );
}

const TEXTS = [
  ['sheet.revision', 'Revision on the sheet', false],
  ['sheet.issued', 'Issued, such as 2026-11', false],
  ['sheet.title', 'Title of the sheet', true],
  ['title', 'Family', true],
] as const;
const NUMBERS = [
  ['emergenceMm', 'Inner sheath inside the box', 'mm'],
  ['maxOvality', 'Largest ovality', 'share'],
  ['certificate.serviceMinC', 'Coldest', '°C'],
  ['certificate.serviceMaxC', 'Hottest', '°C'],
] as const;

function SheetFields({ editor }: { readonly editor: FamilyForm }) {
  const { control } = editor.form;
  return (
    <Box
      sx={{
        display: 'grid',
        gridTemplateColumns: 'repeat(auto-fill, minmax(180px, 1fr))',
        alignItems: 'start',
        gap: '18px',
        mt: 2.25,
      }}
    >
      <FamilyCode editor={editor} />
      {TEXTS.map(([name, label, wide]) => (
        <Box key={name} sx={wide ? { gridColumn: { sm: 'span 2' } } : {}}>
          <FormText
            control={control}
            name={name}
            label={label}
            width="100%"
            onBefore={() => editor.before(name)}
          />
        </Box>
      ))}
      {NUMBERS.map(([name, label, unit]) => (
        <FormNumber
          key={name}
          control={control}
          name={name}
          label={label}
          unit={unit}
          onBefore={() => editor.before(name)}
        />
      ))}
    </Box>
  );
}

function FamilyCode({ editor }: { readonly editor: FamilyForm }) {
  const { control, getFieldState, formState } = editor.form;
  const code = useWatch({ control, name: 'code' });
  const { error } = getFieldState('code', formState);
  return (
    <TextField
      name="code"
      label="Family code"
      value={code}
      error={error !== undefined}
      helperText={error?.message}
      onChange={(e) => editor.rename(e.target.value.toUpperCase())}
    />
  );
}

function standing(draft: Family, family: Family, changes: number): string {
  if (draft.code !== family.code) return `A family of its own, ${draft.code}, begun from ${family.code}.`;
  if (changes === 0) return 'No figure differs from the revision in force yet.';
  return `${changes} ${changes === 1 ? 'difference' : 'differences'} from revision ${family.sheet.revision}.`;
}

interface FootProps extends Props {
  readonly editor: FamilyForm;
  readonly onSaved: () => void;
}

/** How far the typed sheet is from the one in force, what does not hold, and the way in. */
function SaveFoot({ family, today, editor, onSaved }: FootProps) {
  const { problems } = editor;
  const draft = useWatch({ control: editor.form.control }) as Family;
  const send = useSend();
  const router = useRouter();
  const { run, busy, problems: refused } = useRun();
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
    <Foot
      label="What would be saved"
      action={
        <Button
          variant="contained"
          color="secondary"
          disabled={busy || problems.length > 0 || changes === 0}
          onClick={save}
        >
          Save {draft.code === family.code ? '' : `${draft.code} `}as revision {draft.sheet.revision}
        </Button>
      }
    >
      <b>{standing(draft, family, changes)}</b>{' '}
      {missing.length > 0 ? `Plan only: ${missing.map((m) => m.message).join('; ')}.` : ''}
      <Problems problems={[...problems.slice(0, 12).map((p) => placed(p, draft)), ...refused]} />
    </Foot>
  );
}
