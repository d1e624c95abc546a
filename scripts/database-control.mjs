// node scripts/database-control.mjs stop|start NAME PORT: takes a private database away and brings it back, for the test of just that.
import { startMariadb, stopMariadb } from './lib/mariadb.mjs';

const [what, name, port] = process.argv.slice(2);
if (what === 'stop' && name) await stopMariadb(name);
else if (what === 'start' && name && port) {
  const db = await startMariadb(name, Number(port));
  if (db.port !== Number(port)) throw new Error(`port ${port} was taken meanwhile`);
} else throw new Error('usage: database-control.mjs stop|start NAME PORT');
process.exit(0);
