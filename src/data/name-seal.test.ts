import { randomUUID } from 'node:crypto';
import { nameMark } from '@/core/record';
import { closeDatabase, sealName, withTransaction } from '.';

afterAll(closeDatabase);

const sealed = (person: string | null, name: string) => withTransaction((tx) => sealName(tx, person, name));

it('ten who need the seal of one name in the same instant get the same', async () => {
  const person = randomUUID();
  const seals = await Promise.all(Array.from({ length: 10 }, () => sealed(person, 'Fitter')));
  expect(new Set(seals.map((s) => s.mark)).size).toBe(1);
  const [{ mark, salt }] = seals as [(typeof seals)[0]];
  expect(nameMark(salt ?? '', 'Fitter')).toBe(mark);
});

it.each([
  ['written otherwise', 'FITTER'],
  ['with another letter that sorts alike', 'Fíttér'],
  ['with a space behind', 'Fitter '],
])('a name %s is another, and its mark is its own', async (_, other) => {
  const person = randomUUID();
  const [one, two] = [await sealed(person, 'Fitter'), await sealed(person, other)];
  expect(nameMark(one.salt ?? '', 'Fitter')).toBe(one.mark);
  expect(nameMark(two.salt ?? '', other)).toBe(two.mark);
  expect(two.mark).not.toBe(one.mark);
});

it('the same name of two people, or of nobody who was signed in, has marks that nobody can tell to be alike', async () => {
  const marks = [
    await sealed(randomUUID(), 'Fitter'),
    await sealed(randomUUID(), 'Fitter'),
    await sealed(null, 'Fitter'),
  ];
  expect(new Set(marks.map((m) => m.mark)).size).toBe(3);
});
