import Box from '@mui/material/Box';
import { useWatch, type UseFormReturn } from 'react-hook-form';
import { FormChoice } from '../../../kit-of-parts/form/FormChoice';
import { FormInterval } from '../../../kit-of-parts/form/FormInterval';
import { FormNumber } from '../../../kit-of-parts/form/FormNumber';
import { FormPick } from '../../../kit-of-parts/form/FormPick';
import { Group } from '../../../kit-of-parts/Group';
import type { SealForm } from './seal-form';

interface Props {
  readonly form: UseFormReturn<SealForm>;
}

const PAIR = { display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.5, alignItems: 'start' } as const;
const FACES = [
  [2, 'both'],
  [1, 'only one'],
] as const;
const YES_NO = [
  [true, 'yes'],
  [false, 'no'],
] as const;

export function SleeveFields({ form: { control } }: Props) {
  const shape = useWatch({ control, name: 'shape' });
  return (
    <>
      <Group title="The opening">
        <Box sx={{ display: 'grid', gap: 1.5 }}>
          <FormChoice
            control={control}
            name="shape"
            label="Shape"
            options={[
              ['circle', 'round'],
              ['rectangle', 'rectangular'],
            ]}
          />
          {shape === 'rectangle' ? (
            <>
              <FormInterval control={control} name="width" label="Width" />
              <FormInterval control={control} name="height" label="Height" />
            </>
          ) : (
            <FormInterval control={control} name="bore" label="Bore" />
          )}
          <FormInterval control={control} name="depth" label="Depth, along its axis" />
          <Box sx={PAIR}>
            <FormNumber
              control={control}
              name="slantDeg"
              label="Out of square to the wall"
              unit="°"
              placeholder="not known"
            />
            <FormPick
              control={control}
              name="lies"
              label="It lies"
              options={[
                ['level', 'level'],
                ['upright', 'upright'],
              ]}
            />
            <FormPick control={control} name="faces" label="Faces that are reached" options={FACES} />
            <FormNumber
              control={control}
              name="tempC"
              label="Wall while it is sealed"
              unit="°C"
              placeholder="not known"
            />
          </Box>
        </Box>
      </Group>
      <Group title="How it is built">
        <FormChoice
          control={control}
          name="school"
          label="Sleeves go on"
          options={[
            ['afterPulling', 'after the cables are pulled'],
            ['whilePulling', 'while they are pulled'],
          ]}
          width="100%"
        />
      </Group>
    </>
  );
}

export const PlugFields = ({ form: { control } }: Props) => (
  <Group title="The bore, and how the cable lies in it">
    <Box sx={{ display: 'grid', gap: 1.5 }}>
      <FormInterval control={control} name="bore" label="Bore" />
      <Box sx={PAIR}>
        <FormNumber control={control} name="depthMm" label="Depth, at the shallowest" unit="mm" />
        <FormPick control={control} name="faces" label="Faces that are reached" options={FACES} />
        <FormNumber
          control={control}
          name="angleDeg"
          label="Cable out of square"
          unit="°"
          placeholder="not known"
        />
        <FormNumber
          control={control}
          name="offsetMm"
          label="Cable out of the middle"
          unit="mm"
          placeholder="not known"
        />
      </Box>
    </Box>
  </Group>
);

export const WrapFields = ({ form: { control } }: Props) => (
  <>
    <Group title="The stub: looked at first">
      <Box sx={{ display: 'grid', gap: 1.5 }}>
        <Box sx={PAIR}>
          <FormPick control={control} name="weldContinuous" label="Weld all round, no gap" options={YES_NO} />
          <FormPick control={control} name="centred" label="In the middle" options={YES_NO} />
        </Box>
        <FormInterval control={control} name="outside" label="Outside" />
        <FormInterval control={control} name="inside" label="Inside" />
        <Box sx={PAIR}>
          <FormNumber control={control} name="stubMm" label="Stands out" unit="mm" />
          <FormPick control={control} name="faces" label="Sides that are reached" options={FACES} />
        </Box>
      </Box>
    </Group>
    <Group title="How it is built">
      <Box sx={PAIR}>
        <FormChoice
          control={control}
          name="cloth"
          label="Cloth"
          options={[
            ['openable', 'openable'],
            ['closed', 'closed: on first'],
          ]}
        />
        <FormPick control={control} name="pulled" label="Cables pulled already" options={YES_NO} />
        <FormNumber
          control={control}
          name="tempC"
          label="Wall while it is sealed"
          unit="°C"
          placeholder="not known"
        />
      </Box>
    </Group>
  </>
);
