'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { memo } from 'react';
import { get, useController, useFieldArray, useFormState, useWatch, type Control } from 'react-hook-form';
import { capital } from '@/core/kernel';
import { blankOf, CATALOGUE_FIELDS, codeWords, type RecordField } from '@/core/catalogue';
import { Acts } from '../../kit-of-parts/Acts';
import { Choice } from '../../kit-of-parts/Choice';
import { FormNumber } from '../../kit-of-parts/form/FormNumber';
import { FormText } from '../../kit-of-parts/form/FormText';
import { Group } from '../../kit-of-parts/Group';
import { Remove } from '../../kit-of-parts/Remove';
import { Tick } from '../../kit-of-parts/Tick';
import type { AnyRecord } from './any-record';
import { SpannerFields } from './SpannerFields';

interface Props<K extends RecordField['kind'] = RecordField['kind']> {
  readonly control: Control<AnyRecord>;
  readonly name: string;
  readonly label: string;
  readonly field: Extract<RecordField, { kind: K }>;
}

const WORDS: Readonly<Record<string, string>> = CATALOGUE_FIELDS;
const wordsOf = (name: string): string => WORDS[name] ?? name;

/** Lengths are most of what a sheet prints, and say so by their names. */
const unitOf = (name: string): string | undefined => {
  if (/Mm$/.test(name)) return 'mm';
  if (/Nm$/.test(name)) return 'N·m';
  if (/Ml$|^ml$/.test(name)) return 'mL';
  if (/C$|^c$/.test(name)) return '°C';
  if (/[mM]inutes$/.test(name)) return 'min';
  return /Kg$/.test(name) ? 'kg' : undefined;
};

/** Whatever a field takes. */
export function AnyField({ field, ...rest }: Props) {
  switch (field.kind) {
    case 'text':
      return (
        <FormText {...rest} width={/title|caution|see|check/i.test(rest.label) ? 420 : widthOf(rest.label)} />
      );
    case 'number':
      return <FormNumber {...rest} {...unit(rest.name)} empty={undefined} width={widthOf(rest.label)} />;
    case 'yesNo':
      return <YesNo {...rest} field={field} />;
    case 'choice':
      return <OneOf {...rest} field={field} />;
    case 'group':
      return <GroupField {...rest} field={field} />;
    case 'list':
      return field.item.kind === 'choice' ? (
        <SomeOf {...rest} field={field} item={field.item} />
      ) : (
        <ListField {...rest} field={field} />
      );
    case 'numbers':
      return <SpannerFields control={rest.control} name={rest.name} />;
    case 'methods':
      return <MethodsField {...rest} field={field} />;
  }
}

const unit = (name: string): { unit?: string } => {
  const is = unitOf(name.split('.').pop() ?? '');
  return is === undefined ? {} : { unit: is };
};

/** A field is as wide as its name, and no narrower than what stands in it. */
const widthOf = (label: string): number => Math.max(130, label.length * 7 + 36);

const ASKED = ['', 'choose'] as const;

function YesNo({ control, name, label, field: { optional } }: Props<'text' | 'number' | 'yesNo'>) {
  const { field, fieldState } = useController({ control, name });
  return (
    <Choice
      label={label}
      options={[optional ? (['', 'not said'] as const) : ASKED, ['yes', 'yes'], ['no', 'no']]}
      value={field.value === undefined ? '' : field.value === true ? 'yes' : 'no'}
      onChange={(v) => field.onChange(v === '' ? undefined : v === 'yes')}
      error={fieldState.error?.message}
      width={widthOf(label)}
    />
  );
}

function OneOf({ control, name, label, field: { optional, options } }: Props<'choice'>) {
  const { field, fieldState } = useController({ control, name });
  return (
    <Choice
      label={label}
      options={[
        optional ? (['', 'not said'] as const) : ASKED,
        ...options.map((o) => [String(o), codeWords(o)] as const),
      ]}
      value={String(options.find((o) => o === field.value) ?? '')}
      onChange={(v) => field.onChange(options.find((o) => String(o) === v))}
      error={fieldState.error?.message}
      width={Math.max(200, widthOf(label))}
    />
  );
}

