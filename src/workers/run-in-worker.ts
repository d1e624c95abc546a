import * as Comlink from 'comlink';

export type OnProgress = (stage: string, done: number, of: number) => void;

export interface Running<T> {
  readonly result: Promise<T>;
  /** Ends the worker at once; the promise then never settles, and no progress is told any more. */
  cancel: () => void;
}

/**
 * Runs one piece of work in a worker, which ends with it. Progress travels by a channel of its own and may arrive after the result: what
 * comes late is not told, so that a page never shows work under way that is done.
 */
export function runInWorker<Api, T>(
  worker: Worker,
  onProgress: OnProgress,
  work: (remote: Comlink.Remote<Api>, report: OnProgress & Comlink.ProxyMarked) => Promise<T>,
): Running<T> {
  let over = false;
  const end = () => {
    over = true;
    worker.terminate();
  };
  const failed = new Promise<never>((_, reject) => {
    worker.addEventListener('error', (event) =>
      reject(new Error(event.message || 'the worker could not start')),
    );
  });
  const report = Comlink.proxy<OnProgress>((stage, done, of) => {
    if (!over) onProgress(stage, done, of);
  });
  return {
    result: Promise.race([work(Comlink.wrap<Api>(worker), report), failed]).finally(end),
    cancel: end,
  };
}
