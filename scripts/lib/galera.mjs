// Three nodes of one cluster on loopback, each with its own data, socket and ports. Started and stopped by our commands only.
import { spawnSync } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { chmodSync, chownSync, existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { userInfo } from 'node:os';
import { certificatesOf } from './certificates.mjs';
import { LOCAL } from './setup.mjs';
import { alive, asRoot, freePort, launched } from './mariadb.mjs';

const sleep = (ms) => new Promise((resolve) => setTimeout(resolve, ms));
const PROVIDER = '/usr/lib/galera/libgalera_smm.so';
export const NODES = [1, 2, 3];
const UP_MS = 90_000;
/** A node that ends as it comes up is started again, as its unit file would: the library may fall over its own threads on a busy machine. */
const STARTS = 3;
const HOSTS = ['127.0.0.1', 'localhost'];

/** Whose the data is: the transfer between nodes is refused to root. */
function owner() {
  if (process.getuid?.() !== 0) return { name: userInfo().username, uid: null, gid: null };
  const id = (what) => Number(spawnSync('id', [what, 'mysql'], { encoding: 'utf8' }).stdout.trim());
  return { name: 'mysql', uid: id('-u'), gid: id('-g') };
}

const folderOf = (home, n) => join(home, `node-${n}`);

function made(folder, { uid, gid }) {
  mkdirSync(folder, { recursive: true, mode: 0o755 });
  if (uid !== null) chownSync(folder, uid, gid);
  return folder;
}

/** The cluster in `.local/<name>`: its ports and passwords, made on first use. */
export async function clusterOf(name) {
  const home = join(LOCAL, name);
  mkdirSync(home, { recursive: true });
  const file = join(home, 'cluster.json');
  const before = existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : null;
  const nodes = before?.nodes ?? [];
  for (const n of before === null ? NODES : []) {
    const ports = {};
    for (const what of ['sql', 'group', 'ist', 'sst']) ports[what] = await freePort(0);
    nodes.push({ n, ...ports });
  }
  const words = ['root', 'owner', 'app', 'check', 'backup', 'metrics'].map((name) => [
    name,
    // One of before may lack some.
    before?.passwords[name] ?? randomBytes(18).toString('hex'),
  ]);
  const made = { nodes, passwords: Object.fromEntries(words) };
  writeFileSync(file, JSON.stringify(made), { mode: 0o600 });
  return { home, ...made };
}

/**
 * Up to which write set a node has kept what it was told, as it finds in its own data: one that was killed then asks only for what came after, and not
 * for all of it. Null where it has nothing to go by.
 */
function keptUpTo(who, data, socket) {
  const { stderr } = spawnSync(
    '/usr/sbin/mariadbd',
    [
      '--no-defaults',
      `--user=${who.name}`,
      `--datadir=${data}`,
      `--socket=${socket}`,
      '--skip-networking',
      '--innodb-buffer-pool-size=64M',
      '--binlog-format=ROW',
      '--innodb-autoinc-lock-mode=2',
      '--wsrep-on=ON',
      `--wsrep-provider=${PROVIDER}`,
      '--wsrep-cluster-address=gcomm://',
      '--wsrep-recover',
    ],
    { encoding: 'utf8', timeout: UP_MS },
  );
  const position = /Recovered position: ([0-9a-f-]{36}:\d+)/.exec(stderr)?.[1];
  return position ?? null;
}

/** What a node knows itself and the others by. In a file, since the programs that give a node its data whole read it there and nowhere else. */
function tlsOf(home, folder, who) {
  const tls = certificatesOf(home, who);
  const file = join(folder, 'node.cnf');
  writeFileSync(file, `[mysqld]\nssl-ca=${tls.ca}\nssl-cert=${tls.cert}\nssl-key=${tls.key}\n`);
  return { ...tls, file };
}

/** Starts one node; `first` founds the cluster. Ready when it has what the others have. */
export async function startNode({ home, nodes, passwords }, n, { first = false } = {}) {
  const who = owner();
  const folder = made(folderOf(home, n), who);
  const data = join(folder, 'data');
  const socket = join(folder, 'db.sock');
  const fresh = !existsSync(join(data, 'mysql'));
  if (fresh) {
    made(data, who);
    // Another node gives the later ones their data whole.
    if (first) {
      const install = spawnSync(
        'mariadb-install-db',
        [
          '--no-defaults',
          `--user=${who.name}`,
          `--datadir=${data}`,
          '--auth-root-authentication-method=normal',
          '--skip-test-db',
        ],
        { encoding: 'utf8' },
      );
      if (install.status !== 0)
        throw new Error(`node ${n}: could not be made\n${install.stdout}\n${install.stderr}`);
    }
  }
  const mine = nodes.find((node) => node.n === n);
  const position = fresh || first ? null : keptUpTo(who, data, socket);
  const errorLog = join(folder, 'error.log');
  const tls = tlsOf(home, folder, who);
  const settings = [
    `--user=${who.name}`,
    `--datadir=${data}`,
    `--socket=${socket}`,
    `--pid-file=${join(folder, 'db.pid')}`,
    `--port=${mine.sql}`,
    '--innodb-buffer-pool-size=192M',
    '--binlog-format=ROW',
    // The owner of the tables guards them with triggers, and is no administrator of the server.
    '--log-bin-trust-function-creators=ON',
    '--innodb-autoinc-lock-mode=2',
    // What one node has said is saved is on the others too; its own disk may come after.
    '--innodb-flush-log-at-trx-commit=0',
    '--wsrep-on=ON',
    `--wsrep-provider=${PROVIDER}`,
    '--wsrep-cluster-name=amber_collar',
    `--wsrep-cluster-address=gcomm://${nodes.map((node) => `127.0.0.1:${node.group}`).join(',')}`,
    `--wsrep-node-name=node${n}`,
    '--wsrep-node-address=127.0.0.1',
    `--wsrep-node-incoming-address=127.0.0.1:${mine.sql}`,
    `--wsrep-provider-options=gmcast.listen_addr=tcp://127.0.0.1:${mine.group};ist.recv_addr=127.0.0.1:${mine.ist};gcache.size=64M;socket.ssl_ca=${tls.ca};socket.ssl_cert=${tls.cert};socket.ssl_key=${tls.key};evs.keepalive_period=PT0.5S;evs.suspect_timeout=PT2S;evs.inactive_timeout=PT4S;evs.install_timeout=PT4S`,
    '--wsrep-sst-method=rsync',
    `--wsrep-sst-receive-address=127.0.0.1:${mine.sst}`,
    ...(first ? ['--wsrep-new-cluster'] : []),
    ...(position === null ? [] : [`--wsrep-start-position=${position}`]),
  ];
  let child = launched(settings, errorLog, tls.file);
  const until = Date.now() + UP_MS;
  const password = fresh && first ? '' : passwords.root;
  for (let starts = 1; Date.now() < until;) {
    if (child.exitCode !== null) {
      if (starts === STARTS) break;
      starts += 1;
      child = launched(settings, errorLog, tls.file);
    }
    if (asRoot(socket, password, "SHOW STATUS LIKE 'wsrep_local_state'").said?.includes('\t4')) break;
    await sleep(250);
  }
  if (child.exitCode !== null || Date.now() >= until) {
    // What did not come up is not left behind: nobody else knows of it.
    if (child.exitCode === null) process.kill(child.pid, 'SIGKILL');
    throw new Error(`node ${n} did not come up; see ${errorLog}`);
  }
  if (fresh && first) accounts(socket, passwords);
  return { n, pid: child.pid, socket, data, errorLog, tls, owner: who.name, port: mine.sql };
}

function accounts(socket, passwords) {
  const account = (user, password) =>
    HOSTS.map((host) => `CREATE USER IF NOT EXISTS '${user}'@'${host}' IDENTIFIED BY '${password}';`).join(
      '\n',
    );
  const done = asRoot(
    socket,
    '',
    [
      "DELETE FROM mysql.global_priv WHERE user = '' OR (user = 'root' AND host <> 'localhost');",
      'FLUSH PRIVILEGES;',
      'CREATE DATABASE amber_collar CHARACTER SET utf8mb4 COLLATE utf8mb4_uca1400_as_ci;',
      account('amber_owner', passwords.owner),
      account('amber_app', passwords.app),
      account('amber_check', passwords.check),
      ...HOSTS.map(
        (host) => `GRANT ALL PRIVILEGES ON amber_collar.* TO 'amber_owner'@'${host}' WITH GRANT OPTION;`,
      ),
      `SET PASSWORD FOR 'root'@'localhost' = PASSWORD('${passwords.root}');`,
    ].join('\n'),
  );
  if (!done.good) throw new Error(`accounts: ${done.why}`);
}

/** Makes the account for backups, which may copy a node and say that it did. It can ask for no row of the application. */
export function mayBackUp({ passwords }, { socket }) {
  const done = asRoot(
    socket,
    passwords.root,
    // A cluster of before has no such account: what is granted to one that is not there makes it, without a password.
    HOSTS.flatMap((host) => [
      `CREATE USER IF NOT EXISTS 'amber_backup'@'${host}' IDENTIFIED BY '${passwords.backup}';`,
      `ALTER USER 'amber_backup'@'${host}' IDENTIFIED BY '${passwords.backup}';`,
      `GRANT RELOAD, PROCESS, LOCK TABLES, BINLOG MONITOR ON *.* TO 'amber_backup'@'${host}';`,
      `GRANT INSERT ON amber_collar.backup TO 'amber_backup'@'${host}';`,
    ]).join('\n'),
  );
  if (!done.good) throw new Error(`account for backups: ${done.why}`);
}

/** Stops a node in order, and waits until it is gone. */
export async function stopNode({ passwords }, { pid, socket }) {
  spawnSync(
    'mariadb-admin',
    ['--no-defaults', `--socket=${socket}`, '-uroot', `--password=${passwords.root}`, 'shutdown'],
    {
      stdio: 'ignore',
      timeout: 20_000,
    },
  );
  for (let i = 0; i < 150 && alive(pid); i += 1) await sleep(100);
  if (alive(pid)) process.kill(pid, 'SIGKILL');
}

/** What a node says, as rows of cells; null where it does not answer. */
export function asked({ passwords }, { socket }, text) {
  const done = asRoot(socket, passwords.root, text);
  return done.good
    ? done.said
        .trim()
        .split('\n')
        .slice(1)
        .map((line) => line.split('\t'))
    : null;
}

/** Where and how haproxy asks a node how it is. */
export function checkFiles({ home, passwords }, script) {
  const check = join(home, 'check-node.sh');
  writeFileSync(check, readFileSync(script));
  chmodSync(check, 0o755);
  writeFileSync(join(home, 'check.cnf'), `[client]\nuser=amber_check\npassword=${passwords.check}\n`, {
    mode: 0o600,
  });
  return check;
}
