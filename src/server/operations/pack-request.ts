import { array, object, string } from 'yup';
import { refuse, validate, type Result } from '@/core/kernel';
import { PAPERS } from '@/formats/pdf/sheet';
import { MOST_CARDS } from './work-pack';

const packSchema = object({
  tags: array().of(string().min(3).max(50).required()).max(MOST_CARDS).required(),
  paper: string().oneOf(PAPERS).required(),
  /** Where the codes on the labels lead to. */
  origin: string()
    .max(200)
    .matches(/^https?:\/\/[^\s/]+$/, 'is not an address such as http://10.0.0.5:3210')
    .optional(),
})
  .noUnknown()
  .required();

/** What a selection is to be printed as, from the body of a request. */
export function readPackRequest(text: string) {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    return refuse('body', 'is not JSON') as Result<never>;
  }
  return validate(packSchema, json);
}
