/** The plain page while the database is away: nothing in it needs anything but itself. It looks again by itself. */
export const awayPage = (nonce: string): string => `<!doctype html>
<html lang="en">
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta http-equiv="refresh" content="3">
<title>The database does not answer · Amber Collar</title>
<style nonce="${nonce}">
body { margin: 12vh auto; max-width: 34rem; padding: 0 1.5rem; font: 1.125rem/1.5 system-ui, sans-serif; color: #22262b; background: #f7f5f0; }
a { color: #7a4a00; }
h1 { font-size: 1.75rem; border-bottom: 2px solid #22262b; padding-bottom: 0.5rem; }
@media (prefers-color-scheme: dark) { body { color: #e9e6df; background: #1b1e22; } h1 { border-color: #e9e6df; } a { color: #ffc65c; } }
</style>
<main role="alert">
<h1>The database does not answer.</h1>
<p>What was saved is safe, and nothing has been lost here. This page looks again every three seconds and comes back by itself.</p>
<p>Nothing is shown here that may be old. What this device took along says when it was last seen: <a href="/on-this-device">on this device</a>.</p>
<p>If it lasts: is the database server running, and does DATABASE_URL point to it?</p>
</main>
</html>
`;
