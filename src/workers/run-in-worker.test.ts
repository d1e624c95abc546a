import * as Comlink from 'comlink';
import { runInWorker, type OnProgress } from './run-in-worker';

// An open channel would keep the process of the tests alive.
const ports: MessagePort[] = [];
const Real = MessageChannel;
beforeAll(() => {
  globalThis.MessageChannel = class extends Real {
    constructor() {
      super();
      ports.push(this.port1, this.port2);
    }
  };
});
afterEach(() => ports.splice(0).forEach((port) => port.close()));
afterAll(() => {
  globalThis.MessageChannel = Real;
});

const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

interface Api {
  work: (report: OnProgress) => Promise<number>;
}

/** What stands for a worker here: the other end of a channel on which `api` is offered. */
function workerWith(api: Api) {
  const { port1, port2 } = new MessageChannel();
  Comlink.expose(api, port2);
  port1.start();
  const terminate = jest.fn(() => {
    port1.close();
    port2.close();
  });
  return Object.assign(port1, { terminate }) as unknown as Worker & { terminate: jest.Mock };
}

it('tells progress until the result is there, and none that comes after it', async () => {
  let last: Promise<unknown> = Promise.resolve();
  const worker = workerWith({
    work: async (report) => {
      report('begun', 0, 2);
      await pause(0);
      last = pause(30).then(() => report('late', 1, 2));
      return 42;
    },
  });
  const told: string[] = [];
  const { result } = runInWorker<Api, number>(
    worker,
    (stage) => told.push(stage),
    (remote, report) => remote.work(report),
  );
  expect(await result).toBe(42);
  await last;
  await pause(50);
  expect(told).toEqual(['begun']);
  expect(worker.terminate).toHaveBeenCalledTimes(1);
});

it('ends the worker when it is cancelled, and tells nothing more', async () => {
  const worker = workerWith({
    work: async (report) => {
      for (let i = 0; i < 20; i += 1) {
        report(String(i), i, 20);
        await pause(10);
      }
      return 1;
    },
  });
  const told: string[] = [];
  const settled = jest.fn();
  const running = runInWorker<Api, number>(
    worker,
    (stage) => told.push(stage),
    (remote, report) => remote.work(report),
  );
  void running.result.then(settled, settled);
  await pause(60);
  running.cancel();
  const before = told.length;
  await pause(250);
  expect(before).toBeGreaterThan(0);
  expect(told.length).toBe(before);
  expect(settled).not.toHaveBeenCalled();
  expect(worker.terminate).toHaveBeenCalled();
});

it('fails with what the worker throws, and with what keeps it from starting', async () => {
  const throwing = workerWith({ work: () => Promise.reject(new Error('the rules say no')) });
  const nothing = () => undefined;
  const first = runInWorker<Api, number>(throwing, nothing, (remote, report) => remote.work(report));
  await expect(first.result).rejects.toThrow('the rules say no');
  const silent = workerWith({ work: () => new Promise<never>(() => undefined) });
  const second = runInWorker<Api, number>(silent, nothing, (remote, report) => remote.work(report));
  silent.dispatchEvent(Object.assign(new Event('error'), { message: 'no such script' }));
  await expect(second.result).rejects.toThrow('no such script');
  expect(silent.terminate).toHaveBeenCalledTimes(1);
});
