import { array, number, object, string } from 'yup';
import { schemaResolver } from './schema-resolver';

const FIELDS = { fields: {}, shouldUseNativeValidation: false } as const;
const schema = object({
  tag: string().required().max(3).matches(/^K/, 'begins with K'),
  trays: array(object({ front: number().integer().min(0) })).required(),
});
const resolve = async (values: unknown) => schemaResolver(schema)(values as never, undefined, FIELDS);

it('says at the very field of an array what is no number, in words a hand can use', async () => {
  const { errors } = await resolve({ tag: 'K-1', trays: [{ front: 2 }, { front: NaN }] });
  expect(errors).toMatchObject({ trays: [undefined, { front: { message: 'is no number' } }] });
  expect(errors).not.toHaveProperty('tag');
});

it('shows the first of two problems of one field, and gives no values to save', async () => {
  const { errors, values } = await resolve({ tag: 'X-100', trays: [] });
  expect(errors.tag?.message).toBe('must be at most 3 characters');
  expect(values).toEqual({});
});

it('takes text for no number: what the server would refuse is refused here', async () => {
  const { errors } = await resolve({ tag: 'K-1', trays: [{ front: '2' }] });
  expect(errors.trays?.[0]?.front?.message).toBe('is no number');
});
