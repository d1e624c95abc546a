import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ok, refuse, type Result } from '@/core/kernel';
import { CODE_PROFILES } from '@/core/schedule';
import { firstLine, parseJson } from './json-text';

/** A catalogue by name is one of the files here. */
const CATALOGUES = 'examples/catalogue';
export const CATALOGUE_NAME = /^[a-z0-9-]{1,40}$/;

/**
 * A request with what it names put in its place: `"catalogue": "demo"`, `"catalogue": {"file": …}`, `"profile": "division"`,
 * `"profile": {"file": …}`. Files are read from the folder the program runs in. Errors name the field.
 */
export function withReferences(request: unknown): Result<unknown> {
  if (typeof request !== 'object' || request === null || Array.isArray(request)) return ok(request);
  const found = { ...(request as Record<string, unknown>) };
  for (const [field, byName] of FIELDS) {
    const given: unknown = Object.hasOwn(found, field) ? found[field] : undefined;
    const file = fileOf(given);
    if (file === null && typeof given !== 'string') continue;
    const read = file === null ? byName(String(given)) : readJson(file, `${field}.file`);
    if (!read.ok) return read;
    found[field] = read.value;
  }
  return ok(found);
}

const FIELDS: readonly (readonly [string, (name: string) => Result<unknown>])[] = [
  ['catalogue', catalogueNamed],
  ['profile', profileNamed],
];

/** The path of `{"file": …}` and nothing else; null for anything else. */
function fileOf(value: unknown): string | null {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return null;
  const [key, ...more] = Object.keys(value);
  const path = (value as { file?: unknown }).file;
  return key === 'file' && more.length === 0 && typeof path === 'string' ? path : null;
}

function catalogueNamed(name: string): Result<unknown> {
  if (!CATALOGUE_NAME.test(name))
    return refuse('catalogue', 'is not the name of a catalogue such as demo', name);
  return readJson(join(CATALOGUES, `${name}.json`), 'catalogue');
}

function profileNamed(name: string): Result<unknown> {
  const found = CODE_PROFILES.find((p) => p.key === name);
  return found
    ? ok(found)
    : refuse('profile', `is no profile of ours; use ${CODE_PROFILES.map((p) => p.key).join(', ')}`, name);
}

function readJson(path: string, field: string): Result<unknown> {
  try {
    const parsed = parseJson(readFileSync(path, 'utf8'));
    if (parsed.ok) return parsed;
    const [first] = parsed.problems;
    return refuse(field, `${path}: ${first?.path ? `${first.path} ` : ''}${first?.message ?? 'is not JSON'}`);
  } catch (error) {
    return refuse(field, `cannot be read: ${firstLine(error)}`, path);
  }
}
