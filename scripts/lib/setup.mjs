// What a fresh machine needs before anything of ours can run: Debian's packages and the locked npm packages. Node built-ins only.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, readdirSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = fileURLToPath(new URL('../..', import.meta.url));
export const LOCAL = join(ROOT, '.local');

export function run(command, args, options = {}) {
  const result = spawnSync(command, args, { cwd: ROOT, stdio: 'inherit', ...options });
  if (result.error) throw result.error;
  if (result.status !== 0)
    throw new Error(`${command} ${args.join(' ')} ended with ${result.status ?? result.signal}`);
}

const DATABASE_PACKAGES = [
  ['/usr/sbin/mariadbd', 'mariadb-server'],
  ['/usr/bin/mariadb-admin', 'mariadb-client'],
];
const TEST_PACKAGES = [
  ['/usr/bin/chromium', 'chromium'],
  ['/usr/bin/chromedriver', 'chromium-driver'],
  ['/usr/bin/pdftotext', 'poppler-utils'],
];

const CLUSTER_PACKAGES = [
  ['/usr/lib/galera/libgalera_smm.so', 'galera-4'],
  ['/usr/bin/rsync', 'rsync'],
  ['/usr/sbin/haproxy', 'haproxy'],
  ['/usr/bin/mariadb-backup', 'mariadb-backup'],
  ['/usr/bin/openssl', 'openssl'],
  ['/usr/bin/stunnel', 'stunnel4'],
];

/** Installs the Debian packages that are missing. Needs root only when something is missing. */
export function ensureDebian({ database, tests, cluster = false }) {
  const wanted = [
    ...(database ? DATABASE_PACKAGES : []),
    ...(tests ? TEST_PACKAGES : []),
    ...(cluster ? CLUSTER_PACKAGES : []),
  ];
  const missing = wanted.filter(([file]) => !existsSync(file)).map(([, name]) => name);
  if (missing.length === 0) return;
  const root = process.getuid?.() === 0;
  const sudo = root ? [] : ['sudo', '-n'];
  if (!root && spawnSync('sudo', ['-n', 'true']).status !== 0) {
    throw new Error(`these Debian packages are missing and only root can install them: ${missing.join(' ')}`);
  }
  console.log(`setup: installing ${missing.join(', ')}`);
  const apt = (args) => {
    // Another installation may hold the lock for a moment: wait for it rather than fail.
    const [command, ...rest] = [...sudo, 'apt-get', '-qq', '-o', 'DPkg::Lock::Timeout=300', ...args];
    run(command, rest, {
      stdio: ['ignore', 'ignore', 'inherit'],
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
    });
  };
  apt(['update']);
  apt(['install', '-y', '--no-install-recommends', ...missing]);
}

const hashFile = (path) => createHash('sha256').update(readFileSync(path)).digest('hex');

/** Installs the npm packages when the lockfile is not the one they were installed from. */
export function ensureNode() {
  const stamp = join(ROOT, 'node_modules', '.amber-collar-lock');
  const lock = hashFile(join(ROOT, 'package-lock.json'));
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) return;
  console.log('setup: installing npm packages');
  run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], {
    env: { ...process.env, NODE_ENV: 'development' },
  });
  writeFileSync(stamp, lock);
}

const SOURCES = ['src', 'package-lock.json', 'next.config.ts', 'tsconfig.json', 'public'];

function* filesBelow(path) {
  if (!existsSync(path)) return;
  if (statSync(path).isFile()) {
    yield path;
    return;
  }
  for (const name of readdirSync(path).sort()) yield* filesBelow(join(path, name));
}

/** Builds the application when a source has changed since the last build. */
export function ensureBuild() {
  const hash = createHash('sha256');
  for (const source of SOURCES) {
    for (const file of filesBelow(join(ROOT, source))) {
      if (file.endsWith('.test.ts')) continue;
      hash.update(file.slice(ROOT.length)).update('\0').update(readFileSync(file));
    }
  }
  const now = hash.digest('hex');
  const stamp = join(LOCAL, 'build.stamp');
  if (existsSync(join(ROOT, '.next', 'BUILD_ID')) && existsSync(stamp) && readFileSync(stamp, 'utf8') === now)
    return;
  console.log('setup: building the application');
  const started = Date.now();
  const built = spawnSync('node', ['node_modules/next/dist/bin/next', 'build'], {
    cwd: ROOT,
    encoding: 'utf8',
    env: { ...process.env, NODE_ENV: 'production', NEXT_TELEMETRY_DISABLED: '1' },
  });
  if (built.status !== 0) throw new Error(`the build failed\n${built.stdout}\n${built.stderr}`);
  mkdirSync(LOCAL, { recursive: true });
  writeFileSync(stamp, now);
  console.log(`setup: built in ${Math.round((Date.now() - started) / 1000)} s`);
}
