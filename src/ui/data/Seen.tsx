import { dehydrate, HydrationBoundary, QueryClient } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import type { LookKey, LookName, Looks } from './contract';

/** Sends what the server has looked up for a page along with it, so that the page does not ask again. */
export function Seen<N extends LookName>({
  at,
  value,
  children,
}: {
  readonly at: LookKey<N>;
  readonly value: Looks[N]['value'];
  readonly children: ReactNode;
}) {
  const client = new QueryClient();
  const key: readonly unknown[] = at;
  client.setQueryData(key, value);
  return <HydrationBoundary state={dehydrate(client)}>{children}</HydrationBoundary>;
}
