import { mixProblems, readMix } from './mix-draft';

const PACK = { batch: ' CR-2611 ', expiry: '2028-06-30', temp: '68 F' };

it('is a record once all three are there, in the units of the record', () => {
  expect(readMix(PACK)).toEqual({ batch: 'CR-2611', expiry: '2028-06-30', tempC: 20 });
});

it.each([
  ['batch', '  ', 'the batch number stands on the pack'],
  ['expiry', '', 'is not a date such as 2027-03-31'],
  ['expiry', '2028-6-3', 'is not a date such as 2027-03-31'],
  ['expiry', '2028-02-31x', 'is not a date such as 2027-03-31'],
  ['temp', 'warm', 'is no temperature such as 20 or 68 F'],
  ['temp', '', 'is no temperature such as 20 or 68 F'],
])('is none with %s “%s”, and says why at that field', (field, typed, why) => {
  const draft = { ...PACK, [field]: typed };
  expect(readMix(draft)).toBeNull();
  expect(mixProblems(draft)).toMatchObject([{ path: field, message: why }]);
});
