/** Whether pages open on this device without a server. */
export type Pages = 'kept' | 'cannot';

let keeping: Promise<Pages> | null = null;

async function register(): Promise<Pages> {
  // Left out where a page does not come by a secure way, whatever its type says.
  const workers = (navigator as { readonly serviceWorker?: ServiceWorkerContainer }).serviceWorker;
  if (workers === undefined || process.env.NODE_ENV !== 'production') return 'cannot';
  try {
    await workers.register('/serwist/sw.js', { scope: '/' });
    await workers.ready;
    return 'kept';
  } catch {
    return 'cannot';
  }
}

/** Has the browser keep the code of the pages, so that a bench opens again without a server. Asked for once it is needed: it takes some room. */
export const keepPages = (): Promise<Pages> => (keeping ??= register());
