import { and, eq } from 'drizzle-orm';
import { sheetMappingSchema, type SheetMapping } from '@/core/spreadsheet';
import type { Tx } from '../connection';
import { sheetMapping } from '../schema';
import { bySchema, storedJson } from '../stored';

const MAPPING = storedJson('mapping of sheet', bySchema(sheetMappingSchema), 50);

export async function findMapping(tx: Tx, jobId: number, headings: string): Promise<SheetMapping | null> {
  const [row] = await tx
    .select()
    .from(sheetMapping)
    .where(and(eq(sheetMapping.jobId, jobId), eq(sheetMapping.headings, headings)));
  return row ? MAPPING.parse(row.mapping, row.headings) : null;
}

export async function keepMapping(
  tx: Tx,
  jobId: number,
  headings: string,
  mapping: SheetMapping,
): Promise<void> {
  const text = JSON.stringify(mapping);
  await tx
    .insert(sheetMapping)
    .values({ jobId, headings, mapping: text })
    .onDuplicateKeyUpdate({ set: { mapping: text } });
}
