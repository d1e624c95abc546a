'use client';
import { useEffect, useMemo, useState } from 'react';
import type { Problem } from '@/core/kernel';
import type { ReadRow } from '@/core/setup-table';
import type { Grid, SheetSetup } from '@/core/spreadsheet';
import type { SetupPreview } from '@/core/termination-view';
import { startReadSheets } from '@/workers/sheet';
import { useSettled } from '../common/use-settled';
import { look } from '../data/send';
import { useChanged, useSend } from '../data/use-send';

/** What a table says, before the job is asked what it would do. */
export interface TableRead {
  readonly setup: SheetSetup;
  readonly rows: readonly ReadRow<unknown>[];
  /** What keeps the whole of it from being read. */
  readonly problems: readonly Problem[];
}

const UNREAD = 'The table cannot be read here. It is as it was: try again, or save it as CSV.';

/** A table of types or boxes on its way into the job: its cells, what they say, and what that would do. `read` must be steady. */
export function useTableIn(job: string, read: (grid: Grid) => TableRead) {
  const send = useSend();
  const changed = useChanged();
  const [grid, setGrid] = useState<Grid | null>(null);
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const [busy, setBusy] = useState(false);
  const [judged, setJudged] = useState<{ readonly of: object; readonly preview: SetupPreview } | null>(null);
  const [taken, setTaken] = useState<number | null>(null);
  const table = useMemo(() => (grid === null ? null : read(grid)), [grid, read]);
  const asked = useMemo(
    () =>
      table === null || table.problems.length > 0 || table.setup.types.length + table.setup.boxes.length === 0
        ? null
        : table.setup,
    [table],
  );
  const settled = useSettled(asked, 300);
  useEffect(() => {
    if (settled === null || taken !== null) return undefined;
    const gone = new AbortController();
    void look(['previewSetup', job, settled], gone.signal).then((seen) => {
      if (gone.signal.aborted) return;
      setProblems(seen.ok ? [] : seen.problems);
      setJudged(seen.ok ? { of: settled, preview: seen.value } : null);
    });
    return () => gone.abort();
  }, [settled, job, taken]);

  const take = async (bytes: Uint8Array<ArrayBuffer>) => {
    setBusy(true);
    setProblems([]);
    setJudged(null);
    setTaken(null);
    try {
      const sheets = await startReadSheets(bytes).result;
      if (!sheets.ok) setProblems(sheets.problems);
      else setGrid(sheets.value.reduce((a, b) => (b.grid.length > a.grid.length ? b : a)).grid);
    } catch {
      setProblems([{ path: 'file', message: UNREAD }]);
    }
    setBusy(false);
  };
  const preview = judged !== null && judged.of === settled && settled === asked ? judged.preview : null;
  const accept = async () => {
    if (asked === null || preview === null) return;
    setBusy(true);
    const done = await send('importSetup', job, asked, preview.hash);
    setBusy(false);
    setProblems(done.ok ? [] : done.problems);
    if (!done.ok) return;
    setTaken(done.value.touched);
    changed();
  };
  return {
    grid,
    table,
    preview,
    judging: asked !== null && preview === null && problems.length === 0 && taken === null,
    problems: table === null ? problems : [...table.problems, ...problems],
    busy,
    taken,
    file: async (file: File) => take(new Uint8Array(await file.arrayBuffer())),
    paste: (text: string) => take(new TextEncoder().encode(text)),
    accept: () => void accept(),
  };
}

export type TableIn = ReturnType<typeof useTableIn>;
