'use client';
import { useCallback, useState, type ClipboardEvent } from 'react';
import { refuse, type Problem } from '@/core/kernel';
import type { JobView } from '@/core/termination-view';
import { useSend } from '../data/use-send';
import { useRun } from '../termination/use-run';
import type { Met } from './ConflictPanel';
import { changedFields, type GridRow } from './grid-columns';
import { layBlock, type PastedRow } from './paste-block';
import { useEditRow } from './use-edit-row';

/** The cell of the grid that an event came from; null from anywhere else. */
function cellAt(target: EventTarget): { id: number; field: string } | null {
  const cell = target instanceof Element ? target.closest<HTMLElement>('[role="gridcell"]') : null;
  const row = cell?.closest<HTMLElement>('[data-id]');
  const field = cell?.dataset.field;
  return row?.dataset.id !== undefined && field !== undefined ? { id: Number(row.dataset.id), field } : null;
}

/** What hands do in the grid: one cell, a pasted block, a cable taken out; and what happens when somebody else was faster. */
export function useGridEdits(job: JobView, rows: readonly GridRow[]) {
  const [met, setMet] = useState<Met | null>(null);
  const [pasted, setPasted] = useState<readonly Problem[]>([]);
  const send = useSend();
  const editRow = useEditRow(job);
  const { run, busy, problems } = useRun();

  /** True when it is written; a conflict is shown instead. */
  const write = useCallback(
    async (row: GridRow, fields: Readonly<Record<string, string>>): Promise<boolean> => {
      const result = await run(() => editRow(row.id, row.versions, fields));
      if (!result.ok) return false;
      if ('saved' in result.value) return true;
      setMet({ row, fields, conflict: result.value.conflict });
      return false;
    },
    [editRow, run],
  );
  const save = useCallback(
    async (fresh: GridRow, old: GridRow): Promise<GridRow> => {
      const fields = changedFields(old, fresh);
      if (Object.keys(fields).length === 0) return old;
      return (await write(old, fields)) ? fresh : old;
    },
    [write],
  );
  /** Several rows as one change: all of them, or none and why. */
  const writeMany = async (edits: readonly PastedRow[]): Promise<boolean> => {
    setPasted([]);
    if (edits.length === 0) return true;
    const done = await run(
      () =>
        send(
          'editCables',
          job.slug,
          edits.map(({ row, fields }) => ({ cable: row.id, versions: row.versions, fields })),
        ),
      (outcome) => ('saved' in outcome ? `${outcome.saved} rows written. Undo takes all back.` : ''),
    );
    const met = done.ok && 'conflict' in done.value ? done.value.conflict : null;
    if (met !== null)
      setPasted(
        refuse(
          met.row.tag,
          `${met.row.tag} was changed by ${met.by ?? 'somebody else'} meanwhile: nothing is written. Look at the row, then try again`,
        ).problems,
      );
    return done.ok && met === null;
  };
  const paste = async (event: ClipboardEvent<HTMLElement>) => {
    const at = cellAt(event.target);
    const text = event.clipboardData.getData('text/plain');
    const typing = event.target instanceof HTMLInputElement;
    // A single value into a cell that is being written is the browser's own business.
    if (at === null || (typing && !/[\t\n]/.test(text.trim()))) return;
    event.preventDefault();
    event.stopPropagation();
    const laid = layBlock(rows, at, text);
    setPasted(laid.ok ? [] : laid.problems);
    if (!laid.ok) return;
    await writeMany(laid.value);
  };
  const retire = useCallback(
    (row: GridRow) =>
      void run(
        () => send('retireCable', job.slug, row.id, row.versions.cable),
        `${row.tag} taken out of the schedule. Undo brings it back.`,
      ),
    [job.slug, run, send],
  );
  const writeMine = ({ row, fields, conflict }: Met) => {
    setMet(null);
    void run(() => editRow(row.id, conflict.versions, fields), `${row.tag}: yours written.`);
  };
  return {
    met,
    problems: [...pasted, ...problems],
    save,
    paste,
    writeMany,
    busy,
    retire,
    keepTheirs: () => setMet(null),
    writeMine,
  };
}
