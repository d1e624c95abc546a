// The headless front door: a JSON request in, a JSON plan out.
import { readFileSync } from 'node:fs';
import { problemLine, type Problem } from '@/core/kernel';
import { KINDS, planFor } from './plan-kinds';

const USAGE = `usage: npm run --silent plan -- KIND [FILE]
  KIND  ${Object.keys(KINDS).join(', ')}
  FILE  a JSON request; standard input when it is not given`;

function end(problems: readonly Problem[]): never {
  for (const problem of problems) process.stderr.write(`${problemLine(problem)}\n`);
  process.exit(2);
}

async function main(): Promise<void> {
  const [kind, file] = process.argv.slice(2);
  if (kind === undefined || kind === '--help') {
    process.stderr.write(`${USAGE}\n`);
    process.exit(2);
  }
  let text = '';
  try {
    text = readFileSync(file ?? 0, 'utf8');
  } catch (error) {
    end([{ path: 'file', message: (error as Error).message }]);
  }
  let request: unknown;
  try {
    request = JSON.parse(text);
  } catch (error) {
    end([{ path: '', message: `is not JSON: ${(error as Error).message}` }]);
  }
  const plan = await planFor(kind, request);
  if (!plan.ok) end(plan.problems);
  process.stdout.write(`${JSON.stringify(plan.value, null, 2)}\n`);
}

void main();
