import { ok, refuse, validate, type Result } from '@/core/kernel';
import { kitTable, readStock, spareRuleSchema } from '@/core/kit';
import { readCsv } from '@/formats/csv/read';
import { writeCsv } from '@/formats/csv/write';
import { writeXlsx } from '@/formats/xlsx/write';
import { viewKit, type KitAnswer } from './kit';

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

const TYPES = {
  csv: 'text/csv; charset=utf-8',
  xlsx: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
} as const;

export interface KitFile {
  readonly bytes: Uint8Array;
  readonly type: string;
  readonly name: string;
}

/** The kit as a file of one of the formats that a store takes. */
export async function kitFile(
  slug: string,
  format: string,
  rule: unknown,
  stockText: string,
): Promise<Result<KitFile>> {
  if (format !== 'csv' && format !== 'xlsx') return refuse('format', 'is neither csv nor xlsx', format);
  const answer = await kitAgainst(slug, rule, stockText);
  if (!answer.ok) return answer;
  const table = kitTable(answer.value.kit);
  const [head = [], ...rows] = table.map((row) => row.map(String));
  const bytes =
    format === 'xlsx'
      ? await writeXlsx('Kit', table)
      : new TextEncoder().encode(
          writeCsv(
            head,
            rows.map((row) => Object.fromEntries(head.map((h, i) => [h, row[i] ?? '']))),
          ),
        );
  return ok({ bytes, type: TYPES[format], name: `${slug.replace(/[^\w-]/g, '_')}-kit.${format}` });
}
