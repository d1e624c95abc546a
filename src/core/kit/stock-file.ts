import { fail, ok, type Problem, type Result } from '@/core/kernel';

/**
 * Stock from the rows of a CSV file with the columns `part` and `quantity` (others are passed over). A part that stands twice adds up.
 * Errors name the line.
 */
export function readStock(
  columns: readonly string[],
  rows: readonly Readonly<Record<string, string>>[],
): Result<Map<string, number>> {
  if (!columns.includes('part') || !columns.includes('quantity'))
    return fail([
      {
        path: 'line 1',
        message: 'a stock file needs the columns part and quantity',
        value: columns.join(', '),
      },
    ]);
  const problems: Problem[] = [];
  const stock = new Map<string, number>();
  rows.forEach((row, i) => {
    const name = (row.part ?? '').trim();
    const text = (row.quantity ?? '').trim();
    if (name === '' && text === '') return;
    const path = `line ${i + 2}`;
    if (name === '') problems.push({ path, message: 'has a quantity without a part' });
    else if (!/^\d{1,7}$/.test(text))
      problems.push({ path, message: `quantity of ${name} is not a whole number`, value: text });
    else stock.set(name, (stock.get(name) ?? 0) + Number(text));
  });
  return problems.length > 0 ? fail(problems) : ok(stock);
}
