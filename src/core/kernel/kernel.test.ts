import { execFileSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { number, object, string } from 'yup';
import {
  hashOf,
  hashOnce,
  hashText,
  hull,
  pathWords,
  placedProblem,
  problemLine,
  textWidth,
  validate,
} from '.';

const schema = object({ tag: string().max(5).required(), count: number().integer().min(1).required() })
  .noUnknown()
  .required();

describe('validate', () => {
  it('changes nothing on the way: text is no number', () => {
    expect(validate(schema, { tag: 'K-1', count: 2 })).toEqual({ ok: true, value: { tag: 'K-1', count: 2 } });
    expect(validate(schema, { tag: 'K-1', count: '2' })).toMatchObject({
      ok: false,
      problems: [{ path: 'count', message: 'is no number', value: '2' }],
    });
  });

  it('finds every problem at once, with path and value, and refuses unknown keys', () => {
    const result = validate(schema, { tag: 'much too long', count: 0 });
    expect(result.ok ? [] : result.problems.map((p) => [p.path, p.value])).toEqual([
      ['tag', 'much too long'],
      ['count', 0],
    ]);
    expect(validate(schema, { tag: 'K-1', count: 1, colour: 'red' }).ok).toBe(false);
    for (const nothing of [null, undefined, 3, 'x', []]) expect(validate(schema, nothing).ok).toBe(false);
  });
});

it('takes a path off the front of what is said, and leaves a word that is called like it', () => {
  const named = object({
    batch: string().test('there', 'the batch number stands on the pack', (v) => v !== ''),
  });
  expect(validate(named, { batch: '' })).toMatchObject({
    problems: [{ path: 'batch', message: 'the batch number stands on the pack' }],
  });
});

it('prints a problem in one line, long values cut', () => {
  expect(problemLine({ path: 'a[0].b', message: 'is wrong', value: 'x' })).toBe('a[0].b: is wrong, got "x"');
  expect(problemLine({ path: '', message: 'is empty' })).toBe('(input): is empty');
  expect(problemLine({ path: 'a', message: 'm', value: 'y'.repeat(500) }).length).toBeLessThan(120);
});

it('calls a path as people do: by the words of its fields, lists by number or by the name of what stands there', () => {
  const words = { sizes: 'size', outerSeal: 'outer seal', max: 'largest' };
  expect(pathWords('sizes[2].outerSeal.max', words)).toBe('size 3, outer seal, largest');
  expect(pathWords('sizes[2].outerSeal.max', words, (at) => (at === 'sizes[2]' ? 'AY3-25' : undefined))).toBe(
    'AY3-25, outer seal, largest',
  );
  expect(pathWords('sizes[0].nobodyKnows[1]', words)).toBe('size 1, nobodyKnows 2');
  expect(pathWords('', words)).toBe('');
  const known = { path: 'sizes[1].max', message: 'is no number', value: 'x' };
  expect(placedProblem(known, words)).toEqual({ ...known, message: 'size 2, largest: is no number' });
  for (const whole of ['version', ''])
    expect(placedProblem({ path: whole, message: 'Look again.' }, words).message).toBe('Look again.');
});

it('takes the hull of intervals, of at least one', () => {
  expect(
    hull([
      { min: 3, max: 4 },
      { min: 1, max: 2 },
    ]),
  ).toEqual({ min: 1, max: 4 });
  expect(() => hull([])).toThrow();
});

describe('text width', () => {
  it('grows with every character and scales with the size', () => {
    expect(textWidth('38', 12, 400)).toBeLessThan(textWidth('388', 12, 400));
    expect(textWidth('armour', 24, 600)).toBeCloseTo(2 * textWidth('armour', 12, 600), 9);
    expect(textWidth('', 12, 400)).toBe(0);
  });

  it('comes from the face that ships (npm run generate)', () => {
    const fresh = execFileSync(
      process.execPath,
      [
        '--input-type=module',
        '-e',
        "import { fontWidthsSource } from './scripts/font-widths.mjs'; process.stdout.write(fontWidthsSource());",
      ],
      { encoding: 'utf8' },
    );
    expect(readFileSync('src/core/kernel/font-widths.ts', 'utf8')).toBe(fresh);
  });
});

describe('hashText', () => {
  it('is the SHA-256 of the UTF-8 of any text, as the platform has it', () => {
    const platform = (text: string) => createHash('sha256').update(Buffer.from(text, 'utf8')).digest('hex');
    for (const text of ['', 'abc', '25 mm² – ½', '🔩 K-104', '\ud800 alone', 'x\udc00', '\uffff\u07ff\u0800'])
      expect(hashText(text)).toBe(platform(text));
    fc.assert(
      fc.property(fc.string({ unit: 'binary', maxLength: 300 }), (text) => {
        expect(hashText(text)).toBe(platform(text));
      }),
    );
  });

  it('hashes a record once, and another object of the same content the same', () => {
    const record = { a: [1, 2], b: 'x' };
    let read = 0;
    const of = (r: object) => {
      read += 1;
      return r;
    };
    expect(hashOnce(record, of)).toBe(hashOf({ b: 'x', a: [1, 2] }));
    hashOnce(record, of);
    expect(read).toBe(1);
  });
});
