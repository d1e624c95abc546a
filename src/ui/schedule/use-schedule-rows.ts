'use client';
import { keepPreviousData, queryOptions, useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback } from 'react';
import type { ScheduleRowView } from '@/core/termination-view';
import { SORT_OF } from './grid-columns';
import type { GridPlace } from './use-grid-place';

interface Page {
  readonly rows: readonly ScheduleRowView[];
  readonly total: number;
}

const AGAIN_MS = 3000;
const FRESH_MS = 1000;

/** One page of the schedule, filtered, sorted and paged by the server; asked again by itself while there is no answer. */
function scheduleRows(job: string, { filter, paging, sort: [by] }: GridPlace) {
  const query = new URLSearchParams({
    filter,
    sort: SORT_OF[by?.field ?? 'tag'] ?? 'tag',
    order: by?.sort ?? 'asc',
    offset: String(paging.page * paging.pageSize),
    limit: String(paging.pageSize),
  }).toString();
  return queryOptions<Page>({
    queryKey: ['schedule', job, query],
    queryFn: async ({ signal }) => {
      const answer = await fetch(`/api/job/${encodeURIComponent(job)}/schedule?${query}`, {
        cache: 'no-store',
        signal,
      });
      if (!answer.ok) throw new Error(String(answer.status));
      return (await answer.json()) as Page;
    },
    // What was asked for at the stroke may be there before the grid asks for it: that is one question, not two.
    staleTime: FRESH_MS,
    retry: true,
    retryDelay: AGAIN_MS,
  });
}

/** Asks for what a place will show at the stroke that leads there, before anything of it is drawn. */
export function useAskAhead(job: string): (place: GridPlace) => void {
  const client = useQueryClient();
  return useCallback(
    // The grid waits for the same answer, and says what became of it.
    (place) => void client.query(scheduleRows(job, place)).catch(() => null),
    [client, job],
  );
}

/** The rows of a place in the schedule, and whether they cannot be had just now. */
export function useScheduleRows(job: string, place: GridPlace) {
  const { data, failureCount, refetch } = useQuery({
    ...scheduleRows(job, place),
    placeholderData: keepPreviousData,
  });
  const reload = useCallback(() => void refetch(), [refetch]);
  return {
    page: data ?? null,
    /** There was no answer to the last question. */
    away: failureCount > 0,
    reload,
  };
}
