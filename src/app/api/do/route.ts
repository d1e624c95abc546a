import { array, mixed, object, string } from 'yup';
import { validate, type Result } from '@/core/kernel';
import { actAndLook } from '../../for-programs';
import { refusedJson, statusOf } from '../../answer';
import { resultInWords } from '../../in-words';
import { readJson } from '../body';
import { isCommand, isLook } from '../served';

export const dynamic = 'force-dynamic';

const schema = object({
  id: string().uuid('is not the id of a command').required(),
  name: string().max(40).required(),
  args: array().of(mixed().nullable()).max(10).required(),
  show: array().of(mixed().nullable()).min(1).max(10).optional(),
})
  .noUnknown()
  .required();

/** Does one command, once, however often it is sent, and shows the view that was asked for with it as it is now. */
export async function POST(request: Request): Promise<Response> {
  const body = await readJson(request);
  if (!body.ok) return refusedJson(body.problems);
  const read = validate(schema, body.value, true);
  if (!read.ok) return refusedJson(read.problems);
  const { id, name, args, show } = read.value;
  if (!isCommand(name))
    return refusedJson([{ path: 'name', message: 'is nothing that can be done', value: name }]);
  const [shownName, ...shownArgs] = show ?? [];
  const { done, seen } = await actAndLook(name, args, { id }, (answer) =>
    // A refusal mostly means that something has changed: whoever is refused sees it. Not where the server itself cannot answer.
    isAway(answer) || codeOf(answer) === 401 || typeof shownName !== 'string' || !isLook(shownName)
      ? null
      : { name: shownName, given: shownArgs },
  );
  const status = codeOf(done);
  return Response.json(
    { result: resultInWords(done), shown: seen },
    { status: status === 401 || status === 403 ? status : 200 },
  );
}

const isAway = (result: Result<unknown>): boolean => !result.ok && result.problems.some((p) => p.path === '');
const codeOf = (result: Result<unknown>): number => (result.ok ? 200 : statusOf(result.problems));
