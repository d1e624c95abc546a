'use client';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useCallback } from 'react';
import type { GridPaginationModel, GridSortModel } from '@mui/x-data-grid';
import type { ScheduleRowView } from '@/core/termination-view';
import { SORT_OF } from './grid-columns';

interface Page {
  readonly rows: readonly ScheduleRowView[];
  readonly total: number;
}

interface Asked {
  readonly job: string;
  readonly filter: string;
  readonly paging: GridPaginationModel;
  readonly sort: GridSortModel;
}

const AGAIN_MS = 3000;

/** One page of the schedule, filtered, sorted and paged by the server; asked again by itself while there is no answer. */
export function useScheduleRows({ job, filter, paging, sort }: Asked) {
  const [by] = sort;
  const query = new URLSearchParams({
    filter,
    sort: SORT_OF[by?.field ?? 'tag'] ?? 'tag',
    order: by?.sort ?? 'asc',
    offset: String(paging.page * paging.pageSize),
    limit: String(paging.pageSize),
  }).toString();
  const { data, failureCount, refetch } = useQuery<Page>({
    queryKey: ['schedule', job, query],
    queryFn: async ({ signal }) => {
      const answer = await fetch(`/api/job/${encodeURIComponent(job)}/schedule?${query}`, {
        cache: 'no-store',
        signal,
      });
      if (!answer.ok) throw new Error(String(answer.status));
      return (await answer.json()) as Page;
    },
    placeholderData: keepPreviousData,
    staleTime: 0,
    retry: true,
    retryDelay: AGAIN_MS,
  });
  const reload = useCallback(() => void refetch(), [refetch]);
  return {
    page: data ?? null,
    /** There was no answer to the last question. */
    away: failureCount > 0,
    reload,
  };
}
