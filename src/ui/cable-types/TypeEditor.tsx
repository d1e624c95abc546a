'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { useController, useForm, useWatch, type Control } from 'react-hook-form';
import {
  ARMOUR_KINDS,
  ARMOUR_NAMES,
  CONSTRUCTIONS,
  CONSTRUCTION_WORDS,
  MATERIALS,
  MATERIAL_WORDS,
} from '@/core/catalogue';
import { CABLE_LISTINGS, cableTypeSchema, typeGaps, type CableType } from '@/core/schedule';
import { readConstruction } from '@/core/spreadsheet';
import type { TypeView } from '@/core/termination-view';
import { said } from '../boxes/use-box-form';
import { useSend } from '../data/use-send';
import { Acts } from '../kit-of-parts/Acts';
import { Choice } from '../kit-of-parts/Choice';
import { FormNumber } from '../kit-of-parts/form/FormNumber';
import { FormText } from '../kit-of-parts/form/FormText';
import { LeaveGuard } from '../kit-of-parts/form/LeaveGuard';
import { schemaResolver } from '../kit-of-parts/form/schema-resolver';
import { Panel } from '../kit-of-parts/Panel';
import { Problems } from '../kit-of-parts/Problems';
import { TextField } from '../kit-of-parts/TextField';
import { Tick } from '../kit-of-parts/Tick';
import { useRun } from '../termination/use-run';
import { CoreNamesField } from './CoreNamesField';
import { NominalFields } from './NominalFields';
import { CableSectionDrawing } from './Section';
import { TrailingFields } from './TrailingFields';

/** Nothing is filled and every sheath creeps until somebody has looked. */
const NEW: CableType = {
  code: '',
  title: '',
  armour: 'roundWire',
  cores: 4,
  coreSectionMm2: 2.5,
  jacketed: true,
  innerSheath: true,
  effectivelyFilled: false,
  coldFlow: true,
  screened: false,
};
const YES_NO = [
  ['', 'not known yet'],
  ['yes', 'yes'],
  ['no', 'no'],
] as const;

interface Props {
  readonly job: string;
  /** Null for a new one. */
  readonly view: TypeView | null;
  readonly onClose: () => void;
}

/** How a cable is built, with its section as it is typed, and what is blocked by what nobody has said. */
export function TypeEditor({ job, view, onClose }: Props) {
  const send = useSend();
  const { run, busy, problems } = useRun();
  const { control, handleSubmit, formState, setValue } = useForm<CableType, unknown, CableType>({
    defaultValues: view?.type ?? NEW,
    resolver: schemaResolver<CableType>(cableTypeSchema),
    mode: 'onChange',
  });
  const draft = useWatch({ control }) as CableType;
  const keep = handleSubmit(async (given) => {
    const type = said(given);
    const done = await run(
      () =>
        view === null ? send('addType', job, type) : send('setType', job, view.type.code, view.version, type),
      view === null ? `${type.code} is there.` : 'Kept. Its ends are judged by it.',
    );
    if (done.ok) onClose();
  });
  const take = (text: string) => {
    const told = readConstruction(text);
    const set = <K extends keyof CableType>(key: K, value: CableType[K] | null) => {
      if (value !== null) setValue(key, value as never, { shouldDirty: true, shouldValidate: true });
    };
    set('cores', told.cores);
    set('coreSectionMm2', told.sectionMm2);
    set('armour', told.armour);
    set('armourMaterial', told.armourMaterial);
    set('jacketed', told.jacketed);
    set('innerSheath', told.innerSheath);
    set('screened', told.screened);
  };
  return (
    <Panel label={view === null ? 'New cable type' : `Change ${view.type.code}`}>
      <LeaveGuard dirty={formState.isDirty} />
      <form
        noValidate
        onSubmit={(e) => {
          void keep(e);
        }}
      >
        <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 3 }}>
          <Box sx={{ flex: '1 1 480px', minWidth: 0 }}>
            {view === null ? <FromLine onTake={take} /> : null}
            <Acts top>
              {view === null ? (
                <FormText control={control} name="code" label="Code in the job" width={200} maxLength={40} />
              ) : null}
              <FormText control={control} name="title" label="What it is" width={420} maxLength={120} />
            </Acts>
            <Acts top>
              <FormNumber control={control} name="cores" label="Cores" width={90} />
              <FormNumber control={control} name="coreSectionMm2" label="Of each" unit="mm²" width={120} />
              <OwnConstruction control={control} />
              <Armour control={control} />
              <FormNumber
                control={control}
                name="outerSheathThicknessMm"
                label="Outer sheath, thickness"
                unit="mm"
                empty={undefined}
                width={180}
              />
              <FormNumber
                control={control}
                name="innerSheathThicknessMm"
                label="Inner sheath, thickness"
                unit="mm"
                empty={undefined}
                width={180}
              />
              <FormNumber
                control={control}
                name="ratedV"
                label="Rated voltage"
                unit="V"
                empty={undefined}
                width={140}
              />
            </Acts>
            <TrailingFields control={control} />
            <Acts>
              <CoreNamesField control={control} />
            </Acts>
            <NominalFields control={control} />
            <Built control={control} />
            <Listings control={control} />
          </Box>
          <Box sx={{ textAlign: 'center' }}>
            <Drawn type={draft} />
          </Box>
        </Box>
        <Gaps type={draft} />
        <Problems problems={problems} />
        <Acts>
          <Button type="submit" variant="contained" color="secondary" disabled={busy}>
            {view === null ? 'Make the type' : 'Keep'}
          </Button>
          <Button variant="outlined" onClick={onClose}>
            Leave it
          </Button>
        </Acts>
      </form>
    </Panel>
  );
}

