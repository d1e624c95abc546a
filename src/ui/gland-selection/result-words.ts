import type { CandidateView } from '@/core/termination-view';
import { trimNumber } from '@/core/units';
import { VERDICT_WORDS } from '../verdict/NutMark';
import { findingIn } from './ladder-scale';

/** What stands in the way, in two words. */
const SHORT: Readonly<Record<string, string>> = {
  construction: 'wrong cable',
  innerSeal: 'no inner sheath',
  armourRing: 'wrong armour',
  entryThread: 'wrong entry',
  engagement: 'thread short',
  concept: 'not certified',
  group: 'wrong group',
  ip: 'IP too low',
  temperature: 'too hot or cold',
  ovality: 'too oval',
  filling: 'no barrier',
  cableListing: 'cable not listed',
  coldFlow: 'sheath creeps',
  endStop: 'end stop open',
  coreCount: 'too many cores',
  freeArea: 'no room',
  compound: 'no compound',
  corrosion: 'corrodes',
  singleCore: 'single core',
};

/** What decides this row, in a word or two: the margin, or what stands in the way. */
export function resultWords(candidate: CandidateView): string {
  const { verdict } = candidate;
  if (verdict === 'unknown') return VERDICT_WORDS.unknown;
  const out = candidate.findings.find((f) => f.verdict === verdict && f.verdict !== 'fits');
  if (out)
    return verdict === 'marginal'
      ? 'measure again'
      : (outsideWords(out) ?? SHORT[out.criterion] ?? 'does not fit');
  if (candidate.notCalledFor !== null) return 'not called for';
  const seal = findingIn(candidate, 'outerSeal')?.margin ?? candidate.marginMm ?? 0;
  const inside = `${trimNumber(seal, 1)} mm inside`;
  return candidate.adaptor ? `adaptor, ${inside}` : inside;
}

/** By how much a range is missed; null where no range was compared. */
function outsideWords({ range, interval, margin }: CandidateView['findings'][number]): string | null {
  if (range === undefined || margin === null || !interval) return null;
  const over = interval.max - range.max >= range.min - interval.min;
  return `${trimNumber(Math.abs(margin), 1)} mm ${over ? 'over' : 'under'}`;
}
