import { canonicalJson } from '@/core/kernel';

/** What stands in a form as one text, to tell whether two are alike. A number that is none yet is told from an empty field. */
export const formText = (values: unknown): string =>
  canonicalJson(
    JSON.parse(
      JSON.stringify(values, (_, value: unknown) =>
        typeof value === 'number' && !Number.isFinite(value) ? 'no number' : value,
      ),
    ),
  );
