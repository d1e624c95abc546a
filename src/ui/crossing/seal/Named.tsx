import Box from '@mui/material/Box';
import { circuitsIn, cableNumbers, lookOf } from '@/core/crossing';
import styles from '../Face.module.css';
import { throughOf } from './through';
import type { SealMade } from './use-seal';

interface NamedProps {
  readonly made: SealMade;
  readonly lit: string | null;
  readonly onLight: (tag: string | null) => void;
}

/** Circuits by their look, and the number that stands for a tag where a drawing has no room for it. */
export function Named({ made, lit, onLight }: NamedProps) {
  const cables = throughOf(made);
  const circuits = circuitsIn(cables);
  const numbers = cableNumbers(cables.map((c) => c.tag));
  return (
    <Box component="ul" aria-label="Cables" sx={NAMES}>
      {cables.map((c) => {
        const { role, pattern } = lookOf(circuits, c.circuit ?? '');
        return (
          <Box
            component="li"
            key={c.tag}
            onPointerEnter={() => onLight(c.tag)}
            onPointerLeave={() => onLight(null)}
            sx={lit === c.tag ? { bgcolor: 'var(--ac-amber-wash)' } : undefined}
          >
            <i className={styles.swatch} data-role={role} data-pattern={pattern} aria-hidden />
            <span>
              <b>{numbers.get(c.tag)}</b> {c.tag}{' '}
              <small>{c.circuit === undefined || c.circuit === '' ? 'no circuit' : c.circuit}</small>
            </span>
          </Box>
        );
      })}
    </Box>
  );
}

const NAMES = {
  columns: '150px',
  m: '4px 0 10px',
  p: 0,
  fontSize: 13.5,
  listStyle: 'none',
  '& li': { display: 'flex', alignItems: 'center', gap: 0.75, py: '2px', breakInside: 'avoid' },
  '& small': { color: 'text.secondary' },
} as const;
