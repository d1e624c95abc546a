'use client';
import { useState, type SyntheticEvent } from 'react';
import { useForm, type DefaultValues, type FieldPath, type FieldValues } from 'react-hook-form';
import type { ObjectSchema } from 'yup';
import type { Problem } from '@/core/kernel';
import { schemaResolver } from '../kit-of-parts/form/schema-resolver';
import { atTheDoor, type Door } from './door';

interface Asked<T extends FieldValues> {
  readonly door: Door;
  readonly schema: ObjectSchema<T>;
  readonly empty: DefaultValues<T>;
  readonly key?: () => string;
  readonly done: () => void;
}

/** A form at the door: judged by the schema of the server, refused at the field that the server names, else below. */
export function useDoorForm<T extends FieldValues>({ door, schema, empty, key, done }: Asked<T>) {
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const { control, handleSubmit, setError, formState, reset } = useForm<T>({
    defaultValues: empty,
    resolver: schemaResolver(schema),
  });
  const submit = handleSubmit(async (given) => {
    const result = await atTheDoor(door, { given, ...(key === undefined ? {} : { key: key() }) });
    setProblems([]);
    if (result.ok) {
      done();
      return;
    }
    const rest = result.problems.filter(({ path, message }) => {
      const mine = Object.hasOwn(given, path);
      if (mine) setError(path as FieldPath<T>, { type: 'server', message }, { shouldFocus: true });
      return !mine;
    });
    setProblems(rest);
  });
  return {
    control,
    submit: (e: SyntheticEvent) => void submit(e),
    busy: formState.isSubmitting,
    problems,
    reset,
  };
}
