// Addresses of the servers that scripts/test.mjs has started for this run.
const { existsSync, readFileSync } = require('node:fs');
const { join } = require('node:path');
const { parseEnv } = require('node:util');

const file = join(__dirname, '..', '.local', 'test.env');
if (existsSync(file)) {
  process.env.LOG_LEVEL ??= 'warn';
  for (const [key, value] of Object.entries(parseEnv(readFileSync(file, 'utf8')))) process.env[key] ??= value;
}
