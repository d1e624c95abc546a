import Typography from '@mui/material/Typography';
import { roundsOf } from '@/core/procedure';
import type { BenchAct } from '@/core/record';

/** How often the cores have been eased and sanded so far; nothing before the first time. */
export function Rounds({ acts }: { readonly acts: readonly BenchAct[] }) {
  const rounds = roundsOf(acts);
  return rounds === 0 ? null : (
    <Typography sx={{ fontSize: 20 }}>
      Eased and sanded <b>{rounds === 1 ? 'once' : `${rounds} times`}</b> so far.
    </Typography>
  );
}
