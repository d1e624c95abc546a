import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import {
  appendFileSync,
  cpSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as after } from 'node:timers/promises';
import type { Result } from '@/core/kernel';
import { freePort, processBefore, startedCluster, type NodeProcess } from './nodes';

const cluster = startedCluster();
const [first, second] = cluster.nodes;
if (!first || !second) throw new Error('no nodes');
const home = mkdtempSync(join(tmpdir(), 'ac-backup-'));
spawnSync('chmod', ['755', home]);
const folder = (name: string) => {
  mkdirSync(join(home, name), { recursive: true });
  return join(home, name);
};
const run = (command: string, args: readonly string[], env: Record<string, string> = {}) =>
  spawnSync(command, args, { encoding: 'utf8', env: { ...process.env, ...env } });
const backUp = (env: Record<string, string> = {}) => {
  const login = join(home, 'login.cnf');
  writeFileSync(login, `[client]\nuser=amber_backup\npassword=${cluster.backupPassword}\n`, { mode: 0o600 });
  return run('deploy/backup.sh', [], {
    AC_BACKUPS: folder('backups'),
    AC_KEEP_BACKUPS: folder('keeps'),
    AC_DATA: second.data,
    AC_SOCKET: second.socket,
    AC_LOGIN: login,
    AC_KEEP: cluster.keep,
    ...env,
  });
};
const restore = (from: string, into: string) =>
  run('deploy/restore.sh', [from, into], { AC_OWNER: cluster.owner });

let writer: NodeProcess;
let job = '';
const begin = async () => {
  job = (await writer.ask({ what: 'makeJob' })) as string;
  await writer.ask({ what: 'take', job, size: 'RW2-32' });
};
const confirm = async () => {
  const done = (await writer.ask({ what: 'confirm', job, id: randomUUID(), at: 0 })) as Result<unknown>;
  expect(done).toMatchObject({ ok: true });
};

beforeAll(async () => {
  writer = processBefore(first.url, cluster.keep);
  await begin();
});
afterAll(async () => {
  await writer.end();
  rmSync(home, { recursive: true, force: true });
});

/** Starts a server on restored data, alone, and audits it with what was kept outside. */
async function audited(data: string, keep: string): Promise<{ code: number | null; said: string }> {
  const port = await freePort();
  const socket = join(data, 'r.sock');
  let server: ChildProcess | null = null;
  try {
    server = spawn(
      '/usr/sbin/mariadbd',
      [
        '--no-defaults',
        `--user=${cluster.owner}`,
        `--datadir=${data}`,
        `--socket=${socket}`,
        `--pid-file=${join(data, 'r.pid')}`,
        `--port=${port}`,
        '--bind-address=127.0.0.1',
        '--skip-name-resolve',
        '--default-time-zone=+00:00',
      ],
      { stdio: 'ignore' },
    );
    const url = new URL(first?.url ?? '');
    url.port = String(port);
    const isUp = () =>
      run('mariadb', [
        '--no-defaults',
        `--socket=${socket}`,
        '-uamber_backup',
        `--password=${cluster.backupPassword}`,
        '--execute=SELECT 1',
      ]).status === 0;
    for (let i = 0; i < 100 && !isUp(); i += 1) await after(200);
    const done = run(
      process.execPath,
      ['node_modules/tsx/dist/cli.mjs', '--conditions=react-server', 'cli/audit.ts'],
      { DATABASE_URL: url.href, AMBER_COLLAR_KEEP: keep, LOG_LEVEL: 'silent' },
    );
    return { code: done.status, said: `${done.stdout}${done.stderr}` };
  } finally {
    if (server?.pid !== undefined && server.exitCode === null) {
      const gone = new Promise((resolve) => server?.once('exit', resolve));
      server.kill('SIGTERM');
      await gone;
    }
  }
}

it('a node is put aside while it is written to, and what is put back holds every entry that was confirmed before, from its first event on', async () => {
  await confirm();
  await confirm();
  await writer.ask({ what: 'catchUp' });
  const done = backUp();
  expect([done.status, done.stderr]).toEqual([0, '']);
  const from = done.stdout.trim();
  const said = (await writer.ask({ what: 'look', name: 'viewJobRecord', args: [job] })) as {
    entries: number;
    code: string;
  };
  expect(said.entries).toBe(2);

  const data = folder(`data-${randomUUID().slice(0, 6)}`);
  expect(restore(from, data)).toMatchObject({ status: 0, stderr: '' });
  const kept = join(home, 'keeps', from.split('/').at(-1) ?? '');
  const audit = await audited(data, kept);
  expect(audit.said).toContain(`${job}: 2 entries, ${said.code}`);
  expect(audit).toMatchObject({ code: 0 });

  // Whoever has only this backup, and knows how far the record had come since, is told what is missing.
  await confirm();
  const ahead = folder('ahead');
  cpSync(cluster.keep, ahead, { recursive: true });
  const missing = await audited(data, ahead);
  expect(missing.code).toBe(1);
  expect(missing.said).toMatch(new RegExp(`${job}: ${job}: .*(cut off|missing|3)`));
}, 120_000);

it('what was changed after it was put aside is not put back, and nothing is written over', () => {
  const [name = ''] = readdirSync(join(home, 'backups')).filter((file) => /^\d{8}T\d{6}Z$/.test(file));
  const from = join(home, 'backups', name);
  const full = folder('full');
  writeFileSync(join(full, 'theirs'), 'x');
  expect(restore(from, full)).toMatchObject({
    status: 1,
    stderr: expect.stringContaining('nothing is written over') as string,
  });
  expect(readdirSync(full)).toEqual(['theirs']);

  const changed = join(home, 'changed');
  cpSync(from, changed, { recursive: true });
  appendFileSync(join(changed, 'ibdata1'), 'x');
  const empty = folder('empty');
  expect(restore(changed, empty)).toMatchObject({
    status: 1,
    stderr: expect.stringContaining('not what was put aside') as string,
  });
  expect(readdirSync(empty)).toEqual([]);
  rmSync(join(changed, 'SHA256SUMS'));
  expect(restore(changed, empty)).toMatchObject({
    status: 1,
    stderr: expect.stringContaining('no finished backup') as string,
  });
});

it('a backup that fails says so, and is not told of as one', async () => {
  const last = await writer.ask({ what: 'lastBackup' });
  expect(last).toMatchObject({ node: 'node2' });
  await after(1100);
  const done = backUp({ AC_SOCKET: join(home, 'nothing.sock') });
  expect(done.status).not.toBe(0);
  const [newest = ''] = readdirSync(join(home, 'backups'))
    .filter((file) => !file.endsWith('.log'))
    .sort()
    .reverse();
  expect(existsSync(join(home, 'backups', newest, 'SHA256SUMS'))).toBe(false);
  expect(await writer.ask({ what: 'lastBackup' })).toEqual(last);
}, 60_000);
