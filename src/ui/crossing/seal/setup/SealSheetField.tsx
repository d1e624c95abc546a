import Box from '@mui/material/Box';
import { useWatch, type UseFormReturn } from 'react-hook-form';
import type { SealSheet } from '@/core/catalogue';
import type { SealView } from '@/core/crossing';
import { SheetField } from '../../setup/SheetField';
import type { SealForm } from './seal-form';

interface Props {
  readonly form: UseFormReturn<SealForm>;
  readonly view: SealView;
}

/** The sheet that a soft seal stands on. */
export function SealSheetField({ form, view }: Props) {
  const named = useWatch({ control: form.control, name: 'sheet' });
  return (
    <Box sx={{ mt: 2 }}>
      <SheetField<SealSheet>
        own={view.sheet}
        inForce={view.sheets}
        named={named}
        width="100%"
        onTake={({ code, sheet: { revision } }) =>
          form.setValue('sheet', { code, revision }, { shouldDirty: true, shouldValidate: true })
        }
      />
    </Box>
  );
}
