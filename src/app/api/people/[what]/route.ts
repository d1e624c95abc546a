import { mixed, object, string, type InferType } from 'yup';
import { validate } from '@/core/kernel';
import {
  changePassword,
  firstRun,
  handOver,
  setPin,
  signIn,
  signOut,
  takeCharge,
  takeInvitation,
  type Opened,
} from '@/server/people';
import { refusedJson } from '../../../answer';
import { forThisRequest } from '../../../this-request';
import { readJson } from '../../body';

export const dynamic = 'force-dynamic';

interface Context {
  readonly params: Promise<{ what: string }>;
}

const schema = object({
  /** What the form holds. */
  given: mixed<object>().nullable().optional(),
  /** The code of the first run, the token of an invitation, or whom the device goes to. */
  key: string().max(200).optional(),
  pin: string().max(20).optional(),
})
  .noUnknown()
  .required();

/** What is not said is nothing: what is read strictly has no defaults put in. */
const saidIn = ({ given = null, key = '', pin = '' }: InferType<typeof schema>) => ({ given, key, pin });
type Body = ReturnType<typeof saidIn>;

const DOORS: Readonly<Record<string, (body: Body, headers: Headers) => Promise<Opened>>> = {
  'sign-in': ({ given }, headers) => signIn(given, headers),
  'sign-out': (_, headers) => signOut(headers),
  password: ({ given }, headers) => changePassword(given, headers),
  'first-run': ({ given, key }, headers) => firstRun(given, key, headers, new Date()),
  invitation: ({ given, key }, headers) => takeInvitation(key, given, headers, new Date()),
  pin: ({ given }, headers) => setPin(given, headers, new Date()),
  charge: ({ given, key, pin }, headers) => takeCharge(given, key, pin, headers, new Date()),
  'hand-over': ({ key, pin }, headers) => handOver(key, pin, headers),
};

/** Signs in and out. What comes back is an answer like that of a command; the cookie goes with it. */
export async function POST(request: Request, { params }: Context): Promise<Response> {
  const { what } = await params;
  const door = Object.hasOwn(DOORS, what) ? DOORS[what] : undefined;
  if (door === undefined)
    return refusedJson([{ path: 'file', message: 'is nothing that can be done', value: what }]);
  const body = await readJson(request);
  if (!body.ok) return refusedJson(body.problems);
  const read = validate(schema, body.value, true);
  if (!read.ok) return refusedJson(read.problems);
  const { value } = read;
  const { result, cookies } = await forThisRequest(() => door(saidIn(value), request.headers));
  const answer = Response.json(result);
  for (const cookie of cookies) answer.headers.append('set-cookie', cookie);
  return answer;
}
