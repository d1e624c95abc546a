import { array, boolean, object, string, type InferType } from 'yup';
import { ROLES } from '@/core/people';

/** Longest slug; it stands in every address of the job. */
const SLUG_LENGTH = 40;

const name = string()
  .max(120, 'has at most 120 characters')
  .matches(/\S/, 'a job needs a name')
  .required('a job needs a name');
const place = string().max(120, 'has at most 120 characters').defined();
const unit = string()
  .oneOf(['mm', 'in'] as const)
  .required();
/** Codes of families of the catalogue that are chosen from; null for all that are there, now and later. */
const families = array()
  .of(string().min(1).max(10).required())
  .min(1, 'at least one family is chosen from, or all')
  .max(500)
  .nullable()
  .defined();

const SETTINGS = {
  name,
  place,
  unit,
  /** Only somebody who has not worked at an end may sign it. */
  secondPerson: boolean().required(),
  families,
};

/** What can be set of a job that is there. */
export const jobSettingsSchema = object(SETTINGS).noUnknown().required();
export type JobSettings = InferType<typeof jobSettingsSchema>;

/** What a new job is made from. */
export const newJobSchema = object({
  ...SETTINGS,
  /** Key of a shipped code profile; what is copied from another job goes before it. */
  profile: string().max(40).required('say by which code the job works'),
  /** Slug of a job whose cable types, boxes and profile are taken over; none when it is empty. */
  copyFrom: string().max(SLUG_LENGTH).defined(),
  /** As what its maker works in it, besides setting it up. */
  roles: array().of(string().oneOf(ROLES).required()).max(ROLES.length).required(),
})
  .noUnknown()
  .required();
export type NewJob = InferType<typeof newJobSchema>;

/** The name of a job as it stands in addresses: small letters, digits and dashes, not one of those that are taken. */
export function slugOf(title: string, taken: ReadonlySet<string>): string {
  const plain =
    title
      .normalize('NFKD')
      .replace(/[\u0300-\u036f]/g, '')
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .slice(0, SLUG_LENGTH - 4)
      .replace(/^-+|-+$/g, '') || 'job';
  if (!taken.has(plain)) return plain;
  for (let n = 2; ; n += 1) if (!taken.has(`${plain}-${n}`)) return `${plain}-${n}`;
}
