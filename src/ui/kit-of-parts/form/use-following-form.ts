'use client';
import { useEffect, useState } from 'react';
import { useForm, type DefaultValues, type FieldValues, type UseFormReturn } from 'react-hook-form';
import type { ObjectSchema } from 'yup';
import { formText } from './form-text';
import { schemaResolver } from './schema-resolver';

interface Following<T extends FieldValues> {
  readonly form: UseFormReturn<T, unknown, T>;
  /** The version of what the hand saw when it touched the first field: what is saved is saved over that, or refused. */
  readonly version: number;
  /** Somebody else has changed it since: saving it is refused until theirs is looked at. */
  readonly overtaken: boolean;
  /** Leaves what was typed for what is there now. */
  readonly follow: () => void;
}

const everything = (values: unknown): unknown => values;

/**
 * A form over something that the server keeps with a version. Untouched it follows the server; from the first touch it keeps what the hand
 * saw, until that is saved or left. `shown` holds only what the form may change: what else moves the version is no reason to warn anybody.
 */
export function useFollowingForm<T extends FieldValues>(
  schema: ObjectSchema<T>,
  shown: T,
  version: number,
  /** What a form says, of what stands in its fields; all of it where none is given. It stays the same function. */
  said: (values: T) => unknown = everything,
): Following<T> {
  const form = useForm<T, unknown, T>({
    defaultValues: shown as DefaultValues<T>,
    resolver: schemaResolver(schema, said),
    mode: 'onChange',
  });
  const { isDirty, defaultValues } = form.formState;
  const { getValues, reset } = form;
  const [seen, setSeen] = useState(version);
  /** Nothing was typed, or it is what the server has now: nothing is lost when the form follows. */
  const mayFollow = () => !isDirty || formText(said(getValues())) === formText(said(shown));
  const isOld = () => formText(said(defaultValues as T)) === formText(said(shown));
  if (version !== seen && (mayFollow() || isOld())) setSeen(version);
  useEffect(() => {
    if (!isOld() && mayFollow()) reset(shown);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the two questions are asked of what stands in these
  }, [shown, isDirty, defaultValues, getValues, reset]);
  return {
    form,
    version: seen,
    overtaken: version !== seen,
    follow: () => {
      reset(shown);
      setSeen(version);
    },
  };
}
