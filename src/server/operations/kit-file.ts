import { ok, refuse, validate, type Result } from '@/core/kernel';
import { kitTable, readStock, spareRuleSchema } from '@/core/kit';
import { readCsv } from '@/formats/csv/read';
import { viewKit, type KitAnswer } from './kit';
import { isTableFormat, tableFile, type TableFile } from './table-file';

/** The kit against a stock file as text; an empty text is no stock file. */
export async function kitAgainst(slug: string, rule: unknown, stockText: string): Promise<Result<KitAnswer>> {
  const spares = validate(spareRuleSchema, rule);
  if (!spares.ok) return spares;
  if (stockText.trim() === '') return viewKit(slug, spares.value, null);
  const table = readCsv(new TextEncoder().encode(stockText));
  if (!table.ok) return table;
  const stock = readStock(table.value.columns, table.value.rows);
  return stock.ok ? viewKit(slug, spares.value, stock.value) : stock;
}

/** The kit as a file of one of the formats that a store takes. */
export async function kitFile(
  slug: string,
  format: string,
  rule: unknown,
  stockText: string,
): Promise<Result<TableFile>> {
  if (!isTableFormat(format)) return refuse('format', 'is neither csv nor xlsx', format);
  const answer = await kitAgainst(slug, rule, stockText);
  if (!answer.ok) return answer;
  return ok(await tableFile(kitTable(answer.value.kit), { format, sheet: 'Kit', name: `${slug}-kit` }));
}
