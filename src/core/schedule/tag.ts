import { string } from 'yup';

/** A cable tag: any characters but the slash, which parts the cable from its end in `K-104/B` and in every address. */
export const tagSchema = string()
  .trim()
  .min(1, 'a tag is needed')
  .max(40, 'is longer than 40 characters')
  .test(
    'slash',
    'a tag holds no slash: the slash parts the cable from its end, as in K-104/B',
    (v) => !v?.includes('/'),
  )
  .test('control', 'a tag holds no control characters', (v) => !/\p{Cc}/u.test(v ?? ''))
  .required('a tag is needed');

export const ENDS = ['A', 'B'] as const;
export type End = (typeof ENDS)[number];

export const terminationTag = (cable: string, end: End): string => `${cable}/${end}`;

const reader = new Intl.Collator('en', { numeric: true });

/** Order in which people read tags: `K-2` before `K-10`. */
export const compareTags = (a: string, b: string): number => reader.compare(a, b);
