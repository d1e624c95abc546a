import { connect, createServer, type Socket } from 'node:net';

/** A line to a server that can be cut and joined again: what a plant room without a signal is to a tablet. */
export interface CutLine {
  readonly address: string;
  readonly cut: () => Promise<void>;
  readonly join: () => Promise<void>;
  readonly end: () => Promise<void>;
}

/** Passes everything on to `to`, on a port of its own that stays the same. */
export async function cutLine(to: string): Promise<CutLine> {
  const { hostname, port } = new URL(to);
  const open = new Set<Socket>();
  const server = createServer((near) => {
    const far = connect(Number(port), hostname);
    for (const end of [near, far]) {
      open.add(end);
      end.on('close', () => {
        open.delete(end);
        near.destroy();
        far.destroy();
      });
      // Whoever is cut off says so by closing.
      end.on('error', () => end.destroy());
    }
    near.pipe(far);
    far.pipe(near);
  });
  const listen = (at: number) =>
    new Promise<void>((done, fail) => {
      server.once('error', fail);
      server.listen(at, '127.0.0.1', () => {
        server.off('error', fail);
        done();
      });
    });
  const cut = () =>
    new Promise<void>((done) => {
      server.close(() => done());
      for (const socket of [...open]) socket.destroy();
    });
  await listen(0);
  const own = server.address();
  if (own === null || typeof own === 'string') throw new Error('the line has no port');
  return {
    address: `http://127.0.0.1:${String(own.port)}`,
    cut,
    join: () => listen(own.port),
    end: () => (server.listening ? cut() : Promise.resolve()),
  };
}
