import Box from '@mui/material/Box';
import { FormChoice } from '../../kit-of-parts/form/FormChoice';
import { FormNumber } from '../../kit-of-parts/form/FormNumber';
import { FormText } from '../../kit-of-parts/form/FormText';
import type { SetupControl } from './setup-form';

/** Which wall it is, and how its frames are filled and built. */
export const PlaceFields = ({ control }: { readonly control: SetupControl }) => (
  <Box sx={{ display: 'grid', gap: 2 }}>
    <FormText control={control} name="place" label="Where" maxLength={80} />
    <FormText
      control={control}
      name="rating"
      label="Fire, gas and water rating of the wall"
      placeholder="not known yet: ask"
      maxLength={120}
    />
    <Box sx={{ display: 'grid', gridTemplateColumns: { sm: '150px 1fr 1fr' }, gap: 2 }}>
      <FormNumber control={control} name="spareShare" label="Spare of each size" unit="%" scale={100} />
      <FormChoice
        control={control}
        name="press"
        label="Press unit"
        options={[
          ['', 'any place'],
          ['top', 'at the top'],
          ['bottom', 'at the bottom'],
        ]}
      />
      <FormChoice
        control={control}
        name="school"
        label="Built how"
        options={[
          ['cablesFirst', 'cables first'],
          ['preFilled', 'frame filled with spares'],
        ]}
      />
    </Box>
  </Box>
);
