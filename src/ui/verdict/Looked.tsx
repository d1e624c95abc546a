import Box from '@mui/material/Box';
import type { Verdict as Mark } from '@/core/gland-selection';
import type { Verdict } from '@/core/kernel';
import { PlainList } from '../kit-of-parts/PlainList';
import { NutMark } from './NutMark';

const MARKS: Readonly<Record<Verdict, Mark>> = { holds: 'fits', fails: 'misfit', ask: 'unknown' };
const WORDS: Readonly<Record<Verdict, string>> = { holds: 'holds', fails: 'fails', ask: 'not known' };
const COLOURS: Readonly<Record<Verdict, string>> = {
  holds: 'success.main',
  fails: 'error.main',
  ask: 'warning.main',
};
const ORDER: Readonly<Record<Verdict, number>> = { fails: 0, ask: 1, holds: 2 };

interface Props {
  readonly findings: readonly { readonly verdict: Verdict; readonly words: string }[];
}

/** Everything that was looked at, a line each with its number; what does not hold first. */
export function Looked({ findings }: Props) {
  const sorted = [...findings].sort((a, b) => ORDER[a.verdict] - ORDER[b.verdict]);
  return (
    <PlainList ruled label="What was looked at">
      {sorted.map(({ verdict, words }, i) => (
        <Box component="li" key={`${i} ${words}`} sx={{ display: 'flex', gap: 1.25, alignItems: 'baseline' }}>
          <Box component="span" sx={{ flex: 'none', alignSelf: 'center', lineHeight: 0 }}>
            <NutMark verdict={MARKS[verdict]} size={16} />
          </Box>
          <Box component="b" sx={{ flex: 'none', width: 84, fontWeight: 600, color: COLOURS[verdict] }}>
            {WORDS[verdict]}
          </Box>
          <span>{words}</span>
        </Box>
      ))}
    </PlainList>
  );
}
