import { placeQuery, readPlace } from './use-grid-place';

it.each(['', '?q=still+house', '?sort=route.desc', '?q=K-1&sort=type.asc&page=3&rows=50'])(
  'comes back by its address: %s',
  (address) => expect(placeQuery(readPlace(new URLSearchParams(address)))).toBe(address),
);

it.each([
  '?sort=__proto__.desc',
  '?sort=open',
  '?page=0',
  '?page=-1',
  '?page=1.5',
  '?page=1e9',
  '?rows=7',
  '?rows=x',
])('takes what makes no sense as if it were not there: %s', (address) => {
  const { paging, sort, filter } = readPlace(new URLSearchParams(address));
  expect({ paging, filter, field: sort[0]?.field }).toEqual({
    paging: { page: 0, pageSize: 25 },
    filter: '',
    field: 'tag',
  });
});