/** Several of a few lie open as ticks. */
function SomeOf({
  control,
  name,
  label,
  item,
}: Omit<Props<'list'>, 'field'> & {
  readonly field: RecordField;
  readonly item: Extract<RecordField, { kind: 'choice' }>;
}) {
  const { field, fieldState } = useController({ control, name });
  const chosen: readonly unknown[] = Array.isArray(field.value) ? (field.value as unknown[]) : [];
  return (
    <Box role="group" aria-label={label} sx={{ width: '100%' }}>
      <Box component="span" sx={{ mr: 1.5, fontWeight: 650 }}>
        {label}
      </Box>
      {item.options.map((o) => (
        <Tick
          key={String(o)}
          label={codeWords(o)}
          checked={chosen.includes(o)}
          onChange={(on) => field.onChange(item.options.filter((k) => (k === o ? on : chosen.includes(k))))}
        />
      ))}
      {fieldState.error?.message ? (
        <Box component="span" role="alert" sx={{ color: 'error.main' }}>
          {fieldState.error.message}
        </Box>
      ) : null}
    </Box>
  );
}

const isLeaf = (field: RecordField): boolean =>
  field.kind !== 'group' && field.kind !== 'list' && field.kind !== 'numbers' && field.kind !== 'methods';

/** A range, a thread: a few figures that have to be there stand in the line of what they belong to. */
const isShort = (field: RecordField): boolean =>
  field.kind === 'group' &&
  !field.optional &&
  field.fields.length <= 4 &&
  field.fields.every(([, f]) => isLeaf(f));

/** In the middle of a sentence; what is written in capitals stays so. */
const within = (label: string): string =>
  /^[A-Z][a-z]/.test(label) ? label.slice(0, 1).toLowerCase() + label.slice(1) : label;

/** Fields of a group: those of one value side by side, the others under them. */
export const GroupFields = memo(function GroupFields({
  control,
  name,
  field,
}: Omit<Props<'group'>, 'label'>) {
  const at = (part: string) => (name === '' ? part : `${name}.${part}`);
  const leaves = field.fields.filter(([, f]) => isLeaf(f) || isShort(f));
  const others = field.fields.filter(([, f]) => !isLeaf(f) && !isShort(f));
  return (
    <>
      {leaves.length > 0 ? (
        <Acts top>
          {leaves.flatMap(([part, f]) =>
            f.kind === 'group'
              ? f.fields.map(([inner, g]) => (
                  <AnyField
                    key={`${part}.${inner}`}
                    control={control}
                    name={`${at(part)}.${inner}`}
                    label={`${capital(wordsOf(part))}, ${wordsOf(inner)}`}
                    field={g}
                  />
                ))
              : [
                  <AnyField
                    key={part}
                    control={control}
                    name={at(part)}
                    label={capital(wordsOf(part))}
                    field={f}
                  />,
                ],
          )}
        </Acts>
      ) : null}
      {others.map(([part, f]) => (
        <AnyField key={part} control={control} name={at(part)} label={capital(wordsOf(part))} field={f} />
      ))}
    </>
  );
});

const messageOf = (error: unknown): string | undefined => {
  const message = (error as { readonly message?: unknown } | undefined)?.message;
  return typeof message === 'string' ? message : undefined;
};

/** What is wrong with a group or a list as a whole. Its fields say for themselves what is wrong with them. */
function WholeProblem({ control, name }: Pick<Props, 'control' | 'name'>) {
  const { errors } = useFormState({ control, name });
  const found: unknown = get(errors, name);
  const message = messageOf(found) ?? messageOf((found as { readonly root?: unknown } | undefined)?.root);
  return message !== undefined ? (
    <Box role="alert" sx={{ color: 'error.main' }}>
      {message}
    </Box>
  ) : null;
}

