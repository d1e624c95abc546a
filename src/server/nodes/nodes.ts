import { spawn, type ChildProcess } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { createInterface } from 'node:readline';
import type { Asked } from './node-process';

/** What `startNodes` of scripts/lib/cluster.mjs has started and written down. */
export interface Cluster {
  readonly nodes: readonly {
    readonly n: number;
    readonly url: string;
    readonly socket: string;
    readonly data: string;
  }[];
  /** Who may read the data of the nodes. */
  readonly owner: string;
  readonly backupPassword: string;
  readonly keep: string;
}

export function startedCluster(): Cluster {
  const file = process.env.CLUSTER_FILE;
  if (file === undefined) throw new Error('no nodes were started: `npm test` does');
  return JSON.parse(readFileSync(file, 'utf8')) as Cluster;
}

/** A process of the application in front of a node. */
export interface NodeProcess {
  readonly ask: (asked: Asked) => Promise<unknown>;
  readonly end: () => Promise<void>;
}

export function processBefore(url: string, keep: string): NodeProcess {
  const child: ChildProcess = spawn(
    process.execPath,
    ['node_modules/tsx/dist/cli.mjs', '--conditions=react-server', 'src/server/nodes/node-process.ts'],
    {
      stdio: ['pipe', 'pipe', 'inherit'],
      env: { ...process.env, DATABASE_URL: url, AMBER_COLLAR_KEEP: keep, LOG_LEVEL: 'error' },
    },
  );
  const waiting = new Map<number, { done: (value: unknown) => void; failed: (error: Error) => void }>();
  let count = 0;
  const { stdin, stdout } = child;
  if (!stdin || !stdout) throw new Error('a process without pipes');
  createInterface({ input: stdout }).on('line', (line) => {
    const { n, value, error } = JSON.parse(line) as { n: number; value?: unknown; error?: string };
    const one = waiting.get(n);
    waiting.delete(n);
    if (error === undefined) one?.done(value);
    else one?.failed(new Error(error));
  });
  const gone = new Promise<void>((resolve) => child.once('exit', () => resolve()));
  void gone.then(() => waiting.forEach(({ failed }) => failed(new Error('the process ended'))));
  return {
    ask: (asked) =>
      new Promise((done, failed) => {
        count += 1;
        waiting.set(count, { done, failed });
        stdin.write(`${JSON.stringify({ n: count, asked })}\n`);
      }),
    end: async () => {
      stdin.end();
      await gone;
    },
  };
}
