import demo from '../../../examples/catalogue/demo.json';
import { inForce, readCatalogue, type CatalogueFile, type Family, type Size } from '@/core/catalogue';

const read = readCatalogue(demo);
if (!read.ok) throw new Error(JSON.stringify(read.problems));

/** The shipped catalogue as tests judge by it: the revisions in force. */
export const DEMO: CatalogueFile = { ...read.value, families: inForce(read.value.families) };

/** The shipped file as it is, with the older revision of one family. */
export const DEMO_FILE: CatalogueFile = read.value;

/** A size of the demo catalogue with its family. */
export function demoSize(code: string): [Family, Size] {
  const family = DEMO.families.find((f) => f.code === code.slice(0, 3));
  const size = family?.sizes.find((s) => s.code === code);
  if (!family || !size) throw new Error(`the demo catalogue has no ${code}`);
  return [family, size];
}
