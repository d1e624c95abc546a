import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useWatch, type UseFormReturn } from 'react-hook-form';
import type { FrameSheet } from '@/core/catalogue';
import type { FrameView } from '@/core/crossing';
import { Caution } from '../../kit-of-parts/Caution';
import { Group } from '../../kit-of-parts/Group';
import { Tick } from '../../kit-of-parts/Tick';
import { SheetField, sheetNamed } from './SheetField';
import type { SetupForm } from './setup-form';

interface Props {
  readonly form: UseFormReturn<SetupForm>;
  readonly view: FrameView;
}

/** Frames that were allowed stay so; on another system all are. */
function kept(frames: readonly string[], { frames: offered }: FrameSheet): string[] {
  const still = offered.flatMap((f) => (frames.includes(f.id) ? [f.id] : []));
  return still.length > 0 ? still : offered.map((f) => f.id);
}

/** The sheet that the crossing stands on, and which of its frames may be used. */
export function FrameFields({ form, view }: Props) {
  const { control, setValue, formState } = form;
  const [named, frames] = useWatch({ control, name: ['sheet', 'frames'] });
  const sheets = { own: view.sheet, inForce: view.sheets, named };
  const sheet = sheetNamed(sheets);
  const allow = (next: string[]) => setValue('frames', next, { shouldDirty: true, shouldValidate: true });
  const take = (next: FrameSheet) => {
    setValue('sheet', { code: next.code, revision: next.sheet.revision }, { shouldDirty: true });
    allow(kept(frames, next));
  };
  return (
    <Group title="Frames allowed">
      <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: '10px 24px', my: 1 }}>
        <SheetField {...sheets} onTake={take} />
      </Box>
      {sheet.frames.map((f) => (
        <Tick
          key={f.id}
          label={
            <>
              {f.id}{' '}
              <Typography component="small" variant="quiet">
                {f.cost}
              </Typography>
            </>
          }
          checked={frames.includes(f.id)}
          onChange={(on) => allow(on ? [...frames, f.id] : frames.filter((x) => x !== f.id))}
        />
      ))}
      {formState.errors.frames ? <Caution>{formState.errors.frames.message}</Caution> : null}
    </Group>
  );
}
