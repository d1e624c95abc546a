import { MAX_FILE_BYTES } from '@/core/kernel';
import { readCsv } from './read';
import { writeCsv } from './write';

const bytes = (text: string) => new TextEncoder().encode(text);
const refusal = (data: Uint8Array) => {
  const read = readCsv(data);
  return read.ok ? 'read' : (read.problems[0]?.message ?? '');
};

describe('readCsv', () => {
  it('reads commas, quotes and a BOM', () => {
    expect(readCsv(bytes('\uFEFFCable,Type,Note\r\nK-1,W4-10,"a, ""b"""\r\n\r\n'))).toMatchObject({
      ok: true,
      value: { columns: ['cable', 'type', 'note'], rows: [{ cable: 'K-1', type: 'W4-10', note: 'a, "b"' }] },
    });
  });

  it('reads semicolons with decimal commas, and tabs', () => {
    expect(readCsv(bytes('cable;outer\nK-1;30,2 mm\n'))).toMatchObject({
      value: { delimiter: ';', rows: [{ outer: '30,2 mm' }] },
    });
    expect(readCsv(bytes('cable\ttype\nK-1\tW4\n'))).toMatchObject({
      value: { delimiter: '\t', rows: [{ type: 'W4' }] },
    });
  });

  it('reads the code page of old spreadsheets', () => {
    const latin = Uint8Array.from([...bytes('cable,note\nK-1,'), 0xb1, 0x31, 0x0a]);
    expect(readCsv(latin)).toMatchObject({ value: { rows: [{ note: '±1' }] } });
  });

  it.each([
    ['50 MB', new Uint8Array(50 * 1024 * 1024), /is 50 MB; a cable schedule of at most 8 MB/],
    ['a spreadsheet', Uint8Array.from([0x50, 0x4b, 3, 4, 0, 0]), /spreadsheet or zip/],
    ['zero bytes', Uint8Array.from([0x63, 0, 0x61]), /not text/],
    ['control characters', Uint8Array.from([0xff, 0x01, 0x02, 0xfe]), /not text/],
    ['an open quote', bytes('cable,type\nK-1,"W4\nK-2,W4\n'), /left open/],
    ['nothing', bytes(''), /no header/],
  ])('refuses %s', (_, data, message) => expect(refusal(data)).toMatch(message));

  it('draws the line at its own limit', () => {
    expect(refusal(new Uint8Array(MAX_FILE_BYTES + 1))).toMatch(/at most 8 MB/);
  });
});

it('writes what it reads', () => {
  const rows = [
    { a: 'x, "y"', b: '1 3/16"' },
    { a: 'line\nbreak', b: '' },
    { a: 'K-🔥', b: '±' },
    // Another delimiter, more often than the own one.
    { a: '!', b: ';;"' },
    { a: '\t"\t', b: ';' },
  ];
  expect(readCsv(bytes(writeCsv(['a', 'b'], rows)))).toMatchObject({
    ok: true,
    value: { columns: ['a', 'b'], rows },
  });
});

describe('cells that a spreadsheet would run', () => {
  const back = (cell: string) => {
    const written = writeCsv(['note'], [{ note: cell }]);
    const read = readCsv(new TextEncoder().encode(written));
    return { written, read: read.ok ? read.value.rows[0]?.note : 'refused' };
  };
  it.each(['=1+1', '@SUM(A1)', '+cmd', '-2+3', "'=1+1", "''@x", '\t=1'])(
    '%j is written as text and reads back the same',
    (cell) => {
      const { written, read } = back(cell);
      expect(written).not.toMatch(/(^|\n)"?[=+@\t-]/);
      expect(read).toBe(cell);
    },
  );
  it.each(['-0.08', '+12', 'K-101', "it's", "'tis", '12,5'])('%j stays as it is', (cell) => {
    const { written, read } = back(cell);
    expect(written).toContain(cell);
    expect(written).not.toContain(`'${cell}`);
    expect(read).toBe(cell);
  });
});
