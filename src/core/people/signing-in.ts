import { object, string } from 'yup';
import { hashOf } from '@/core/kernel';

export const SHORTEST_PASSWORD = 10;
const LONGEST_PASSWORD = 128;

/** Hours for which somebody is signed in: a long shift. */
export const SHIFT_HOURS = 14;
/** Wrong passwords under one name before that name has to wait, and for how many minutes. */
export const WRONG_PASSWORDS = 5;
export const WAIT_MINUTES = 5;
/** Wrong PINs before only the password opens. */
export const WRONG_PINS = 5;
/** Days for which an invitation holds. */
export const INVITATION_DAYS = 7;

/** What is kept of the token of an invitation, and of the code of the first run. */
export const tokenHash = (token: string): string => hashOf(token);

const name = string()
  .max(60, 'has at most 60 characters')
  .matches(/\S/, 'how are you called?')
  .required('how are you called?');
/** By which somebody signs in. Case does not matter. */
const username = string()
  .matches(/^[A-Za-z0-9_.]*$/, 'has letters, digits, points and underscores only')
  .min(3, 'has at least 3 characters')
  .max(30, 'has at most 30 characters')
  .required('under which name do you sign in?');
const password = string()
  .min(
    SHORTEST_PASSWORD,
    `has at least ${SHORTEST_PASSWORD} characters: three or four words are easily kept in mind`,
  )
  .max(LONGEST_PASSWORD, `has at most ${LONGEST_PASSWORD} characters`)
  .required('is needed');

/** Four to eight digits, not all alike and not counted up or down. */
const pin = string()
  .matches(/^\d{4,8}$/, 'is 4 to 8 digits')
  .test('guessable', 'is the first that anybody tries: take another', (pin) => {
    if (pin === undefined) return true;
    const digits = Array.from(pin, Number);
    const steps = new Set(digits.slice(1).map((digit, i) => digit - (digits[i] ?? 0)));
    return steps.size > 1 || ![0, 1, -1].includes([...steps][0] ?? 9);
  })
  .required('is needed');

/** What a new person says of themselves. */
export const newPersonSchema = object({ name, username, password }).noUnknown().required();

export const signInSchema = object({
  username: string().max(60).required('under which name do you sign in?'),
  password: string().max(LONGEST_PASSWORD).required('is needed'),
})
  .noUnknown()
  .required();

export const passwordChangeSchema = object({
  current: string().max(LONGEST_PASSWORD).required('is needed'),
  password,
})
  .noUnknown()
  .required();

/** Another password in the place of one that was lost. */
export const lostPasswordSchema = object({ password }).noUnknown().required();

export const pinFormSchema = object({ pin }).noUnknown().required();
