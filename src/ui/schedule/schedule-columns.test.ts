import type { JobView } from '@/core/termination-view';
import { FILL_FIELDS } from './fill';
import { scheduleColumns } from './schedule-columns';

const columns = (mayChange: boolean) =>
  scheduleColumns({ slug: 'quillmere', unit: 'mm' } as JobView, [], mayChange, () => undefined);
const writable = (mayChange: boolean) =>
  columns(mayChange)
    .filter((c) => c.editable === true)
    .map((c) => c.field);

it('is written in by who may change cables, in every column that a block or a ticked row fills, and in none that only leads on', () => {
  expect(writable(true)).toEqual(expect.arrayContaining(['tag', ...FILL_FIELDS]));
  expect(writable(true)).not.toContain('open');
  expect(columns(true).map((c) => c.field)).toContain('retire');
});

it('is read by who may not, and takes nothing out', () => {
  expect(writable(false)).toEqual([]);
  expect(columns(false).map((c) => c.field)).toEqual(
    columns(true)
      .map((c) => c.field)
      .filter((f) => f !== 'retire'),
  );
});
