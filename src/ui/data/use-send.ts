'use client';
import { hashKey, useQueryClient, type QueryClient } from '@tanstack/react-query';
import { useMemo } from 'react';
import type { Result } from '@/core/kernel';
import { again } from './again';
import type { CommandName, Commands } from './contract';
import { useShownKey, type Shown } from './DataProvider';
import { command } from './send';

export type Send = <N extends CommandName>(
  name: N,
  ...args: Commands[N]['args']
) => Promise<Result<Commands[N]['value']>>;

/** Sends by this client's keeping. What is shown never goes back to a look that began before the last thing done. */
export const sendBy =
  (client: QueryClient, { get, turn, overtaken }: Shown): Send =>
  async (name, ...args) => {
    const key = get();
    const mine = turn();
    const asked = key === null ? null : again(key, client.getQueryData(key));
    const { result, shown: view } = await command(name, args, asked?.key ?? null);
    const back = key !== null && view?.ok === true && !overtaken(mine);
    if (back) {
      // A look that is on its way may have been answered before this was done.
      await client.cancelQueries({ queryKey: key, exact: true });
      client.setQueryData(key, asked?.whole(view.value));
    }
    if (result.ok) {
      const own = back ? hashKey(key) : null;
      void client.invalidateQueries({ predicate: (q) => q.queryHash !== own });
    }
    return result;
  };

/** Has something done by the server. The page's own view comes back with the answer; what else is shown is looked up anew. */
export function useSend(): Send {
  const client = useQueryClient();
  const shown = useShownKey();
  return useMemo(() => sendBy(client, shown), [client, shown]);
}

/** Has everything that is shown looked up anew: something was done by other ways. */
export function useChanged(): () => void {
  const client = useQueryClient();
  return useMemo(() => () => void client.invalidateQueries(), [client]);
}
