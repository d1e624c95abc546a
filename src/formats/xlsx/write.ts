import ExcelJS from 'exceljs';

/** A workbook with one sheet: the first row is the head, stays in sight and can be filtered by. Numbers stay numbers. */
export async function writeXlsx(
  sheetName: string,
  rows: readonly (readonly (string | number)[])[],
): Promise<Uint8Array> {
  const book = new ExcelJS.Workbook();
  const sheet = book.addWorksheet(sheetName.slice(0, 31), { views: [{ state: 'frozen', ySplit: 1 }] });
  for (const row of rows) sheet.addRow([...row]);
  const [head] = rows;
  if (head) {
    sheet.getRow(1).font = { bold: true };
    sheet.autoFilter = { from: { row: 1, column: 1 }, to: { row: 1, column: head.length } };
    head.forEach((_, i) => {
      const longest = Math.max(...rows.map((r) => String(r[i] ?? '').length));
      sheet.getColumn(i + 1).width = Math.min(60, Math.max(8, longest + 2));
    });
  }
  return new Uint8Array(await book.xlsx.writeBuffer());
}
