'use client';
import { useEffect, useMemo, useState } from 'react';
import type { Problem } from '@/core/kernel';
import {
  guessMapping,
  hashOfHeadings,
  mapGrid,
  mappingProblems,
  newBoxes,
  ownTable,
  setupOf,
  typeDrafts,
  typeLacks,
  type BoxDraft,
  type MappedTable,
  type SheetMapping,
  type TypeDraft,
} from '@/core/spreadsheet';
import { BOX_TEMPLATES } from '@/core/boxes';
import type { ScheduleChoices } from '@/core/termination-view';
import { startReadSheets, type Sheet } from '@/workers/sheet';
import { useSettled } from '../common/use-settled';
import { look } from '../data/send';
import { useChanged, useSend } from '../data/use-send';
import type { ImportOutcomeView, ImportPreviewView } from '../schedule/schedule-types';

const UNREAD = 'The file cannot be read here. It is as it was: try again, or save it as CSV.';

interface Input {
  readonly columns: readonly string[];
  readonly rows: readonly (readonly string[])[];
  readonly lines: readonly number[];
}
const NOTHING: MappedTable = { columns: [], rows: [], lines: [], types: [], places: [], unplaced: 0 };

/** A file on its way into the schedule: its sheets, what their columns hold, what has to be made on the way, and how each row is judged. */
export function useSheetImport(job: string, choices: ScheduleChoices) {
  const send = useSend();
  const changed = useChanged();
  const [name, setName] = useState<string | null>(null);
  const [sheets, setSheets] = useState<readonly Sheet[]>([]);
  const [at, setAt] = useState(0);
  const [mapping, setMapping] = useState<SheetMapping | null>(null);
  const [edited, setEdited] = useState<Readonly<Record<string, TypeDraft>>>({});
  const [looked, setLooked] = useState(false);
  const [boxDraft, setBoxDraft] = useState<BoxDraft>({
    template: BOX_TEMPLATES[0]?.key ?? '',
    area: '',
    hole: '',
  });
  const [takeOutGone, setTakeOutGone] = useState(false);
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const [busy, setBusy] = useState(false);
  const [judged, setJudged] = useState<{ readonly of: object; readonly preview: ImportPreviewView } | null>(
    null,
  );
  const [outcome, setOutcome] = useState<ImportOutcomeView | null>(null);

  const grid = sheets[at]?.grid ?? null;
  const own = useMemo(() => (grid === null ? null : ownTable(grid)), [grid]);
  const unmapped = useMemo(
    () => (mapping === null || own !== null ? [] : mappingProblems(mapping)),
    [mapping, own],
  );
  const table = useMemo(
    () =>
      grid === null || mapping === null || own !== null || unmapped.length > 0
        ? NOTHING
        : mapGrid(grid, mapping),
    [grid, mapping, own, unmapped],
  );
  const drafts = useMemo(
    () => typeDrafts(table, new Set(choices.types.map((t) => t.code))).map((d) => edited[d.code] ?? d),
    [table, choices.types, edited],
  );
  const boxes = useMemo(
    () => newBoxes(table, new Set(choices.entries.map((e) => e.at))),
    [table, choices.entries],
  );
  const input = useMemo(() => {
    const from: Input | null = own ?? (table === NOTHING ? null : table);
    if (from === null) return null;
    return {
      columns: from.columns,
      rows: from.rows,
      lines: from.lines,
      setup: setupOf(drafts, boxes, boxDraft),
      takeOutGone,
      mapping: own === null ? mapping : null,
      headings:
        own === null && grid !== null && mapping !== null ? hashOfHeadings(grid, mapping.headerRow) : null,
    };
  }, [own, table, drafts, boxes, boxDraft, takeOutGone, mapping, grid]);
  const settled = useSettled(input, 350);

  useEffect(() => {
    if (settled === null || outcome !== null) return undefined;
    const gone = new AbortController();
    void look(['previewSheet', job, settled], gone.signal).then((seen) => {
      if (gone.signal.aborted) return;
      setProblems(seen.ok ? [] : seen.problems);
      setJudged(seen.ok ? { of: settled, preview: seen.value } : null);
    });
    return () => gone.abort();
  }, [settled, job, outcome]);

  const take = async (index: number, from: readonly Sheet[]) => {
    setAt(index);
    setJudged(null);
    setOutcome(null);
    setEdited({});
    setLooked(false);
    const chosen = from[index]?.grid ?? [];
    const guess = guessMapping(chosen);
    setMapping(guess);
    // What was set for these headings the last time is better than a guess.
    const known = await look(['viewMapping', job, hashOfHeadings(chosen, guess.headerRow)]);
    if (known.ok && known.value !== null && known.value.columns.length === guess.columns.length)
      setMapping({ ...known.value, headerRow: guess.headerRow });
  };
  const choose = async (file: File) => {
    setName(file.name);
    setBusy(true);
    setProblems([]);
    setSheets([]);
    setJudged(null);
    setOutcome(null);
    try {
      const read = await startReadSheets(new Uint8Array(await file.arrayBuffer())).result;
      if (!read.ok) setProblems(read.problems);
      else {
        // The sheet with most rows is the list; the others are covers and notes.
        const index = read.value.reduce(
          (best, s, i) => (s.grid.length > (read.value[best]?.grid.length ?? 0) ? i : best),
          0,
        );
        setSheets(read.value);
        await take(index, read.value);
      }
    } catch {
      setProblems([{ path: 'file', message: UNREAD }]);
    }
    setBusy(false);
  };
  const preview = judged !== null && judged.of === settled && settled === input ? judged.preview : null;
  const accept = async () => {
    if (input === null || preview === null) return;
    setBusy(true);
    const done = await send('importSheet', job, input, preview.hash);
    setBusy(false);
    setProblems(done.ok ? [] : done.problems);
    if (!done.ok) return;
    setOutcome(done.value);
    changed();
  };
  // Types that lack something are not made: their cables stay out, and nothing of them has to be looked at.
  const waits = drafts.some((d) => typeLacks(d) === null) && !looked ? 'Look at the new types first' : null;
  return {
    name,
    sheets,
    at,
    takeSheet: (index: number) => void take(index, sheets),
    grid,
    own: own !== null,
    mapping,
    setMapping: (next: SheetMapping) => {
      setMapping(next);
      setOutcome(null);
    },
    guessFrom: (headerRow: number) => {
      if (grid !== null) setMapping(guessMapping(grid, headerRow));
    },
    unmapped,
    unplaced: table.unplaced,
    drafts,
    setDraft: (draft: TypeDraft) => {
      setEdited({ ...edited, [draft.code]: draft });
      setLooked(false);
    },
    looked,
    setLooked,
    boxes,
    boxDraft,
    setBoxDraft,
    takeOutGone,
    setTakeOutGone,
    preview,
    judging: input !== null && preview === null && outcome === null && problems.length === 0,
    shown: judged?.preview ?? null,
    problems,
    busy,
    outcome,
    waits,
    choose: (file: File) => void choose(file),
    accept: () => void accept(),
  };
}

export type SheetImport = ReturnType<typeof useSheetImport>;
