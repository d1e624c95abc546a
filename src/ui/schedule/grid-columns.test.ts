import { changedFields, gridRow } from './grid-columns';

const row = {
  id: 7,
  version: 3,
  tag: 'K-1',
  type: 'W4-10',
  routeMm: 12_500,
  note: '',
  a: { version: 1, enclosure: 'MCC-1', entry: 'P1', tailMm: 620, spareMm: 50 },
  b: { version: 2, enclosure: null, entry: null, tailMm: null, spareMm: 0 },
};

it('shows lengths as a person types them in the job’s unit', () => {
  expect(gridRow(row, 'mm')).toMatchObject({
    route: '12.5',
    aPlace: 'MCC-1/P1',
    aTail: '620',
    aSpare: '50',
    bPlace: '',
    bTail: '',
  });
  // 620 mm = 24.41 in → 24 7/16
  expect(gridRow(row, 'in')).toMatchObject({ aTail: '24 7/16', route: '12.5' });
  expect(gridRow(row, 'mm').versions).toEqual({ cable: 3, A: 1, B: 2 });
});

it('sends only what was changed', () => {
  const before = gridRow(row, 'mm');
  expect(changedFields(before, before)).toEqual({});
  expect(changedFields(before, { ...before, note: 'new', bTail: '180' })).toEqual({
    note: 'new',
    bTail: '180',
  });
});
