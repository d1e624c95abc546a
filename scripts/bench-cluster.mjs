// npm run bench -- cluster: forty benches in front of three nodes and three processes, while a node is killed, a process is killed, a node hangs, and
// all nodes are restarted one after another; then two of three are lost. What was confirmed is there, once, on every node.
import { spawn } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { ensureBuild, ensureDebian, ensureNode, LOCAL, ROOT } from './lib/setup.mjs';

const sleep = (ms) => new Promise((resolve) => setTimeout(resolve, ms));
const short = process.argv.includes('--short');
const EVENTS = short ? 20 : 45;
/** So long a fault may be felt. */
const FELT_MS = 5000;
const BAR_MS = 250;

mkdirSync(LOCAL, { recursive: true });
ensureDebian({ database: true, tests: false, cluster: true });
ensureNode();
ensureBuild();
const { startCluster } = await import('./lib/cluster.mjs');
const { asked } = await import('./lib/galera.mjs');
rmSync(join(LOCAL, 'bench-cluster'), { recursive: true, force: true });
const running = await startCluster({ name: 'bench-cluster', port: 0 });
const faults = [];
const fault = async (what, work) => {
  faults.push({ at: Date.now(), what });
  console.log(`fault: ${what}`);
  await work();
  console.log(`  over after ${((Date.now() - faults.at(-1).at) / 1000).toFixed(1)} s`);
  faults.push({ at: Date.now(), what: `${what}, over` });
};
const kill = (pid, signal) => process.kill(pid, signal);
let failed = 0;
const must = (good, words) => {
  console.log(`${good ? 'ok  ' : 'FAIL'} ${words}`);
  if (!good) failed += 1;
};

try {
  const report = join(LOCAL, 'bench-cluster.json');
  rmSync(report, { force: true });
  const load = spawn(
    process.execPath,
    ['node_modules/tsx/dist/cli.mjs', '--conditions=react-server', 'bench/cluster-load.ts'],
    {
      cwd: ROOT,
      stdio: ['ignore', 'pipe', 'inherit'],
      env: {
        ...process.env,
        BENCH_ADDRESS: running.address,
        BENCH_EVENTS: String(EVENTS),
        BENCH_REPORT: report,
      },
    },
  );
  const ended = new Promise((resolve) => load.once('exit', resolve));
  await Promise.race([new Promise((begun) => load.stdout.once('data', begun)), ended]);
  await sleep(6000);
  await fault('a node is killed', async () => {
    kill(running.nodes.get(1).pid, 'SIGKILL');
    await sleep(4000);
    await running.startNode(1);
  });
  await sleep(FELT_MS + 2000);
  await fault('a process is killed', async () => {
    kill(running.processes.get(1).pid, 'SIGKILL');
    await sleep(500);
    await running.startProcess(1);
  });
  if (!short) {
    await sleep(FELT_MS + 2000);
    await fault('a node hangs for 15 s', async () => {
      const { pid } = running.nodes.get(1);
      kill(pid, 'SIGSTOP');
      await sleep(15_000);
      kill(pid, 'SIGCONT');
    });
    await sleep(FELT_MS + 2000);
    await fault('all nodes are restarted one after another', async () => {
      for (const n of [3, 2, 1]) {
        await running.stopNode(n);
        await running.startNode(n);
      }
    });
  }
  const code = await ended;
  must(code === 0, 'the benches came to their end');
  if (code === 0) {
    const { waited, wrong, asked: count } = JSON.parse(readFileSync(report, 'utf8'));
    must(waited.length === count, `${waited.length} of ${count} commands confirmed`);
    must(
      wrong.length === 0,
      `no confirmed event lost or doubled, chains whole${wrong.length > 0 ? `: ${wrong.slice(0, 3).join('; ')}` : ''}`,
    );
    const calm = waited
      .filter((w) => !faults.some((f) => w.at + w.ms >= f.at && w.at <= f.at + FELT_MS))
      .map((w) => w.ms)
      .sort((a, b) => a - b);
    const p95 = calm[Math.floor(calm.length * 0.95)] ?? Infinity;
    must(
      p95 <= BAR_MS,
      `outside the ${FELT_MS / 1000} s after a fault: 95 of 100 of ${calm.length} within ${p95} ms (bar ${BAR_MS})`,
    );
    const longest = waited.reduce((a, b) => (b.ms > a.ms ? b : a));
    console.log(
      `     longest wait ${longest.ms} ms in ${longest.tries} tries; ${waited.filter((w) => w.tries > 1).length} were sent again`,
    );
  }
  await sleep(3000);
  const states = [...running.nodes.values()].map((node) =>
    JSON.stringify(
      asked(
        running.cluster,
        node,
        'SELECT COUNT(*), COUNT(DISTINCT id), MD5(GROUP_CONCAT(hash ORDER BY hash)) FROM amber_collar.record_event; ',
      ),
    ),
  );
  must(
    new Set(states).size === 1 && !states[0].includes('null'),
    `every node has the same events: ${states[0]}`,
  );
  // Two of three are lost: the one that is left has not most of them, and writes nothing.
  for (const n of [2, 3]) kill(running.nodes.get(n).pid, 'SIGKILL');
  await sleep(8000);
  const alone = await fetch(`${running.address}/job/quillmere/board`, {
    signal: AbortSignal.timeout(10_000),
  });
  const words = await alone.text();
  must(
    alone.status === 503 && words.includes('nothing is written'),
    `the one that is left refuses in words (${alone.status})`,
  );
  // Each waits for the other: only together are they most.
  await Promise.all([2, 3].map((n) => running.startNode(n)));
  let back = false;
  for (let i = 0; i < 60 && !back; i += 1) {
    await sleep(500);
    back = (await fetch(`${running.address}/api/health`).catch(() => null))?.ok === true;
  }
  must(back, 'all of it is back by itself when the others are');
} finally {
  await running.stop();
}
process.exitCode = failed === 0 ? 0 : 1;
