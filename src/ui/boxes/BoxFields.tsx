'use client';
import { type Control, useController } from 'react-hook-form';
import {
  CLASS_GROUPS,
  CONCEPTS,
  DIVISIONS,
  DUST_GROUPS,
  GAS_GROUPS,
  HAZARD_CLASSES,
  MATERIALS,
  MATERIAL_WORDS,
} from '@/core/catalogue';
import { DUST_ZONES, GAS_ZONES, TEMPERATURE_CLASSES, type Enclosure } from '@/core/schedule';
import { Acts } from '../kit-of-parts/Acts';
import { Choice } from '../kit-of-parts/Choice';
import { FormNumber } from '../kit-of-parts/form/FormNumber';
import { FormText } from '../kit-of-parts/form/FormText';
import { Section } from '../kit-of-parts/Section';

export interface BoxForm {
  readonly area: string;
  readonly box: Enclosure;
}
type Form = Control<BoxForm>;

type Said = string | number | boolean | null | undefined;

interface FactProps {
  readonly control: Form;
  readonly name: `box.${keyof Enclosure}`;
  readonly label: string;
  readonly options: readonly (readonly [Said, string])[];
  readonly width?: number;
}

/** One of a list that has to be said. */
function One({ control, name, label, options, width = 210 }: FactProps) {
  const {
    field: { value, onChange },
    fieldState: { error },
  } = useController({ control, name });
  return (
    <Choice
      label={label}
      options={options.map(([, words], i) => [String(i), words] as const)}
      value={String(
        Math.max(
          0,
          options.findIndex(([v]) => v === value),
        ),
      )}
      onChange={(i) => onChange(options[Number(i)]?.[0])}
      error={error?.message}
      width={width}
    />
  );
}

/** A fact that may not be known: then it is asked for where a decision hangs on it, and nothing is taken for granted. */
const Maybe = ({ options, ...rest }: FactProps) => (
  <One {...rest} options={[[undefined, 'not known yet'], ...options]} />
);

const same = <T extends string | number>(all: readonly T[]): readonly (readonly [T, string])[] =>
  all.map((v) => [v, String(v)] as const);
const YES_NO = [
  [true, 'yes'],
  [false, 'no'],
] as const;

interface Props {
  readonly control: Form;
  /** Cables and records name the box by its tag: it is said once. */
  readonly fixedTag: boolean;
}

/** What is said of a box and of the place where it stands. */
export function BoxFields({ control, fixedTag }: Props) {
  return (
    <>
      <Acts top>
        {fixedTag ? null : (
          <FormText control={control} name="box.tag" label="Tag" width={140} maxLength={40} />
        )}
        <FormText control={control} name="box.title" label="Name" width={300} maxLength={120} />
        <FormText control={control} name="area" label="Area" width={200} maxLength={80} />
      </Acts>
      <Section title="The box">
        <Acts top>
          <One
            control={control}
            name="box.concept"
            label="Protection"
            options={CONCEPTS.map((c) => [c, c === 'none' ? 'none' : c] as const)}
            width={170}
          />
          <One
            control={control}
            name="box.material"
            label="Wall of"
            options={MATERIALS.map((m) => [m, MATERIAL_WORDS[m]] as const)}
          />
          <FormText control={control} name="box.ip" label="IP" width={72} maxLength={2} />
          <FormNumber control={control} name="box.freeVolumeCm3" label="Free volume" unit="cm³" width={150} />
          <FormNumber
            control={control}
            name="box.orderedV"
            label="Ordered supply"
            unit="V"
            empty={undefined}
            width={150}
          />
          <FormNumber
            control={control}
            name="box.orderedHz"
            label="Ordered frequency"
            unit="Hz"
            empty={undefined}
            width={150}
          />
          <FormNumber
            control={control}
            name="box.orderedW"
            label="Ordered power"
            unit="W"
            empty={undefined}
            width={150}
          />
          <One control={control} name="box.wallEarthed" label="The wall carries the earth" options={YES_NO} />
          <Maybe
            control={control}
            name="box.ignitionSource"
            label="Something in it may spark"
            options={YES_NO}
          />
          <Maybe control={control} name="box.nonMagneticPlate" label="Non-magnetic plate" options={YES_NO} />
        </Acts>
      </Section>
      <Section title="Where it stands">
        <Acts top>
          <Maybe
            control={control}
            name="box.zone"
            label="Zone"
            options={[[null, 'no explosive atmosphere'], ...same([...GAS_ZONES, ...DUST_ZONES])]}
          />
          <Maybe
            control={control}
            name="box.gasGroup"
            label="Gas group"
            options={same(GAS_GROUPS)}
            width={150}
          />
          <Maybe
            control={control}
            name="box.dustGroup"
            label="Dust group"
            options={same(DUST_GROUPS)}
            width={150}
          />
          <Maybe
            control={control}
            name="box.temperatureClass"
            label="Temperature class"
            options={same(TEMPERATURE_CLASSES)}
            width={160}
          />
          <Maybe
            control={control}
            name="box.hazardClass"
            label="Class"
            options={[[null, 'not classified'], ...same(HAZARD_CLASSES)]}
            width={170}
          />
          <Maybe
            control={control}
            name="box.division"
            label="Division"
            options={same(DIVISIONS)}
            width={150}
          />
          <Maybe
            control={control}
            name="box.classGroup"
            label="Group"
            options={same(CLASS_GROUPS)}
            width={150}
          />
          <Maybe control={control} name="box.wet" label="Water or salt at the joints" options={YES_NO} />
          <FormNumber control={control} name="box.ambientMinC" label="Coldest" unit="°C" width={120} />
          <FormNumber
            control={control}
            name="box.entryMaxC"
            label="Hottest at the entry"
            unit="°C"
            width={170}
          />
        </Acts>
      </Section>
    </>
  );
}
