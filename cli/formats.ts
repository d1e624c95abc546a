// Writes the published formats: JSON Schemas and one example request for each kind.
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { format, resolveConfig } from 'prettier';
import { publishedFiles } from './published-files';

async function main(): Promise<void> {
  mkdirSync('docs/formats', { recursive: true });
  mkdirSync('examples/plan', { recursive: true });
  mkdirSync('examples/profile', { recursive: true });
  const options = await resolveConfig('package.json');
  const catalogue: unknown = JSON.parse(readFileSync('examples/catalogue/demo.json', 'utf8'));
  for (const [path, content] of Object.entries(await publishedFiles(catalogue))) {
    writeFileSync(path, await format(JSON.stringify(content), { ...options, parser: 'json' }));
  }
}

void main();
