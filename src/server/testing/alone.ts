/**
 * Gives a test file the database that nobody else works in: `GATE`, `ATTACK`, `FORGET` or `CATALOGUE`, or the one with the demo, see scripts/test.mjs. Called before
 * anything is asked of one.
 */
export function ownDatabase(name: 'GATE' | 'ATTACK' | 'FORGET' | 'CATALOGUE' | 'DEMO'): void {
  for (const [to, from] of [
    ['DATABASE_URL', 'URL'],
    ['DATABASE_OWNER_URL', 'OWNER_URL'],
    ['AMBER_COLLAR_KEEP', 'KEEP'],
  ] as const) {
    const value = process.env[`${name}_DATABASE_${from}`];
    if (value === undefined)
      throw new Error(`${name}_DATABASE_${from} is not set; \`npm test\` makes that database`);
    process.env[to] = value;
  }
}
