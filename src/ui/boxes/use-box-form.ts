'use client';
import { useForm } from 'react-hook-form';
import { object, string } from 'yup';
import { enclosureSchema } from '@/core/schedule';
import { schemaResolver } from '../kit-of-parts/form/schema-resolver';
import type { BoxForm } from './BoxFields';

export const boxFormSchema = object({
  area: string().max(80, 'has at most 80 characters').defined(),
  box: enclosureSchema,
})
  .noUnknown()
  .required();

/** What is not known is left out: no fact may be an empty field. */
export const said = <T extends object>(facts: T): T =>
  Object.fromEntries(Object.entries(facts).filter(([, v]) => v !== undefined)) as T;

export const useNewBoxForm = (defaults: BoxForm) =>
  useForm<BoxForm, unknown, BoxForm>({
    defaultValues: defaults,
    resolver: schemaResolver<BoxForm>(boxFormSchema),
  });
