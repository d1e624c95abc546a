// The headless front door: a JSON request in, a JSON plan out.
import { readFileSync, writeSync } from 'node:fs';
import { problemLine, type Problem, type Result } from '@/core/kernel';
import { firstLine, parseJson } from './json-text';
import { KIND_NAMES, planFor } from './plan-kinds';
import { verifyRecord, verifyZip } from './verify';

const USAGE = `usage: npm run --silent plan -- KIND [FILE]
  KIND  ${KIND_NAMES.join(', ')}; verify
  FILE  a JSON request, for verify a record as JSON or zip; standard input when it is not given`;

function end(problems: readonly Problem[]): never {
  // What does not fit into a line is no line: a value may hold any text.
  for (const problem of problems) say(problemLine(problem).replace(/\s+/g, ' '));
  process.exit(2);
}

/** To standard error; when nobody reads that either, there is nothing left to say. */
function say(line: string): void {
  try {
    writeSync(2, `${line}\n`);
  } catch {
    process.exit(2);
  }
}

/** The whole text, however slowly the other end takes it. A pipe that was closed ends with one line. */
function print(text: string): void {
  const bytes = Buffer.from(text);
  for (let at = 0; at < bytes.length;) {
    try {
      at += writeSync(1, bytes, at);
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code === 'EAGAIN') continue;
      end([{ path: 'output', message: `cannot be written: ${firstLine(error)}` }]);
    }
  }
}

/** A zip begins with its own name. */
const isZip = (bytes: Buffer): boolean =>
  bytes.subarray(0, 4).equals(Buffer.from('PK\u0003\u0004', 'latin1'));

async function answerTo(kind: string, text: string): Promise<Result<unknown>> {
  const request = parseJson(text);
  if (!request.ok) return request;
  return kind === 'verify' ? verifyRecord(request.value) : planFor(kind, request.value);
}

async function main(): Promise<void> {
  const [kind, file] = process.argv.slice(2);
  if (kind === undefined || kind === '--help') {
    say(USAGE);
    process.exit(2);
  }
  let bytes: Buffer;
  try {
    bytes = readFileSync(file ?? 0);
  } catch (error) {
    return end([{ path: 'file', message: `cannot be read: ${firstLine(error)}` }]);
  }
  const plan =
    kind === 'verify' && isZip(bytes) ? verifyZip(bytes) : await answerTo(kind, bytes.toString('utf8'));
  if (!plan.ok) end(plan.problems);
  print(`${JSON.stringify(plan.value, null, 1)}\n`);
}

main().catch((error: unknown) => {
  // A fault of ours, not of the request; still one line and no trace.
  end([{ path: '', message: `could not be planned, which is a fault of this program: ${firstLine(error)}` }]);
});
