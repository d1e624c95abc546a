import { number, object, string } from 'yup';
import { bySchema, storedJson, UnreadableRow } from './stored';

const schema = object({ tag: string().required(), mm: number().required() }).noUnknown().required();

describe('JSON in a column', () => {
  it('is read once for equal texts, and anew when it was forgotten', () => {
    let reads = 0;
    const kind = storedJson(
      'thing',
      (v) => {
        reads += 1;
        return bySchema(schema)(v);
      },
      2,
    );
    const text = (mm: number) => JSON.stringify({ tag: 'a', mm });
    expect(kind.parse(text(1), 1)).toBe(kind.parse(text(1), 2));
    expect(reads).toBe(1);
    kind.parse(text(2), 3);
    kind.parse(text(3), 4);
    expect(kind.parse(text(1), 1)).toEqual({ tag: 'a', mm: 1 });
    expect(reads).toBe(4);
  });

  it.each([
    ['cut off', '{"tag":"a","m'],
    ['of another shape', '{"tag":"a"}'],
    ['with more than is known', '{"tag":"a","mm":1,"x":2}'],
    ['with a number as text', '{"tag":"a","mm":"1"}'],
    ['null', 'null'],
  ])('that is %s names its row and is not guessed at, however often it is read', (_, text) => {
    const kind = storedJson('thing', bySchema(schema), 2);
    for (let again = 0; again < 2; again += 1) {
      expect(() => kind.parse(text, 7)).toThrow(UnreadableRow);
      expect(() => kind.parse(text, 7)).toThrow(/^thing 7 in the database cannot be read: /);
    }
  });
});
