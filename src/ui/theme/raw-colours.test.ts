import { readdirSync, readFileSync } from 'node:fs';
import { join, relative } from 'node:path';

const UI = join(process.cwd(), 'src/ui');
const RAW = /#[0-9a-f]{3,8}\b|\b(rgb|rgba|hsl|hsla|oklch)\(/gi;
/** Links to places on a page and ids are no colours. */
const NOT_COLOURS = /href="#[^"]*"|'#[a-z][a-z-]*'/g;

function filesBelow(folder: string): string[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((e) =>
    e.isDirectory() ? filesBelow(join(folder, e.name)) : [join(folder, e.name)],
  );
}

it('takes every colour of the interface from the theme: nothing else names one', () => {
  const found = filesBelow(UI)
    .filter((f) => /\.(css|tsx?)$/.test(f) && !f.includes('.test.') && !f.startsWith(join(UI, 'theme')))
    .flatMap((f) =>
      [...readFileSync(f, 'utf8').replace(NOT_COLOURS, '').matchAll(RAW)].map(
        (m) => `${relative(UI, f)}: ${m[0]}`,
      ),
    );
  expect(found).toEqual([]);
});
