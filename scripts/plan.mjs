// npm run plan: runs the headless front door from a bundle that is built when a source it was made of has changed, not at every call.
import { createHash } from 'node:crypto';
import {
  existsSync,
  mkdirSync,
  readFileSync,
  readdirSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';

const ROOT = fileURLToPath(new URL('..', import.meta.url));
const HOME = join(ROOT, '.local', 'plan');
const INPUTS = join(HOME, 'inputs.json');

/** Name of the bundle of these sources as they are now; null when one of them is gone. */
function keyOf(inputs) {
  const hash = createHash('sha256').update(process.version);
  for (const file of inputs) {
    const path = join(ROOT, file);
    if (!existsSync(path)) return null;
    const { mtimeMs, size } = statSync(path);
    hash.update(`${file} ${mtimeMs} ${size}\n`);
  }
  return hash.digest('hex').slice(0, 16);
}

function known() {
  try {
    const key = keyOf(JSON.parse(readFileSync(INPUTS, 'utf8')));
    return key !== null && existsSync(join(HOME, key, 'plan.mjs')) ? key : null;
  } catch {
    // No list yet, or half of one: the bundle is built again.
    return null;
  }
}

async function build() {
  const { build: bundle } = await import('esbuild');
  const made = join(HOME, `new-${process.pid}`);
  mkdirSync(made, { recursive: true });
  const { metafile } = await bundle({
    absWorkingDir: ROOT,
    entryPoints: { plan: 'cli/plan.ts' },
    outdir: made,
    outExtension: { '.js': '.mjs' },
    bundle: true,
    splitting: true,
    format: 'esm',
    platform: 'node',
    target: 'node20',
    mainFields: ['module', 'main'],
    // Its program is a file of its own beside it.
    external: ['highs'],
    tsconfig: join(ROOT, 'tsconfig.json'),
    metafile: true,
    logLevel: 'error',
  });
  const inputs = [...Object.keys(metafile.inputs), 'scripts/plan.mjs', 'package-lock.json'].sort();
  const key = keyOf(inputs);
  const place = join(HOME, key);
  // Two calls at once build the same: the second finds the place taken and throws its own away.
  if (existsSync(place)) rmSync(made, { recursive: true, force: true });
  else
    try {
      renameSync(made, place);
    } catch (error) {
      if (!existsSync(place)) throw error;
      rmSync(made, { recursive: true, force: true });
    }
  writeFileSync(`${INPUTS}.${process.pid}`, JSON.stringify(inputs));
  renameSync(`${INPUTS}.${process.pid}`, INPUTS);
  const day = Date.now() - 86_400_000;
  for (const name of readdirSync(HOME)) {
    const path = join(HOME, name);
    if (name !== key && name !== 'inputs.json' && statSync(path).mtimeMs < day)
      rmSync(path, { recursive: true, force: true });
  }
  return key;
}

const key = known() ?? (await build());
await import(pathToFileURL(join(HOME, key, 'plan.mjs')).href);
