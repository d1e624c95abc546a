import Stack from '@mui/material/Stack';
import { circuitsOf, lookOf } from '@/core/crossing';
import type { FrameRequest } from '@/core/frame-packing';
import styles from './Face.module.css';

const ENTRY = { display: 'flex', alignItems: 'center', gap: 0.75 } as const;

/** What tells the circuits apart in the face view. */
export function Legend({ request }: { readonly request: FrameRequest }) {
  const circuits = circuitsOf(request);
  return (
    <Stack
      component="ul"
      direction="row"
      aria-label="Circuits"
      sx={{ flexWrap: 'wrap', gap: '4px 14px', m: 0, p: 0, fontSize: 13.5, listStyle: 'none' }}
    >
      {circuits.map((c) => {
        const { role, pattern } = lookOf(circuits, c);
        return (
          <Stack key={c} component="li" sx={ENTRY} direction="row">
            <i className={styles.swatch} data-role={role} data-pattern={pattern} aria-hidden />{' '}
            {c === '' ? 'no circuit' : c}
          </Stack>
        );
      })}
      <Stack component="li" sx={ENTRY} direction="row">
        <i className={styles.againMark} /> measure again
      </Stack>
    </Stack>
  );
}
