import { canonicalJson } from '@/core/kernel';

/** What stands in a form as one text, to tell whether two are alike. What is undefined counts for nothing, and so does a field that is empty. */
export const formText = (values: unknown): string =>
  canonicalJson(
    JSON.parse(JSON.stringify(values, (_, value: unknown) => (value === '' ? undefined : value))),
  );
