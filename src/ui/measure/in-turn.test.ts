import { inTurn } from './in-turn';

it('begins each when the one before has ended, and goes on after one that failed', async () => {
  const turn = inTurn();
  const said: string[] = [];
  const work = (name: string, ms: number, fails = false) =>
    turn(async () => {
      said.push(`${name} begins`);
      await new Promise((resolve) => setTimeout(resolve, ms));
      said.push(`${name} ends`);
      if (fails) throw new Error(name);
      return name;
    });
  const all = await Promise.allSettled([work('slow', 30), work('bad', 1, true), work('quick', 0)]);
  expect(all.map((done) => done.status)).toEqual(['fulfilled', 'rejected', 'fulfilled']);
  expect(said).toEqual(['slow begins', 'slow ends', 'bad begins', 'bad ends', 'quick begins', 'quick ends']);
});
