import { createConnection } from 'mysql2/promise';
import { readFileSync } from 'node:fs';
import type { Role } from '@/core/people';
import { verifyZip } from '../cli/verify';
import {
  address,
  allByRole,
  byRole,
  click,
  d,
  download,
  fitsOnPhone,
  open,
  says,
  wait,
  seriousFindings,
  withBrowser,
} from './page';
import { cookieOf, sessionOf } from './session';

withBrowser('/job/quillmere/settings');

const as = async (who: Role) => {
  await d()
    .manage()
    .addCookie({ ...(await sessionOf(address, who)), httpOnly: true });
};

describe('what runs', () => {
  it('shows an administrator this process, that the database stands alone, and that nobody has backed it up', async () => {
    await as('administrator');
    await open('/running');
    await says('stands alone');
    await says('Nobody has backed this database up');
    const rows = await allByRole('row', undefined, { within: await byRole('table', 'Processes') });
    expect(rows.length).toBeGreaterThan(1);
    expect(await seriousFindings()).toEqual([]);
    await fitsOnPhone();
    await as('fitter');
    await open('/running');
    await says('administrator of the whole application');
  });
});

describe('every answer', () => {
  const idOf = async (given?: string): Promise<string> =>
    (
      await fetch(`${address}/api/health`, { headers: given === undefined ? {} : { 'x-request-id': given } })
    ).headers.get('x-request-id') ?? '';

  it('has an id of its own; what somebody outside calls it is not believed', async () => {
    const [one, other] = [await idOf(), await idOf()];
    expect(one).toMatch(/^[\w-]{36}$/);
    expect(other).not.toBe(one);
    expect(await idOf('chosen-by-somebody')).not.toBe('chosen-by-somebody');
  });

  it('to a command names the request under which the database keeps it', async () => {
    const session = await sessionOf(address, 'planner');
    const id = crypto.randomUUID();
    const answer = await fetch(`${address}/api/do`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', origin: address, cookie: cookieOf(session) },
      body: JSON.stringify({
        id,
        name: 'addCrossing',
        args: ['quillmere', `X-R${id.slice(0, 4)}`, 'frames'],
      }),
    });
    expect(await answer.json()).toMatchObject({ result: { ok: true } });
    const connection = await createConnection(process.env.E2E_DATABASE_URL ?? '');
    try {
      const [rows] = await connection.query('SELECT request FROM sent_command WHERE id = ?', [id]);
      const request = answer.headers.get('x-request-id');
      expect(rows).toEqual([{ request }]);
      // Written a moment after it is done.
      const line = await wait(() => {
        const lines = readFileSync(process.env.E2E_LOG ?? '', 'utf8')
          .trim()
          .split('\n');
        return Promise.resolve(lines.reverse().find((text) => text.includes('addCrossing')) ?? false);
      }, 'the log of the application');
      expect(JSON.parse(String(line))).toMatchObject({ request, operation: 'addCrossing', outcome: 'done' });
    } finally {
      await connection.end();
    }
  });
});

it('tells who watches that it lives, and shows no figures to whoever has no word for them', async () => {
  expect(await (await fetch(`${address}/api/health/live`)).json()).toEqual({ live: true });
  expect(await (await fetch(`${address}/api/health/ready`)).json()).toEqual({ live: true, ready: true });
  for (const authorization of ['', 'Bearer ', 'Bearer undefined'])
    expect((await fetch(`${address}/metrics`, { headers: { authorization } })).status).toBe(404);
});

it('saves all of a job as one file that holds without this application', async () => {
  await as('planner');
  await open('/job/quillmere/settings');
  await click(() => byRole('button', 'Save the archive of the job'));
  await says('The archive is made.');
  const report = verifyZip(readFileSync(await download(/^quillmere-archive\.zip$/)));
  expect(report).toMatchObject({ ok: true, value: { job: 'quillmere', archive: { without: [] } } });
  expect(await seriousFindings()).toEqual([]);
});
