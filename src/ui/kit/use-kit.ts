'use client';
import { useRef, useState } from 'react';
import type { Problem } from '@/core/kernel';
import { DEFAULT_SPARES, type SpareRule } from '@/core/kit';
import type { KitView } from '@/core/termination-view';
import { readNumber } from '../common/read-number';
import { saveFile } from '../common/save-file';
import { look } from '../data/send';

export type SpareTexts = Readonly<Record<keyof SpareRule, string>>;

const numbers = ({ percent, minimum }: SpareTexts): SpareRule => ({
  percent: readNumber(percent),
  minimum: readNumber(minimum),
});

interface Stock {
  readonly name: string;
  readonly text: string;
}

/** The kit of a job by a rule for spares, against a stock file; asked anew whenever either changes. */
export function useKit(job: string, first: KitView) {
  const [view, setView] = useState(first);
  const [rule, setRule] = useState<SpareTexts>({
    percent: String(DEFAULT_SPARES.percent),
    minimum: String(DEFAULT_SPARES.minimum),
  });
  const [stock, setStock] = useState<Stock | null>(null);
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const asked = useRef(0);
  const work = async (by: SpareTexts, against: Stock | null): Promise<boolean> => {
    const mine = (asked.current += 1);
    const result = await look(['kitAgainst', job, numbers(by), against?.text ?? '']);
    // A later question overtakes this answer.
    if (mine !== asked.current) return false;
    if (result.ok) setView(result.value);
    setProblems(result.ok ? [] : result.problems);
    return result.ok;
  };
  return {
    view,
    rule,
    stock: stock?.name ?? null,
    problems,
    setRule: (next: SpareTexts) => {
      setRule(next);
      void work(next, stock);
    },
    loadStock: async (file: File) => {
      const next = { name: file.name, text: await file.text() };
      if (await work(rule, next)) setStock(next);
    },
    leaveStock: () => {
      setStock(null);
      void work(rule, null);
    },
    download: async (format: 'csv' | 'xlsx') => {
      const { percent, minimum } = numbers(rule);
      const query = new URLSearchParams({ percent: String(percent), minimum: String(minimum) });
      const address = `/api/job/${encodeURIComponent(job)}/kit/${format}?${query.toString()}`;
      setProblems(await saveFile(address, stock?.text ?? null));
    },
  };
}
