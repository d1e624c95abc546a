'use client';
import Button from '@mui/material/Button';
import { newPersonSchema, SHORTEST_PASSWORD } from '@/core/people';
import type { ReactNode } from 'react';
import { Problems } from '../kit-of-parts/Problems';
import type { Door } from './door';
import { FormField } from './FormField';
import { useDoorForm } from './use-door-form';

interface Props {
  readonly door: Door;
  readonly name?: string;
  readonly secret: () => string;
  readonly submitWords: string;
  readonly before?: ReactNode;
  readonly done: () => void;
}

/** What a new person says of themselves. */
export function NewPersonForm({ door, name = '', secret, submitWords, before, done }: Props) {
  const { control, submit, busy, problems } = useDoorForm({
    door,
    schema: newPersonSchema,
    empty: { name, username: '', password: '' },
    key: secret,
    done,
  });
  return (
    <form onSubmit={submit} noValidate>
      {before}
      <FormField control={control} name="name" label="Your name, for the record" autoComplete="name" />
      <FormField
        control={control}
        name="username"
        label="Name you sign in by"
        help="letters, digits, points and underscores"
        autoComplete="username"
      />
      <FormField
        control={control}
        name="password"
        label="Password"
        type="password"
        help={`at least ${SHORTEST_PASSWORD} characters; three or four words are easily kept in mind`}
        autoComplete="new-password"
      />
      <Problems problems={problems} />
      <Button type="submit" variant="contained" color="secondary" disabled={busy}>
        {submitWords}
      </Button>
    </form>
  );
}
