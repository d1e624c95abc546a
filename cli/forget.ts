// Takes a person's name out of the database, on request: `npm run forget -- NAME` shows what it would do, `--do` does it.
import { problemLine } from '@/core/kernel';
import { forgetPerson } from '@/data/forget';
import { run } from './run';

async function main(): Promise<number> {
  const owner = process.env.DATABASE_OWNER_URL;
  const args = process.argv.slice(2);
  const names = args.filter((arg) => !arg.startsWith('-'));
  const [name] = names;
  if (!owner || name === undefined || names.length > 1) {
    console.error('DATABASE_OWNER_URL, and the name that they sign in under: npm run forget -- NAME [--do]');
    return 2;
  }
  const look = !args.includes('--do');
  const result = await forgetPerson(owner, name, { look });
  if (!result.ok) {
    for (const problem of result.problems) console.error(problemLine(problem));
    return 2;
  }
  const done = result.value;
  console.log(
    `${look ? 'Would be done, with --do' : 'Done'}: “${done.pseudonym}” stands for them in ${done.events} events and ${done.rows} other rows. They can no longer sign in. Every hash still holds: npm run audit.`,
  );
  if (done.unsealed > 0)
    console.log(
      `${done.unsealed} events were written before names were sealed: the name is part of what they hash, and stays.`,
    );
  if (done.typed > 0)
    console.log(
      `In ${done.typed} events somebody has typed the name into their words: it stays. Find them in the records of each job.`,
    );
  console.log('Not reached: backups, files that were saved, and what was printed.');
  return 0;
}

await run(main);
