// npm run bench: what was promised, measured here and now, as a table.
import { readFileSync } from 'node:fs';
import { closeDatabase } from '@/data';
import { makeLargeJob } from '@/server/large-job';
import { demoPeople, demoRoles } from '@/server/people/demo-people';
import { cookieOf, sessionOf } from '../e2e/session';
import { benchChoose } from './gland-selection';
import { benchChooseJob } from './job-choice';
import { benchHeavy } from './heavy';
import { benchBenches } from './benches';
import { benchLive } from './live';
import { benchPages } from './pages';
import { benchPack, benchPlan } from './plan';
import { benchReading } from './reading';
import { printTable } from './row';
import { benchWriters } from './writers';

async function main(): Promise<void> {
  const address = process.env.BENCH_ADDRESS;
  if (!address) throw new Error('BENCH_ADDRESS is not set; `npm run bench` starts what is needed');
  const demo: unknown = JSON.parse(readFileSync('examples/catalogue/demo.json', 'utf8'));
  printTable([...benchChoose(demo), ...(await benchChooseJob())]);
  printTable([...benchPlan(demo), ...benchPack()]);
  const slug = await makeLargeJob(5000);
  printTable(await benchReading(slug));
  await demoRoles(await demoPeople(), [slug]);
  const session = await sessionOf(address, 'planner');
  printTable(await benchPages(address, slug, session));
  printTable(await benchBenches(address));
  printTable(await benchLive(address, Number(process.env.BENCH_PID ?? 0)));
  printTable(await benchWriters());
  printTable(await benchHeavy(address, slug, cookieOf(session), Number(process.env.BENCH_PID ?? 0)));
  await closeDatabase();
}

// Calls that were broken off may leave a connection open for a while: the table is printed, and that is the end.
main().then(
  () => process.exit(0),
  (error: unknown) => {
    console.error(error);
    process.exit(1);
  },
);
