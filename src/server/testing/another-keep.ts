import { mkdirSync, mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** What is kept outside the database is for once another folder, with nothing in it. */
export async function withAnotherKeep(does: (folder: string) => Promise<void>): Promise<void> {
  const was = process.env.AMBER_COLLAR_KEEP;
  const other = join(mkdtempSync(join(tmpdir(), 'keep-')), 'keep');
  mkdirSync(other);
  process.env.AMBER_COLLAR_KEEP = other;
  try {
    await does(other);
  } finally {
    process.env.AMBER_COLLAR_KEEP = was;
  }
}
