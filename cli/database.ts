// Brings a database up to date: migrations, rights of the application's account, the demo job. Run by the scripts.
import { readFileSync } from 'node:fs';
import { problemLine } from '@/core/kernel';
import { forgetOld, grantApplication, migrate } from '@/data/migrate';
import { loadDemo } from '@/server/demo';
import { firstRunCode } from '@/server/people/first-run';
import { adoptRecords } from '@/server/record/append';
import { run } from './run';

async function main(): Promise<number> {
  const owner = process.env.DATABASE_OWNER_URL ?? process.env.DATABASE_URL;
  if (!owner) {
    console.error('DATABASE_URL is not set');
    return 2;
  }
  const ran = await migrate(owner);
  if (ran.length > 0) console.log(`database: ${ran.length} migration steps`);
  await forgetOld(owner);
  const application = process.env.DATABASE_APPLICATION;
  if (application) await grantApplication(owner, application);
  const adopted = await adoptRecords(new Date());
  if (adopted > 0) console.log(`database: ${adopted} events have got their receipts`);
  if (process.argv.includes('--demo')) {
    const demo = await loadDemo(readFileSync('examples/catalogue/demo.json', 'utf8'));
    if (!demo.ok) {
      for (const problem of demo.problems) console.error(problemLine(problem));
      return 2;
    }
    if (demo.value === 'loaded') console.log('database: demo job loaded');
  }
  const code = await firstRunCode(new Date());
  if (code !== null)
    console.log(`\nNobody can sign in yet. The first administrator is made with this code, once: ${code}\n`);
  return 0;
}

await run(main);
