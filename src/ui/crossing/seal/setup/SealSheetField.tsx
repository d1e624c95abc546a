import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useWatch, type UseFormReturn } from 'react-hook-form';
import type { SealSheet } from '@/core/catalogue';
import type { SealView } from '@/core/crossing';
import { Caution } from '../../../kit-of-parts/Caution';
import { Choice } from '../../../kit-of-parts/Choice';
import type { SealForm } from './seal-form';

interface Props {
  readonly form: UseFormReturn<SealForm>;
  readonly view: SealView;
}

const keyOf = (code: string, revision: string): string => `${code} ${revision}`;
const keyOfSheet = ({ code, sheet }: SealSheet): string => keyOf(code, sheet.revision);

/** The sheet that the seal stands on; a later revision is offered and taken by hand. */
export function SealSheetField({ form, view }: Props) {
  const named = useWatch({ control: form.control, name: 'sheet' });
  const all: readonly SealSheet[] = [view.sheet, ...view.sheets];
  const sheets = all.filter((s, i) => all.findIndex((t) => keyOfSheet(t) === keyOfSheet(s)) === i);
  const sheet =
    sheets.find((s) => named !== undefined && keyOfSheet(s) === keyOf(named.code, named.revision)) ??
    view.sheet;
  const later = (view.sheets as readonly SealSheet[]).find(
    (s) => s.code === sheet.code && s.sheet.revision !== sheet.sheet.revision,
  );
  const take = ({ code, sheet: { revision } }: SealSheet) =>
    form.setValue('sheet', { code, revision }, { shouldDirty: true, shouldValidate: true });
  return (
    <Box sx={{ mt: 2 }}>
      <Choice
        label="Sheet"
        name="sheet"
        width="100%"
        value={keyOfSheet(sheet)}
        options={sheets.map((s) => [
          keyOfSheet(s),
          `${s.code} revision ${s.sheet.revision}, ${s.sheet.title}`,
        ])}
        onChange={(key) => {
          const next = sheets.find((s) => keyOfSheet(s) === key);
          if (next) take(next);
        }}
      />
      {later ? (
        <Caution tone="marginal">
          Revision {later.sheet.revision} is in force. This crossing stands on {sheet.sheet.revision} until it
          is taken; then it must be planned again.{' '}
          <Button size="small" onClick={() => take(later)}>
            Take revision {later.sheet.revision}
          </Button>
        </Caution>
      ) : null}
    </Box>
  );
}
