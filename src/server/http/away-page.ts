import type { DatabaseState } from '../health';

/** Of which job a page is, as it stands in its address: letters, digits and hyphens only. */
const jobOf = (path: string): string | null => /^\/job\/([\w-]+)/.exec(path)?.[1] ?? null;

const DEVICE =
  'What this device took along says when it was last seen: <a href="/on-this-device">on this device</a>.';

const WORDS = {
  away: {
    title: 'The database does not answer.',
    body: () => `<p>Nothing is shown here that may be old. ${DEVICE}</p>
<p>If it lasts: is the database server running, and does DATABASE_URL point to it?</p>`,
  },
  alone: {
    title: 'The database has lost most of itself.',
    body: (
      path: string,
    ) => `<p>The node that answers has lost the others, so nothing is written: what is done meanwhile stays with the devices that do it.</p>
<p>What it last knew can be read, with its age, and is nothing to work by: <a href="/as-it-was/${jobOf(path) ?? ''}">as it was</a>. ${DEVICE}</p>
<p>If it lasts: are the other nodes running, and do they reach each other?</p>`,
  },
} as const;

/** The plain page while the database is away, or only a node answers that writes nothing: nothing in it needs anything but itself. It looks again by itself. */
export const awayPage = (
  nonce: string,
  state: Exclude<DatabaseState, 'writes'>,
  path: string,
): string => `<!doctype html>
<html lang="en">
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta http-equiv="refresh" content="3">
<title>${WORDS[state].title.slice(0, -1)} · Amber Collar</title>
<style nonce="${nonce}">
body { margin: 12vh auto; max-width: 34rem; padding: 0 1.5rem; font: 1.125rem/1.5 system-ui, sans-serif; color: #22262b; background: #f7f5f0; }
a { color: #7a4a00; }
h1 { font-size: 1.75rem; border-bottom: 2px solid #22262b; padding-bottom: 0.5rem; }
@media (prefers-color-scheme: dark) { body { color: #e9e6df; background: #1b1e22; } h1 { border-color: #e9e6df; } a { color: #ffc65c; } }
</style>
<main role="alert">
<h1>${WORDS[state].title}</h1>
<p>What was saved is safe, and nothing has been lost here. This page looks again every three seconds and comes back by itself.</p>
${WORDS[state].body(path)}
</main>
</html>
`;
