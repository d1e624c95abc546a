import writeXlsxFile from 'write-excel-file/node';

/** A workbook with one sheet: the first row is the head and stays in sight. Numbers stay numbers, and text that looks like a formula stays text. */
export async function writeXlsx(
  sheetName: string,
  rows: readonly (readonly (string | number)[])[],
): Promise<Uint8Array> {
  const [head = []] = rows;
  const file = writeXlsxFile(
    rows.map((row, r) =>
      row.map((value) => ({
        value,
        type: typeof value === 'number' ? Number : String,
        ...(r === 0 ? { fontWeight: 'bold' as const } : {}),
      })),
    ),
    {
      sheet: sheetName.slice(0, 31),
      stickyRowsCount: 1,
      columns: head.map((_, i) => {
        const longest = Math.max(...rows.map((r) => String(r[i] ?? '').length));
        return { width: Math.min(60, Math.max(8, longest + 2)) };
      }),
    },
  );
  return new Uint8Array(await file.toBuffer());
}
