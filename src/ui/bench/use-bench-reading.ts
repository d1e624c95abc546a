'use client';
import { useState } from 'react';
import {
  measure,
  nextAngle,
  nextToMeasure,
  type Method,
  type Quantity,
  type Reading,
} from '@/core/cable-measurement';
import type { Shown } from '@/core/instrument';
import type { TerminationView } from '@/core/termination-view';
import type { LengthUnit } from '@/core/units';
import { diameterTexts } from '../common/unit';
import { useInstrument } from '../common/use-instrument';
import { useSend } from '../data/use-send';
import type { BenchSession } from './use-bench-session';
import { useKeptReading } from './use-kept-reading';
import { useReadingQueue } from '../measure/use-reading-queue';

/** One reading after the other at the bench: which layer, how, with what; the layer stays until it has both its angles. */
export function useBenchReading({ view, subject, base, kept }: BenchSession) {
  const open =
    view.needed.find((q) => view.measured[q] === null || view.measured[q].provisional) ?? 'outerSheath';
  const [picked, setPicked] = useState<Quantity>(open);
  const quantity = view.needed.includes(picked) ? picked : open;
  const [instrument, setInstrument] = useInstrument('length');
  const [method, setMethod] = useState<Method>('caliper');
  const [unit, setUnit] = useState<LengthUnit>(view.job.unit);
  const [text, setText] = useState('');
  const send = useSend();
  const ref = { job: view.job.slug, cable: view.cable, end: view.end };
  const keepReading = useKeptReading({ subject, base, kept });
  const queue = useReadingQueue(view.readings, (content) =>
    keepReading(content, () => send('addReading', ref, content)),
  );
  const taken = [...view.readings.map((r) => r.reading), ...queue.onTheWay];
  const byAngle = method === 'caliper' && quantity !== 'armourWire';
  const reading = (typed = text, its: LengthUnit = unit, by = instrument): Reading => ({
    quantity,
    method: quantity === 'armourWire' ? 'caliper' : method,
    text: typed.trim(),
    unit: its,
    ...(by.trim() === '' ? {} : { instrument: by.trim() }),
    ...(byAngle ? { angleDeg: nextAngle(taken, quantity) } : {}),
  });
  const keep = async (content = reading()) => {
    if (content.text === '') return;
    // What an instrument types next, and it does not wait, is of the same layer until that has both its angles.
    setText('');
    setPicked(nextToMeasure(view.needed, [...taken, content], quantity) ?? quantity);
    const done = await queue.add(content);
    if (done.ok) return;
    setPicked(quantity);
    setText((now) => (now === '' ? content.text : now));
  };
  return {
    quantity,
    pick: setPicked,
    method,
    setMethod,
    unit,
    switchUnit: () => setUnit(unit === 'mm' ? 'in' : 'mm'),
    text,
    type: (next: string) => {
      setText(next);
      queue.clear();
    },
    instrument,
    setInstrument,
    taken,
    byAngle,
    ahead: aheadWords(view, taken, text.trim() === '' ? null : reading(), quantity),
    keep: () => keep(),
    /** A figure that an instrument shows is kept as one that types and presses Enter. */
    take: (shown: Shown, name: string | null) => {
      if (shown.unit !== null && shown.unit !== 'mm' && shown.unit !== 'in') return;
      if (name !== null) setInstrument(name);
      void keep(reading(shown.text, shown.unit ?? unit, name ?? instrument));
    },
    problems: queue.problems,
  };
}

export type BenchReading = ReturnType<typeof useBenchReading>;

/** What the layer would be with this reading, or why it cannot be read; without one, what it is now. */
function aheadWords(
  view: TerminationView,
  taken: readonly Reading[],
  next: Reading | null,
  quantity: Quantity,
): string {
  if (next === null) {
    const now = view.measured[quantity];
    return now ? `now ${diameterTexts(now.interval.min, now.interval.max).mm}` : '';
  }
  const ahead = measure([...taken, next], quantity, view.job.rules);
  if (!ahead.ok) return ahead.problems[ahead.problems.length - 1]?.message ?? '';
  return ahead.value ? `→ ${diameterTexts(ahead.value.interval.min, ahead.value.interval.max).mm}` : '';
}
