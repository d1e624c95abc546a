// npm run cluster: three nodes, three processes and a proxy before both, with the demo. Ends clean with Ctrl-C.
import { mkdirSync } from 'node:fs';
import { ensureBuild, ensureDebian, ensureNode, LOCAL } from './lib/setup.mjs';

mkdirSync(LOCAL, { recursive: true });
ensureDebian({ database: true, tests: false, cluster: true });
ensureNode();
ensureBuild();
const { startCluster } = await import('./lib/cluster.mjs');
const running = await startCluster({ name: 'cluster', port: Number(process.env.PORT ?? 3000) });
console.log(`\nAmber Collar with the demo: ${running.address}`);
for (const [n, process_] of running.processes) console.log(`process ${n}: ${process_.address}`);
for (const node of running.nodes.values()) console.log(`node ${node.n}: 127.0.0.1:${node.port}`);
console.log('Ctrl-C ends all of it.');
let stopping = false;
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'])
  process.on(signal, () => {
    if (stopping) return;
    stopping = true;
    void running.stop().then(() => process.exit(0));
  });
