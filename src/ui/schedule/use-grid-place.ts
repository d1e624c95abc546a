'use client';
import { useSearchParams } from 'next/navigation';
import { useCallback, useEffect, useMemo, useState } from 'react';
import type { GridPaginationModel, GridSortModel } from '@mui/x-data-grid';
import { SORT_OF } from './grid-columns';

export const PAGE_SIZES = [25, 50, 100];

export interface GridPlace {
  readonly filter: string;
  readonly paging: GridPaginationModel;
  readonly sort: GridSortModel;
}

/** Where an address leaves one in the schedule; what makes no sense is as if it were not there. */
export function readPlace(query: Pick<URLSearchParams, 'get'>): GridPlace {
  const [field = 'tag', order] = (query.get('sort') ?? 'tag').split('.');
  const page = Number(query.get('page') ?? '1');
  const pageSize = Number(query.get('rows') ?? PAGE_SIZES[0]);
  return {
    filter: query.get('q') ?? '',
    sort: [{ field: Object.hasOwn(SORT_OF, field) ? field : 'tag', sort: order === 'desc' ? 'desc' : 'asc' }],
    paging: {
      page: Number.isInteger(page) && page >= 1 && page <= 10_000 ? page - 1 : 0,
      pageSize: PAGE_SIZES.includes(pageSize) ? pageSize : 25,
    },
  };
}

/** The address of a place in the schedule; what is as it is at first is left out. */
export function placeQuery({ filter, sort: [by], paging: { page, pageSize } }: GridPlace): string {
  const query = new URLSearchParams();
  if (filter !== '') query.set('q', filter);
  if (by && (by.field !== 'tag' || by.sort === 'desc')) query.set('sort', `${by.field}.${by.sort ?? 'asc'}`);
  if (page > 0) query.set('page', String(page + 1));
  if (pageSize !== PAGE_SIZES[0]) query.set('rows', String(pageSize));
  const text = query.toString();
  return text === '' ? '' : `?${text}`;
}

/** Narrowed down anew, from its first page on. What stays as it is is the same object: the grid is not drawn for it. */
export const filtered = ({ paging, sort }: GridPlace, filter: string): GridPlace => ({
  filter,
  sort,
  paging: paging.page === 0 ? paging : { ...paging, page: 0 },
});

/** The router looks at the whole page when the address changes: not between two strokes. */
const ADDRESS_MS = 250;

/** Filter, order and page of the grid, kept in the address: it comes back by it, and another person sees the same by it. */
export function useGridPlace() {
  const query = useSearchParams();
  const [place, setPlace] = useState<GridPlace>(() => readPlace(query));
  useEffect(() => {
    const later = setTimeout(() => {
      const to = `${window.location.pathname}${placeQuery(place)}`;
      if (to !== `${window.location.pathname}${window.location.search}`)
        window.history.replaceState(window.history.state, '', to);
    }, ADDRESS_MS);
    return () => clearTimeout(later);
  }, [place]);
  const setFilter = useCallback((filter: string) => setPlace((p) => filtered(p, filter)), []);
  const setPaging = useCallback((paging: GridPaginationModel) => setPlace((p) => ({ ...p, paging })), []);
  const setSort = useCallback((sort: GridSortModel) => setPlace((p) => ({ ...p, sort })), []);
  return useMemo(() => ({ place, setFilter, setPaging, setSort }), [place, setFilter, setPaging, setSort]);
}