/** A group by its name; one that need not be there is said to be there first. */
function GroupField({ control, name, label, field }: Props<'group'>) {
  return (
    <Group title={label}>
      {field.optional ? (
        <OptionalGroup control={control} name={name} label={label} field={field} />
      ) : (
        <GroupFields control={control} name={name} field={field} />
      )}
      <WholeProblem control={control} name={name} />
    </Group>
  );
}

function OptionalGroup({ control, name, label, field }: Props<'group'>) {
  const own = useController({ control, name }).field;
  const there = own.value !== undefined;
  return (
    <>
      <Tick
        label={`the sheet gives ${within(label)}`}
        checked={there}
        onChange={(on) => own.onChange(on ? blankOf({ ...field, optional: false }) : undefined)}
      />
      {there ? <GroupFields control={control} name={name} field={field} /> : null}
    </>
  );
}

interface NamedStage {
  readonly id?: string;
  readonly title?: string;
}

/** How far this size is tightened where its sheet gives it figures of its own, stage by stage of the family. */
function MethodsField({ control, name, field }: Props<'methods'>) {
  const stages = (useWatch({ control, name: 'stages' }) ?? []) as readonly NamedStage[];
  const own = useController({ control, name });
  const given = (own.field.value ?? {}) as AnyRecord;
  const { error } = own.fieldState;
  const named = stages.filter((s) => (s.id ?? '') !== '');
  if (named.length === 0) return null;
  return (
    <Group title="Figures of its own, by stage">
      {named.map(({ id = '', title }) => {
        const words = title === undefined || title === '' ? id : title;
        const { [id]: mine, ...others } = given;
        return (
          <Box key={id}>
            <Tick
              label={`${words}: the sheet gives this size its own`}
              checked={mine !== undefined}
              onChange={(on) => {
                const next = on ? { ...given, [id]: blankOf(field.method) } : others;
                own.field.onChange(Object.keys(next).length === 0 ? undefined : next);
              }}
            />
            {mine !== undefined && field.method.kind === 'group' ? (
              <GroupFields control={control} name={`${name}.${id}`} field={field.method} />
            ) : null}
          </Box>
        );
      })}
      {error?.message ? (
        <Box role="alert" sx={{ color: 'error.main' }}>
          {error.message}
        </Box>
      ) : null}
    </Group>
  );
}

/** Lines of a list, each with what takes it out again. */
function ListField({ control, name, label, field }: Props<'list'>) {
  const { fields, append, remove } = useFieldArray({ control, name: name as never });
  return (
    <Group title={fields.length === 0 ? `${label}: none` : `${label}: ${fields.length}`}>
      {fields.map((line, i) => (
        <Box
          key={line.id}
          role="group"
          aria-label={`${label} ${i + 1}`}
          sx={{
            display: 'flex',
            alignItems: 'flex-start',
            gap: 1,
            borderBottom: '1px solid',
            borderColor: 'divider',
          }}
        >
          <Box sx={{ flex: 1, minWidth: 0 }}>
            {field.item.kind === 'group' ? (
              <GroupFields control={control} name={`${name}.${i}`} field={field.item} />
            ) : (
              <Acts>
                <AnyField
                  control={control}
                  name={`${name}.${i}`}
                  label={`${label} ${i + 1}`}
                  field={field.item}
                />
              </Acts>
            )}
          </Box>
          <Remove label={`Take out ${within(label)} ${i + 1}`} onClick={() => remove(i)} />
        </Box>
      ))}
      <Acts>
        <Button
          size="small"
          variant="outlined"
          onClick={() => append(blankOf({ ...field.item, optional: false }))}
        >
          Add {within(label)}
        </Button>
        <WholeProblem control={control} name={name} />
      </Acts>
    </Group>
  );
}
