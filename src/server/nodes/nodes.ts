import { spawn, type ChildProcess } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { createServer, type AddressInfo } from 'node:net';
import { createInterface } from 'node:readline';
import { setTimeout as after } from 'node:timers/promises';
import type { Asked } from './node-process';

/** What `startNodes` of scripts/lib/cluster.mjs has started and written down. */
export interface Cluster {
  readonly nodes: readonly {
    readonly n: number;
    readonly url: string;
    readonly socket: string;
    readonly data: string;
    readonly errorLog: string;
  }[];
  /** The authority whose certificates the nodes show; one of them and its key. */
  readonly ca: string;
  readonly cert: string;
  readonly key: string;
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

/** A port of this machine that nobody listens at. */
export const freePort = () =>
  new Promise<number>((resolve) => {
    const server = createServer();
    server.listen(0, '127.0.0.1', () => {
      const { port } = server.address() as AddressInfo;
      server.close(() => resolve(port));
    });
  });

/** A process of the application in front of a node. */
export interface NodeProcess {
  readonly ask: (asked: Asked) => Promise<unknown>;
  /** The same, asked again as a page or a device does for as long as nobody can answer: nodes on a busy machine may lose one another for a moment. */
  readonly sure: (asked: Asked) => Promise<unknown>;
  readonly end: () => Promise<void>;
}

/** Nobody could answer. */
class Away extends Error {}
const [TRIES, AGAIN_MS] = [120, 500];

/** Is this an answer of which it is said that nobody can give one just now? */
const isAway = (told: unknown): boolean =>
  typeof told === 'object' &&
  told !== null &&
  'problems' in told &&
  (told.problems as readonly { readonly path: string }[]).some((p) => p.path === '');

async function sure(ask: NodeProcess['ask'], asked: Asked): Promise<unknown> {
  for (let tries = 1; ; tries += 1) {
    const told = await ask(asked).catch((error: unknown) => {
      if (!(error instanceof Away) || tries === TRIES) throw error;
      return error;
    });
    if (!(told instanceof Away) && (!isAway(told) || tries === TRIES)) return told;
    await after(AGAIN_MS);
  }
}

export function processBefore(url: string, keep: string): NodeProcess {
  const child: ChildProcess = spawn(
    process.execPath,
    ['node_modules/tsx/dist/cli.mjs', '--conditions=react-server', 'src/server/nodes/node-process.ts'],
    {
      stdio: ['pipe', 'pipe', 'inherit'],
      env: {
        ...process.env,
        DATABASE_URL: url,
        AMBER_COLLAR_KEEP: keep,
        LOG_LEVEL: 'error',
      },
    },
  );
  const waiting = new Map<number, { done: (value: unknown) => void; failed: (error: Error) => void }>();
  let count = 0;
  const { stdin, stdout } = child;
  if (!stdin || !stdout) throw new Error('a process without pipes');
  createInterface({ input: stdout }).on('line', (line) => {
    const { n, value, error, away } = JSON.parse(line) as {
      n: number;
      value?: unknown;
      error?: string;
      away?: boolean;
    };
    const one = waiting.get(n);
    waiting.delete(n);
    if (error === undefined) one?.done(value);
    else one?.failed(away === true ? new Away(error) : new Error(error));
  });
  const gone = new Promise<void>((resolve) => child.once('exit', () => resolve()));
  void gone.then(() => waiting.forEach(({ failed }) => failed(new Error('the process ended'))));
  const ask: NodeProcess['ask'] = (asked) =>
    new Promise((done, failed) => {
      count += 1;
      waiting.set(count, { done, failed });
      stdin.write(`${JSON.stringify({ n: count, asked })}\n`);
    });
  return {
    ask,
    sure: (asked) => sure(ask, asked),
    end: async () => {
      stdin.end();
      await gone;
    },
  };
}