/** Only what can be drawn is. */
const Drawn = ({ type }: { readonly type: CableType }) =>
  cableTypeSchema.isValidSync({ ...said(type), code: type.code || 'x', title: type.title || 'x' }) ? (
    <CableSectionDrawing type={type} />
  ) : null;

function FromLine({ onTake }: { readonly onTake: (text: string) => void }) {
  const [text, setText] = useState('');
  return (
    <Acts>
      <TextField
        label="A line of the datasheet"
        value={text}
        onChange={(e) => setText(e.target.value)}
        placeholder="4x25mm2 XLPE/PVC/SWA/PVC"
        sx={{ width: 320 }}
      />
      <Button variant="outlined" disabled={text.trim() === ''} onClick={() => onTake(text)}>
        Read what it says
      </Button>
    </Acts>
  );
}

interface PartProps {
  readonly control: Control<CableType>;
}

function OwnConstruction({ control }: PartProps) {
  const { field, fieldState } = useController({ control, name: 'construction' });
  return (
    <Choice
      label="Construction of its own"
      options={[['', 'none'], ...CONSTRUCTIONS.map((c) => [c, CONSTRUCTION_WORDS[c]] as const)]}
      value={field.value ?? ''}
      onChange={(c) => field.onChange(c === '' ? undefined : c)}
      error={fieldState.error?.message}
      width={310}
    />
  );
}

function Armour({ control }: PartProps) {
  const armour = useController({ control, name: 'armour' }).field;
  const material = useController({ control, name: 'armourMaterial' }).field;
  const mineral = useWatch({ control, name: 'construction' }) === 'mineralInsulated';
  return (
    <>
      <Choice
        label="Armour"
        options={ARMOUR_KINDS.map((k) => [k, ARMOUR_NAMES[k]] as const)}
        value={armour.value}
        onChange={armour.onChange}
        width={150}
      />
      <Choice
        label={mineral ? 'Metal sheath of' : 'Armour of'}
        options={[['', 'not known yet'], ...MATERIALS.map((m) => [m, MATERIAL_WORDS[m]] as const)]}
        value={material.value ?? ''}
        onChange={(m) => material.onChange(m === '' ? undefined : m)}
        width={180}
      />
    </>
  );
}

const FACTS = [
  ['jacketed', 'a jacket over the armour'],
  ['innerSheath', 'a bedding or inner sheath under it'],
  ['effectivelyFilled', 'filled, no gas path between the cores'],
  ['coldFlow', 'the sheath creeps under lasting pressure'],
  ['screened', 'screened'],
] as const;

function Built({ control }: PartProps) {
  const trailing = useWatch({ control, name: 'construction' }) === 'screenedTrailing';
  return (
    <Acts>
      {FACTS.map(([name, words]) => (
        <Fact key={name} control={control} name={name} words={words} />
      ))}
      <Maybe control={control} name="compact" words="Round and without hollows" />
      {trailing ? <Maybe control={control} name="semiconducting" words="Semiconducting layer" /> : null}
      <Maybe control={control} name="singleCoreAc" words="Single core of AC" />
    </Acts>
  );
}

function Fact({
  control,
  name,
  words,
}: PartProps & { readonly name: (typeof FACTS)[number][0]; readonly words: string }) {
  const { field } = useController({ control, name });
  return <Tick label={words} checked={field.value} onChange={field.onChange} />;
}

function Maybe({
  control,
  name,
  words,
}: PartProps & { readonly name: 'compact' | 'singleCoreAc' | 'semiconducting'; readonly words: string }) {
  const { field, fieldState } = useController({ control, name });
  return (
    <Choice
      label={words}
      options={YES_NO}
      value={field.value === undefined ? '' : field.value ? 'yes' : 'no'}
      onChange={(v) => field.onChange(v === '' ? undefined : v === 'yes')}
      error={fieldState.error?.message}
      width={210}
    />
  );
}

function Listings({ control }: PartProps) {
  const { field } = useController({ control, name: 'listings' });
  const listings = field.value;
  return (
    <Acts label="Hazardous-location listings printed on the cable">
      <Tick
        label="its listings are known"
        checked={listings !== undefined}
        onChange={(known) => field.onChange(known ? [] : undefined)}
      />
      {listings === undefined
        ? null
        : CABLE_LISTINGS.map((l) => (
            <Tick
              key={l}
              label={l}
              checked={listings.includes(l)}
              onChange={(on) =>
                field.onChange(CABLE_LISTINGS.filter((k) => (k === l ? on : listings.includes(k))))
              }
            />
          ))}
    </Acts>
  );
}

function Gaps({ type }: { readonly type: CableType }) {
  const gaps = typeGaps(type);
  if (gaps.length === 0) return null;
  return (
    <Typography variant="quiet" component="div" color="text.secondary">
      Not said yet, and asked for where it decides: {gaps.map((g) => `${g.fact} (${g.blocks})`).join('; ')}.
    </Typography>
  );
}
