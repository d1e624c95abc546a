'use client';
import { useCallback } from 'react';
import { ok, type Result } from '@/core/kernel';
import type { RowVersions } from '@/core/termination-view';
import type { LengthUnit } from '@/core/units';
import { useSend } from '../data/use-send';
import { gridRow } from './grid-columns';
import type { RowOutcome } from './schedule-types';

type EditRow = (
  cableId: number,
  versions: RowVersions,
  fields: Readonly<Record<string, string>>,
) => Promise<Result<RowOutcome>>;

/** Edits rows of a job's schedule. What somebody else has changed meanwhile comes back in the words of the grid. */
export function useEditRow({ slug, unit }: { readonly slug: string; readonly unit: LengthUnit }): EditRow {
  const send = useSend();
  return useCallback(
    async (cableId, versions, fields) => {
      const outcome = await send('editCable', slug, cableId, versions, fields);
      if (!outcome.ok) return outcome;
      if ('saved' in outcome.value) return ok({ saved: true });
      const { by, row } = outcome.value.conflict;
      const { versions: current, id: _id, ...values } = gridRow(row, unit);
      return ok({ conflict: { by, values, versions: current } });
    },
    [send, slug, unit],
  );
}
