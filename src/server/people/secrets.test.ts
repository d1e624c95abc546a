import { hashSecret, secretMatches } from './secrets';

it('keeps what cannot be read back, another one each time, by the method and cost that are advised', async () => {
  const [one, other] = [await hashSecret('Quillmere 2611'), await hashSecret('Quillmere 2611')];
  expect(one).not.toBe(other);
  for (const kept of [one, other]) {
    expect(kept).toMatch(/^\$argon2id\$v=19\$m=19456,t=2,p=1\$/);
    expect(await secretMatches('Quillmere 2611', kept)).toBe(true);
    expect(await secretMatches('Quillmere 2612', kept)).toBe(false);
  }
});

it('knows a secret that another implementation has kept, so that nobody is locked out by a new release', async () => {
  const kept =
    '$argon2id$v=19$m=19456,t=2,p=1$BwcHBwcHBwcHBwcHBwcHBw$C61ksNKhqa6eA6w6i1onwJWrMNLuKPXqI26Hh3zSCLs';
  expect(await secretMatches('Quillmere 2611', kept)).toBe(true);
  expect(await secretMatches('quillmere 2611', kept)).toBe(false);
});

it('lets others work while it reckons', async () => {
  let turns = 0;
  const turn = setInterval(() => (turns += 1), 1);
  await Promise.all(Array.from({ length: 8 }, () => hashSecret('Quillmere 2611')));
  clearInterval(turn);
  expect(turns).toBeGreaterThan(5);
});
